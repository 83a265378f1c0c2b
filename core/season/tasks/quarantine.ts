import { inCold, isQuarantine, livingAnimals, quarantineOf, type AnimalState } from '../../subjects'
import { subjectAs } from '../guard'
import type { Task } from '../contracts'
import { about } from './about'
import { LABELS, tellLeave, tellTest } from './quarantineWording'
import { tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

function quarantineTask(animal: AnimalState, { house, almanac, today }: TaskContext): Task[] {
  const q = quarantineOf(house, animal, almanac.common)
  if (!q) return []
  const { since, until, tested } = q
  const base = { ...about(animal), kind: 'quarantine' }
  if (tested !== 'clear') {
    const testOn = since === null ? today : since + almanac.common.quarantineTestAfter!.value
    if (testOn > today) return []
    return [
      {
        ...base,
        id: `tested:${animal.id}`,
        due: testOn,
        actions: [
          { label: LABELS.clear, kind: 'droppingsTested', data: { clear: true }, tone: 'main' },
          { label: LABELS.notClear, kind: 'droppingsTested', data: { clear: false } },
        ],
        ...tellTest(q, animal, almanac, today),
      },
    ]
  }
  if (until === null || until > today) return []
  return [{ ...base, id: `leave:${animal.id}`, due: until, actions: [], ...tellLeave(q, animal, almanac, today) }]
}

/** What animals in quarantine want: a test, and to leave when it is over. */
export const quarantineTasks: TaskMaker = context => {
  const { places } = context.house
  if (!Object.values(places).some(p => p.quarantine)) return []
  return tasksOfEach(
    context,
    livingAnimals(context.house).filter(a => !inCold(a) && isQuarantine(places, a.placeId)),
    subjectAs('animal'),
    quarantineTask,
  )
}
