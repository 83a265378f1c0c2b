import { speciesOf } from '../../almanac'
import { summarise } from '../../chance'
import type { Task } from '../contracts'
import { LABELS, tellGravid } from './gravidWording'
import { tasksOfEach, type TaskMaker } from './taskMaker'

/** Females near laying or birth: looked at every day. */
export const gravidTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.lanes,
    l => l.subject,
    (lane, { house, almanac, today }): Task[] => {
      if (lane.kind !== 'pair') return []
      const birth = lane.events.find(e => (e.event === 'laid' || e.event === 'born') && !e.observed)
      const when = birth ? summarise(birth.dist) : null
      const dam = house.animals[house.pairings[lane.subject.id]!.damId]!
      const { lookAhead, layingHardlyAhead } = almanac.common
      if (!birth || !when || when.low > today + lookAhead!.value || dam.lastCheck?.day === today) return []
      if (1 - birth.dist.never < layingHardlyAhead!.value) return []
      const species = speciesOf(almanac, lane.speciesId)
      const born = birth.event === 'born'
      const ask = {
        field: born ? 'live' : 'eggs',
        label: born ? LABELS.liveYoung : LABELS.eggs,
        likely: Math.round(species.clutchSize.likely),
      }
      const found = { founds: 'clutch' as const, data: {}, ask, tone: 'main' as const }
      return [
        {
          id: `gravid:${lane.id}`,
          kind: 'gravid',
          subject: lane.subject,
          tag: dam.tag,
          placeId: dam.placeId,
          due: today,
          actions: [
            born ? { label: LABELS.gaveBirth, kind: 'born', ...found } : { label: LABELS.laid, kind: 'laid', ...found },
            { label: LABELS.notYet, kind: 'checked', data: { well: true }, subject: { type: 'animal', id: dam.id } },
          ],
          ...tellGravid(born ? 'young' : species.mode === 'larval' ? 'spawn' : 'eggs', when, birth.reasons),
        },
      ]
    },
  )
