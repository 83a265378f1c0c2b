import type { BatchSigns } from '../almanac'
import { normalCdf, type Day } from '../chance'
import { NO_SIGN, type CultureState } from '../subjects'

/** What contradicts all else is still not impossible: somebody may have looked into another cup. */
const LEAST = 1e-4

/** What was seen in a culture, of what the almanac has words for; a sign that it has no more says nothing. */
export const knownLooks = (
  { signs }: Pick<CultureState, 'signs'>,
  { seen }: Pick<BatchSigns, 'seen'>,
): CultureState['signs'] => signs.filter(l => l.furthest === NO_SIGN || seen.some(s => s.name === l.furthest))

/**
 * How likely is what was seen in a culture, if its first yield is on a day. A sign shows when its share of that wait is
 * over, sooner or later by one factor of the culture's own, normal about 1; each look says between which two signs it
 * stood, and all looks together leave a range for that factor.
 * @param looks those of `knownLooks`
 * @returns a function from the day of the first yield to a likelihood, 0..1
 */
export const signLikelihood =
  (looks: CultureState['signs'], startDay: Day, { seen, spread }: BatchSigns) =>
  (day: Day): number => {
    let [low, high] = [0, Number.POSITIVE_INFINITY]
    for (const { day: looked, furthest } of looks) {
      const over = (looked - startDay) / Math.max(1, day - startDay)
      const at = seen.findIndex(s => s.name === furthest)
      const next = seen[at + 1]
      if (at >= 0) high = Math.min(high, over / seen[at]!.share.value)
      if (next) low = Math.max(low, over / next.share.value)
    }
    const upTo = (factor: number) => normalCdf((factor - 1) / spread.value)
    return Math.max(LEAST, upTo(high) - upTo(low))
  }
