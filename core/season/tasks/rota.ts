import { speciesOf } from '../../almanac'
import type { Visit } from '../../pairing'
import type { Task, TaskAction } from '../contracts'
import { LABELS, tellIntroduce, tellVisit } from './rotaWording'
import { tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

const observations: TaskAction[] = [
  { label: LABELS.lock, kind: 'copulation', data: { confirmed: true }, tone: 'main' },
  { label: LABELS.layTogether, kind: 'copulation', data: { confirmed: false } },
  { label: LABELS.rejected, kind: 'rejected', data: {} },
]

function visitTask(visit: Visit, { house, almanac, today }: TaskContext): Task[] {
  const dam = house.animals[visit.damId]!
  const sire = house.animals[visit.sireId]!
  const pairing = house.pairings[visit.pairingId]!
  const base = {
    subject: { type: 'pairing' as const, id: visit.pairingId },
    kind: 'pairing',
    tag: `${dam.tag} × ${sire.tag}`,
    placeId: dam.placeId,
    due: today,
  }
  const told = { visit, dam: dam.tag, sire: sire.tag, species: speciesOf(almanac, dam.speciesId) }
  if (!visit.running)
    return visit.from === today
      ? [
          {
            ...base,
            id: `introduce:${visit.pairingId}`,
            actions: [{ label: LABELS.introduced, kind: 'introduced', data: {}, tone: 'main' }],
            ...tellIntroduce(told, today),
          },
        ]
      : []
  const over = visit.to <= today
  const lockToday = pairing.locks.at(-1)?.day === today || pairing.layTogether.at(-1)?.day === today
  if (!over && lockToday) return []
  return [
    {
      ...base,
      id: `visit:${visit.pairingId}`,
      actions: over
        ? [
            { label: LABELS.separated, kind: 'separated', data: {}, tone: 'main' },
            ...observations.map(o => ({ ...o, tone: 'plain' as const })),
          ]
        : observations,
      ...tellVisit({ ...told, over }, today),
    },
  ]
}

/** The rota walked: who goes in today, who is looked in on, who comes out. */
export const rotaTasks: TaskMaker = context =>
  tasksOfEach(context, context.breeding.rota, v => ({ type: 'pairing', id: v.pairingId }), visitTask)
