import { speciesOf, type Almanac } from '../../almanac'
import type { Alarm, Lane } from '../contracts'
import { tellOverdue } from './overdueWording'

const WAITED_FOR = ['laid', 'born']
/** Signs of this cycle, after which a laying or a birth is truly waited for. */
const SIGNS = ['copulation', 'ovulation', 'preLayShed', 'postOvulationShed']

/** Whether this event is truly waited for: a hatch of eggs that lie there, or a birth after signs of this cycle. */
function waitedFor(lane: Lane, event: string): boolean {
  if (lane.kind !== 'pair') return event === 'hatched'
  return WAITED_FOR.includes(event) && lane.events.some(o => o.observed && SIGNS.includes(o.event))
}

/** A laying, birth or hatch that does not come. */
export function overdueAlarm(lane: Lane, almanac: Almanac): Alarm | null {
  // eggs lie there until the clutch is closed, however long past their time; a pair ends its season by itself
  const late = lane.events.find(
    e =>
      !e.observed &&
      (e.dist.p.length || e.event === 'hatched') &&
      e.dist.never > almanac.common.overdueFrom!.value &&
      waitedFor(lane, e.event),
  )
  if (!late) return null
  return {
    id: `late:${lane.id}`,
    level: 'watch',
    subject: lane.subject,
    ...tellOverdue({ title: lane.title, late, species: speciesOf(almanac, lane.speciesId).name }),
    reasons: late.reasons,
  }
}
