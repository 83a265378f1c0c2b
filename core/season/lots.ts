import type { Almanac } from '../almanac'
import type { Day } from '../chance'
import type { StandingLot } from '../supply'
import type { PreyOutlook } from './contracts'

/** A lot beside what will be eaten of it. */
export interface LotAhead extends StandingLot {
  /** Pieces that its own eaters are not expected to have eaten by its day. */
  over: number
}

/**
 * The lots of a prey as they are eaten, the first to end first, by the mean need of those whose prey it is.
 * @returns the lots in which anything is left, none for what is harvested
 */
export function lotsAhead({ lots, mean }: Pick<PreyOutlook, 'lots' | 'mean'>, today: Day): LotAhead[] {
  let eaten = 0
  let day = 0
  let before = 0
  return lots.map(lot => {
    const end = Math.max(0, lot.useBy - today)
    for (; day <= end && day < mean.length; day++) eaten += mean[day]!
    // what is eaten by its day, and not of lots that end before it
    const taken = Math.min(lot.pieces, Math.max(0, eaten - before))
    before += taken
    return { ...lot, over: end < mean.length ? lot.pieces - taken : 0 }
  })
}

/** Feeders for whose eaters a prey may stand in, as one speaks of many of them. */
export const standsInFor = (prey: string, almanac: Pick<Almanac, 'feeders'>): string[] =>
  Object.values(almanac.feeders).flatMap(f => (f.standIns?.some(s => s.prey === prey) ? [f.many] : []))
