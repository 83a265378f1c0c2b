import type { Fact } from '../../almanac'
import type { Day } from '../../chance'
import type { House } from '../../log'
import { isQuarantine } from '../ways'
import type { AnimalState } from './state'

/** How one goes about what is ill or new. */
export const WORKED_APART = 'Own tools, last in the round, hands and arms washed after.'

/** Where an animal stands in its quarantine. */
export interface Quarantine {
  /** The day it came there; null where nobody wrote it. */
  since: Day | null
  until: Day | null
  /** A test of its droppings during it: clear, not clear, or none yet. */
  tested: 'clear' | 'notClear' | null
}

/** The quarantine of an animal that lives in a place of quarantine; null for all others. */
export function quarantineOf(
  { places }: Pick<House, 'places'>,
  { placeId, placedDay, droppings }: Pick<AnimalState, 'placeId' | 'placedDay' | 'droppings'>,
  common: Readonly<Record<string, Fact>>,
): Quarantine | null {
  if (!isQuarantine(places, placeId)) return null
  const since = placedDay ?? null
  const counts = droppings && (since === null || droppings.day >= since)
  return {
    since,
    until: since === null ? null : since + common.quarantineDays!.value,
    tested: counts ? (droppings.clear ? 'clear' : 'notClear') : null,
  }
}

/** Why it should not leave quarantine yet, in words; null where it may. */
export function staysInQuarantine({ since, until, tested }: Quarantine, day: Day): string | null {
  const why = [
    ...(until !== null && day < until ? [`has been in quarantine for ${day - since!} of ${until - since!} days`] : []),
    ...(tested === 'notClear' ? ['its droppings were not clear'] : []),
    ...(tested === null ? ['no test of its droppings is written'] : []),
  ]
  return why.length ? why.join(', and ') : null
}
