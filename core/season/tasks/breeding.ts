import { speciesOf } from '../../almanac'
import type { Visit } from '../../pairing'
import { formatDay, formatDistance } from '../../units'
import { livingAnimals } from '../../subjects'
import { sexOf } from '../breeding'
import { subjectAs } from '../guard'
import type { Task, TaskAction } from '../contracts'
import { tasksOfEach, type TaskContext, type TaskMaker, weighAction } from './taskMaker'

const observations: TaskAction[] = [
  { label: 'Lock', kind: 'copulation', data: { confirmed: true }, tone: 'main' },
  { label: 'Lay together', kind: 'copulation', data: { confirmed: false } },
  { label: 'Rejected', kind: 'rejected', data: {} },
]

function visitTask(visit: Visit, { house, almanac, today }: TaskContext): Task[] {
  const [dam, sire, pairing] = [
    house.animals[visit.damId]!,
    house.animals[visit.sireId]!,
    house.pairings[visit.pairingId]!,
  ]
  const species = speciesOf(almanac, dam.speciesId)
  const base = {
    subject: { type: 'pairing' as const, id: visit.pairingId },
    kind: 'pairing',
    tag: `${dam.tag} × ${sire.tag}`,
    placeId: dam.placeId,
    due: today,
    reasons: visit.reasons,
  }
  const eats = species.mating?.eatsMates
  if (!visit.running) {
    if (visit.from !== today) return []
    return [
      {
        ...base,
        id: `introduce:${visit.pairingId}`,
        what: `Put ${sire.tag} with ${dam.tag}`,
        detail: `until ${formatDay(visit.to, today)}; ${visit.why}`,
        actions: [{ label: 'Introduced', kind: 'introduced', data: {}, tone: 'main' }],
        caution: eats
          ? 'Eats snakes: stay beside them; apart again if either hunts.'
          : species.sexing?.venomous
            ? 'Venomous: trained, licensed keepers only, never alone.'
            : 'Male to her place; both fed apart, not within two days.',
      },
    ]
  }
  const over = visit.to <= today
  const lockToday = pairing.locks.at(-1)?.day === today || pairing.layTogether.at(-1)?.day === today
  if (!over && lockToday) return []
  return [
    {
      ...base,
      id: `visit:${visit.pairingId}`,
      what: over ? `Take ${sire.tag} out, away from ${dam.tag}` : `Look in on ${dam.tag} and ${sire.tag}`,
      detail: `together since ${formatDay(visit.from, today)}${over ? `; ${visit.why}` : `, until ${formatDay(visit.to, today)}`}`,
      actions: over
        ? [
            { label: 'Separated', kind: 'separated', data: {}, tone: 'main' },
            ...observations.map(o => ({ ...o, tone: 'plain' as const })),
          ]
        : observations,
      caution: eats
        ? 'Eats snakes: never left unattended.'
        : 'Bites or chasing: apart at once; an injury is written on the pair’s sheet.',
    },
  ]
}

/** The rota walked: who goes in today, who is looked in on, who comes out. */
export const rotaTasks: TaskMaker = context =>
  tasksOfEach(context, context.breeding.rota, v => ({ type: 'pairing', id: v.pairingId }), visitTask)

/** A female that is worn out rests; one that laid is weighed. */
export const loadTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.breeding.due,
    d => ({ type: 'pairing', id: d.pairingId }),
    (d, { house, almanac, today, lanes }): Task[] => {
      const load = d.load
      const dam = house.animals[d.damId]!
      if (!load || load.value.daysSince === null) return []
      const { action, text, daysSince, after } = load.value
      const base = { kind: 'pairing', tag: dam.tag, placeId: dam.placeId, due: today, reasons: load.reasons }
      if (after === null && daysSince <= 14) {
        return [
          {
            ...base,
            id: `after:${d.pairingId}`,
            subject: { type: 'animal', id: dam.id },
            what: 'Weigh after laying',
            detail: `laid ${formatDistance(today - daysSince, today)}`,
            actions: [weighAction(dam.weights.at(-1))],
          },
        ]
      }
      const lane = lanes.find(l => l.subject.id === d.pairingId)
      // a season that is over by itself needs no resting
      if (action !== 'rest' || !speciesOf(almanac, dam.speciesId).nextClutch || !lane?.events.some(e => !e.observed))
        return []
      return [
        {
          ...base,
          id: `rest:${d.pairingId}`,
          subject: { type: 'pairing', id: d.pairingId },
          what: 'Let her rest: end the season',
          detail: text,
          actions: [
            { label: 'Season ended', kind: 'pairingEnded', data: { why: `rest: ${text}`.slice(0, 300) }, tone: 'main' },
          ],
          caution: 'No male any more this season. Straining or a swollen vent is for the reptile vet.',
        },
      ]
    },
  )

/** An animal whose sex is past the threshold of the house, and not yet taken as known. */
export const sexTasks: TaskMaker = context =>
  tasksOfEach(context, livingAnimals(context.house), subjectAs('animal'), (animal): Task[] => {
    if (!animal.sexEvidence.length) return []
    const { value, reasons } = sexOf(animal, context)
    if (value.state === 'open' || animal.sex === value.sex) return []
    return [
      {
        id: `sex:${animal.id}`,
        kind: 'sex',
        subject: { type: 'animal', id: animal.id },
        tag: animal.tag,
        placeId: animal.placeId,
        due: context.today,
        what: `Settle its sex: ${value.sex}`,
        detail: `${(value.chance * 100).toFixed(1)} % by what was seen`,
        actions: [{ label: `Take as ${value.sex}`, kind: 'sexSettled', data: { sex: value.sex }, tone: 'main' }],
        reasons,
      },
    ]
  })
