import { speciesOf, type Almanac } from '../../almanac'
import { EVENT_NAMES } from '../../pairing'
import type { Alarm, Lane } from '../contracts'

/** Whether this event is truly waited for: a hatch of eggs that lie there, or a birth after signs of this cycle. */
function waitedFor(lane: Lane, event: string): boolean {
  if (lane.kind !== 'pair') return event === 'hatched'
  return (
    ['laid', 'born'].includes(event) &&
    lane.events.some(
      o => o.observed && ['copulation', 'ovulation', 'preLayShed', 'postOvulationShed'].includes(o.event),
    )
  )
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
    text: `${lane.title}: ${EVENT_NAMES[late.event]} is overdue; ${late.dist.p.length ? `${Math.round(late.dist.never * 100)} % that it does not come` : 'it does not come any more'}`,
    todo:
      late.event === 'hatched'
        ? 'Candle again; leave firm eggs. Close the clutch when they are surely dead.'
        : `Look at ${speciesOf(almanac, lane.speciesId).name} closely; swelling or straining is for the vet. End the season if she did not take.`,
    reasons: late.reasons,
  }
}
