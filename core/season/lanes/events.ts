import type { BreedingEvent } from '../../almanac'
import { certain, summarise, type Day } from '../../chance'
import { entryInput } from '../../judgement'
import type { EventForecast } from '../../pairing'
import type { Observed } from '../../subjects'
import { formatDay } from '../../units'
import type { Lane } from '../contracts'

/** An event that was seen and written. */
export function seenEvent(event: BreedingEvent, observed: Observed, today: Day): EventForecast {
  return {
    event,
    observed,
    dist: certain(observed.day),
    reasons: [
      {
        rule: 'Seen and written in the logbook',
        inputs: [entryInput('Seen', formatDay(observed.day, today), observed)],
      },
    ],
  }
}

/** Whether an event is expected, and more likely still to come than past and unwritten. */
export const isAhead = (event: EventForecast, today: Day): boolean =>
  !event.observed && event.dist.p.length > 0 && summarise(event.dist)!.median >= today

/** Day of the next thing expected in a lane: what one reads it for. */
export function nextEventDay(lane: Lane, today: Day): Day {
  const next = lane.events.find(e => isAhead(e, today))
  return next ? summarise(next.dist)!.median : Number.MAX_SAFE_INTEGER
}
