import type { Species } from '../../almanac'
import { computedInput, factInput } from '../../judgement'
import type { OwnInterval } from '../../pairing'
import type { House } from '../../subjects'
import type { SeasonContext } from '../context'
import { remembering } from '../remember'

const byDam = remembering<House['clutches'], Map<string, number[]>>()

/** Days between the layings of one female that followed on each other in one season, oldest first. */
export function intervalsOf(damId: string, species: Species, context: SeasonContext): number[] {
  const { house, almanac } = context
  const { intervalFrom, intervalTo } = almanac.common
  const next = species.nextClutch
  if (!next) return []
  const days = byDam(context, house.clutches, [house.pairings], () => {
    const laid = new Map<string, number[]>()
    for (const { pairingId, startDay, partOf } of Object.values(house.clutches)) {
      const dam = pairingId && house.pairings[pairingId]?.damId
      if (dam && !partOf) laid.set(dam, [...(laid.get(dam) ?? []), startDay])
    }
    for (const list of laid.values()) list.sort((a, b) => a - b)
    return laid
  }).get(damId)
  return (days ?? [])
    .slice(1)
    .map((day, i) => day - days![i]!)
    .filter(gap => gap >= intervalFrom!.value * next.days.earliest && gap <= intervalTo!.value * next.days.latest)
}

/**
 * Days to her next laying: those of the species, drawn to her own by how many are known; the spread stays. Null where
 * none of hers are.
 */
export function ownInterval(
  intervals: readonly number[],
  species: Species,
  { almanac }: Pick<SeasonContext, 'almanac'>,
): OwnInterval | null {
  const next = species.nextClutch
  if (!next || !intervals.length) return null
  const weight = almanac.common.intervalShrink!
  const sum = intervals.reduce((a, b) => a + b, 0)
  const { earliest, likely, latest } = next.days
  const moved = (likely * weight.value + sum) / (weight.value + intervals.length) - likely
  return {
    days: { earliest: Math.max(1, earliest + moved), likely: likely + moved, latest: latest + moved },
    inputs: [
      computedInput('Her own', `${intervals.join(', ')} days`),
      factInput('The usual weighs as', 'common.intervalShrink.value', weight),
      computedInput('So counted', `about ${Math.round(likely + moved)} days`),
    ],
  }
}
