import { speciesOf } from '../../almanac'
import type { Task } from '../contracts'
import { laneOf } from '../indexes'
import { LABELS, endedWhy, tellRest, tellWeighAfter } from './loadWording'
import { tasksOfEach, type TaskMaker, weighAction } from './taskMaker'

/** A female that is worn out rests; one that laid is weighed. */
export const loadTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.breeding.due,
    d => ({ type: 'pairing', id: d.pairingId }),
    (d, { house, almanac, today, lanes }): Task[] => {
      const { load } = d
      const dam = house.animals[d.damId]!
      if (!load || load.value.daysSince === null) return []
      const { action, text, daysSince, after } = load.value
      const base = { kind: 'pairing', tag: dam.tag, placeId: dam.placeId, due: today }
      const within = almanac.common.weighAfterLaying!
      if (after === null && daysSince <= within.value)
        return [
          {
            ...base,
            id: `after:${d.pairingId}`,
            subject: { type: 'animal', id: dam.id },
            actions: [weighAction(dam.weights.at(-1))],
            ...tellWeighAfter([daysSince, within], load.reasons, today),
          },
        ]
      const lane = laneOf(lanes, d.pairingId)
      // a season that is over by itself needs no resting
      if (action !== 'rest' || !speciesOf(almanac, dam.speciesId).nextClutch || !lane?.events.some(e => !e.observed))
        return []
      return [
        {
          ...base,
          id: `rest:${d.pairingId}`,
          subject: { type: 'pairing', id: d.pairingId },
          actions: [{ label: LABELS.ended, kind: 'pairingEnded', data: { why: endedWhy(text) }, tone: 'main' }],
          ...tellRest(text, load.reasons),
        },
      ]
    },
  )
