import type { Almanac } from '../almanac'
import type { Day } from '../chance'
import { computedInput, entryInput, type Judgement } from '../judgement'
import type { StandingLot } from '../supply'
import { formatDay } from '../units'
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

/** What nobody is expected to eat in time. */
export interface Surplus {
  pieces: number
  /** The last day on which it is to be used. */
  until: Day
  /** Feeders for whose eaters it may stand in, as one speaks of many of them. */
  mayStandFor: string[]
}

/** Fewer pieces of a lot over are no surplus. */
const FEW = 5

/** Of what is bought the pieces beyond what is eaten by their days, and who else could use them; null for none. */
export function surplusOf(
  look: Pick<PreyOutlook, 'prey' | 'lots' | 'mean'>,
  almanac: Pick<Almanac, 'feeders'>,
  today: Day,
): Judgement<Surplus> | null {
  // what is past its day is looked through, not eaten up
  const over = lotsAhead(look, today).filter(lot => lot.over >= FEW && lot.useBy >= today)
  const last = over.at(-1)
  if (!last) return null
  const eaten = look.mean.slice(0, last.useBy - today + 1).reduce((sum, n) => sum + n, 0)
  return {
    value: {
      pieces: Math.round(over.reduce((sum, lot) => sum + lot.over, 0)),
      until: last.useBy,
      mayStandFor: Object.values(almanac.feeders).flatMap(f =>
        f.standIns?.some(s => s.prey === look.prey) ? [f.many] : [],
      ),
    },
    reasons: [
      {
        rule: 'What is usable now, less what its own eaters are expected to eat by its day; the first to end is eaten first',
        inputs: [
          ...over.map(lot =>
            entryInput(
              `Of ${formatDay(lot.day, today)}`,
              `${Math.round(lot.pieces)} usable, use by ${formatDay(lot.useBy, today)}`,
              lot,
            ),
          ),
          computedInput(`Eaten by ${formatDay(last.useBy, today)}, expected`, `${Math.round(eaten)}`),
        ],
        change: 'Give it to others, freeze it where it can be frozen, pass it on; skip the next order',
      },
    ],
  }
}
