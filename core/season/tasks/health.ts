import { dosesDue, inCold, livingAnimals, type AnimalState } from '../../subjects'
import { subjectAs } from '../guard'
import type { Task } from '../contracts'
import { about } from './about'
import { LABELS, SEEN_AGAIN, tellDose, tellLookAgain, tellVetAgain } from './healthWording'
import { tasksOfEach, type TaskMaker } from './taskMaker'

/** A daily look at what was found not well; in the cold its own looks are due. */
function lookAgain(animal: AnimalState, today: number): Task[] {
  const { unwell } = animal
  if (!unwell || inCold(animal) || (animal.lastCheck?.day ?? 0) >= today) return []
  return [
    {
      ...about(animal),
      id: `unwell:${animal.id}`,
      kind: 'look',
      due: animal.lastCheck!.day + 1,
      actions: [
        {
          label: LABELS.stillNotWell,
          kind: 'checked',
          data: { well: false, ...(unwell.signs.length && { signs: unwell.signs }) },
          tone: 'main',
        },
        { label: LABELS.well, kind: 'checked', data: { well: true } },
      ],
      ...tellLookAgain(unwell, today),
    },
  ]
}

function vetAgain(animal: AnimalState, today: number): Task[] {
  const { vet } = animal
  if (!vet || vet.again === null || vet.again > today) return []
  return [
    {
      ...about(animal),
      id: `vet:${animal.id}`,
      kind: 'vet',
      due: vet.again,
      actions: [{ label: LABELS.seen, kind: 'vetSeen', data: { said: SEEN_AGAIN }, tone: 'main' }],
      ...tellVetAgain(vet),
    },
  ]
}

const treatments = (animal: AnimalState, today: number): Task[] =>
  (animal.treatments ?? []).flatMap((t): Task[] => {
    const doses = dosesDue(t, today)
    if (!doses) return []
    const last = t.given.at(-1)
    return [
      {
        ...about(animal),
        id: `treat:${t.entryId}`,
        kind: 'treat',
        due: t.everyDays < 1 ? today : last === undefined ? t.day : last + Math.round(t.everyDays),
        actions: [{ label: LABELS.given, kind: 'treated', data: { of: t.entryId }, tone: 'main' }],
        ...tellDose(t, doses, today),
      },
    ]
  })

/** What an animal that is not well wants today. */
export const healthTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    livingAnimals(context.house).filter(a => a.unwell || a.vet || a.treatments),
    subjectAs('animal'),
    (animal, { today }) => [...lookAgain(animal, today), ...vetAgain(animal, today), ...treatments(animal, today)],
  )
