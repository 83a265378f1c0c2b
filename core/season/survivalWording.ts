import type { Almanac, Species } from '../almanac'
import { computedInput, factInput, type Reason } from '../judgement'
import type { Watch } from '../learning'
import { OVER_DAYS, type Losses } from './survivalFindings'

/** Why so many young are counted to live. */
export function survivalReasons(species: Species, seen: Watch, share: number, { common }: Almanac): Reason[] {
  const days = Math.round(seen.youngDays).toLocaleString('en-GB')
  return [
    {
      rule: 'Losses in the first 90 days: the rate that is usual, drawn to the losses of the house over the time watched',
      inputs: [
        factInput('Usually alive at 90 days', `species.${species.id}.survival90.value`, species.survival90),
        computedInput('Hatched here', `${seen.lost} of ${seen.young} lost in ${days} days, summed over the young`),
        factInput('The usual weighs as', 'common.survivalShrink.value', common.survivalShrink!),
        computedInput('So counted', `${Math.round(share * 1000) / 10} %`),
      ],
      change: 'A loss that is written, and each day without one',
    },
  ]
}

/** How the losses of a clutch stand, in words. */
export function tellLosses({ lost, of, day, usual, chance }: Losses, { common }: Almanac): string {
  const verdict =
    chance < common.lossesFar!.value
      ? 'far more than is usual for them'
      : chance < common.lossesMore!.value
        ? 'more than is usual for them'
        : 'usual for them'
  return `${lost} of ${of} lost by day ${Math.min(day, OVER_DAYS)}: ${verdict} (about ${usual < 1 ? usual.toFixed(1) : Math.round(usual)})`
}

/** Why losses are told as usual, or as more. */
export function lossesReasons({ lost, of, usual, chance }: Losses, { common }: Almanac): Reason[] {
  const { lossesMore, lossesFar, lossesEarly, lossesAlike, survivalShrink } = common
  return [
    {
      rule: 'How likely so many losses are, were this clutch as others are: binomial with clutches that differ, by the rate of the species and of the other clutches of the house',
      inputs: [
        computedInput('Lost', `${lost} of ${of}`),
        computedInput('Usual by now', usual.toFixed(1)),
        computedInput('Chance of so many', chance < 0.001 ? 'under 1 in 1,000' : `${(100 * chance).toFixed(1)} %`),
        factInput('More than usual under', 'common.lossesMore.value', lossesMore!),
        factInput('Told under', 'common.lossesFar.value', lossesFar!),
        factInput('At once, as many as in', 'common.lossesEarly.value', lossesEarly!),
        factInput('How alike clutches are', 'common.lossesAlike.value', lossesAlike!),
        factInput('The usual weighs as', 'common.survivalShrink.value', survivalShrink!),
      ],
      change: 'A loss that is written, and each day without one',
    },
  ]
}
