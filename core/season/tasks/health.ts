import { entryInput } from '../../judgement'
import { SIGN_WORDS, WORKED_APART, dosesDue, inCold, livingAnimals, type AnimalState, type Sign } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import { subjectAs } from '../guard'
import type { Task } from '../contracts'
import { tasksOfEach, type TaskMaker } from './taskMaker'

/** A daily look at what was found not well; in the cold its own looks are due. */
function lookAgain(animal: AnimalState, today: number): Task[] {
  const { unwell } = animal
  if (!unwell || inCold(animal) || (animal.lastCheck?.day ?? 0) >= today) return []
  const signs = unwell.signs.map(s => SIGN_WORDS[s as Sign] ?? s).join(', ')
  return [
    {
      id: `unwell:${animal.id}`,
      kind: 'look',
      subject: { type: 'animal', id: animal.id },
      tag: animal.tag,
      what: `Look again: ${signs || 'not well'}`,
      detail: `found ${formatDistance(unwell.day, today)}`,
      placeId: animal.placeId,
      due: animal.lastCheck!.day + 1,
      actions: [
        {
          label: 'Still not well',
          kind: 'checked',
          data: { well: false, ...(unwell.signs.length && { signs: unwell.signs }) },
          tone: 'main',
        },
        { label: 'Well', kind: 'checked', data: { well: true } },
      ],
      caution: WORKED_APART,
      reasons: [
        {
          rule: 'What is not well is looked at every day until a look finds it well',
          inputs: [entryInput('Looked at', signs || 'not well', unwell)],
        },
      ],
    },
  ]
}

function vetAgain(animal: AnimalState, today: number): Task[] {
  const { vet } = animal
  if (!vet || vet.again === null || vet.again > today) return []
  return [
    {
      id: `vet:${animal.id}`,
      kind: 'vet',
      subject: { type: 'animal', id: animal.id },
      tag: animal.tag,
      what: 'To the vet again, as agreed',
      detail: vet.said,
      placeId: animal.placeId,
      due: vet.again,
      actions: [{ label: 'Seen', kind: 'vetSeen', data: { said: 'Seen again as agreed' }, tone: 'main' }],
      reasons: [
        {
          rule: 'The day that was agreed at the last visit',
          inputs: [entryInput('Vet', vet.said, vet)],
          change: 'Writing the visit on its page, with the next day',
        },
      ],
    },
  ]
}

const treatments = (animal: AnimalState, today: number): Task[] =>
  (animal.treatments ?? []).flatMap((t): Task[] => {
    const due = dosesDue(t, today)
    if (!due) return []
    const last = t.given.at(-1)
    return [
      {
        id: `treat:${t.entryId}`,
        kind: 'treat',
        subject: { type: 'animal', id: animal.id },
        tag: animal.tag,
        what: `Give ${t.what}, ${t.given.length + 1} of ${t.times}${due > 1 ? `; ${due} times today` : ''}`,
        detail: t.dose,
        placeId: animal.placeId,
        due: t.everyDays < 1 ? today : last === undefined ? t.day : last + Math.round(t.everyDays),
        actions: [{ label: 'Given', kind: 'treated', data: { of: t.entryId }, tone: 'main' }],
        caution: 'The dose is the vet’s: none more, none left out; worse, or in doubt, ask them.',
        reasons: [
          {
            rule: 'As the vet ordered it, counted from the last dose that was given',
            inputs: [entryInput('Begun', formatDay(t.day, today), t)],
          },
        ],
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
