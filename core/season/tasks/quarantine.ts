import { computedInput, entryInput, factInput, type Reason } from '../../judgement'
import { WORKED_APART, inCold, isQuarantine, livingAnimals, quarantineOf, type AnimalState } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import { subjectAs } from '../guard'
import type { Task } from '../contracts'
import { tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

function quarantineTask(animal: AnimalState, { house, almanac, today }: TaskContext): Task[] {
  const { common } = almanac
  const q = quarantineOf(house, animal, common)
  if (!q) return []
  const { since, until, tested } = q
  const testAfter = common.quarantineTestAfter!
  const base = {
    kind: 'quarantine',
    subject: { type: 'animal' as const, id: animal.id },
    tag: animal.tag,
    placeId: animal.placeId,
    caution: WORKED_APART,
    reasons: [
      {
        rule: 'What comes new stays apart until its days are over and its droppings were clear (common practice)',
        inputs: [
          ...(since === null ? [] : [computedInput('There since', formatDay(since, today))]),
          factInput('Days apart', 'common.quarantineDays.value', common.quarantineDays!),
          factInput('Tested after', 'common.quarantineTestAfter.value', testAfter),
          ...(animal.droppings
            ? [entryInput('Droppings', animal.droppings.clear ? 'clear' : 'not clear', animal.droppings)]
            : []),
        ],
        change: 'A test, or moving it to another place',
      },
    ] satisfies Reason[],
  }
  const testDue = (since ?? today) + (since === null ? 0 : testAfter.value)
  if (tested !== 'clear')
    return testDue > today
      ? []
      : [
          {
            ...base,
            id: `tested:${animal.id}`,
            what:
              tested === null
                ? 'Have its droppings tested'
                : 'Droppings were not clear: by the vet’s word, then test again',
            detail:
              until === null ? 'in quarantine' : `in quarantine until ${formatDay(until, today)}; keep the sample cool`,
            due: testDue,
            actions: [
              { label: 'Clear', kind: 'droppingsTested', data: { clear: true }, tone: 'main' },
              { label: 'Not clear', kind: 'droppingsTested', data: { clear: false } },
            ],
          },
        ]
  return until === null || until > today
    ? []
    : [
        {
          ...base,
          id: `leave:${animal.id}`,
          what: 'May leave quarantine: move it to its home',
          detail: `${today - since!} days, droppings clear ${formatDistance(animal.droppings!.day, today)}`,
          due: until,
          actions: [],
        },
      ]
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
