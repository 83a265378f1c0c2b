import type { Almanac } from '../almanac'
import { feederOf } from '../almanac'
import { median, theilSen } from '../brumation'
import type { Day } from '../chance'
import { computedInput, factInput, type Judgement } from '../judgement'
import { comparableWeights, type AnimalState } from '../subjects'

export type GrowthState = 'loses' | 'stalls' | 'slow' | 'steady'
export interface Growth {
  state: GrowthState
  /** Share of its weight a week; of its mates the middle one. */
  perWeek: number
  mates: number
}

/** A pace needs so many weights. */
const LEAST_WEIGHTS = 3

const percent = (share: number) => `${share >= 0 ? '+' : '−'}${Math.abs(100 * share).toFixed(1)} %`

/**
 * How fast an animal grows: the robust slope (Theil 1950; Sen 1968) of the logarithm of its weights of the last weeks,
 * as a share a week. One weight that is off does not move it.
 * @returns null where too few were written
 */
export function paceOf(animal: AnimalState, { growthDays }: Almanac['common'], today: Day): number | null {
  const lately = comparableWeights(animal).filter(w => w.day > today - growthDays!.value && w.day <= today)
  if (lately.length < LEAST_WEIGHTS || lately.at(-1)!.day === lately[0]!.day) return null
  const trend = theilSen(lately.map(w => ({ x: w.day, y: Math.log(w.massG) })))
  return trend && Math.expm1(7 * trend.slope)
}

/** Offers of the last weeks, refused ones, and what was eaten, as a share of its weight a week. */
function eatenLately(animal: AnimalState, almanac: Almanac, today: Day) {
  const days = almanac.common.growthDays!.value
  const lately = animal.meals.filter(m => m.day > today - days && m.day <= today)
  const grams = lately.reduce((sum, m) => sum + m.taken * feederOf(almanac, m.prey).massG.likely, 0)
  const massG = animal.weights.at(-1)?.massG
  return {
    offers: lately.length,
    refused: lately.filter(m => m.taken === 0).length,
    share: massG ? grams / massG / (days / 7) : null,
  }
}

/**
 * How each of a litter grows beside its mates: who stalls while they grow is told, with what it ate and refused beside
 * them. Nothing is said where fewer than three mates have a pace, or where the litter as a whole hardly grows.
 */
export function growthOf(litter: readonly AnimalState[], almanac: Almanac, today: Day): Map<string, Judgement<Growth>> {
  const { common } = almanac
  const { growthLeast, growthStalls, growthSlow, growthDays } = common
  const paces = litter.flatMap(animal => {
    const pace = paceOf(animal, common, today)
    return pace === null ? [] : [{ animal, pace, eaten: eatenLately(animal, almanac, today) }]
  })
  const told = new Map<string, Judgement<Growth>>()
  if (paces.length <= LEAST_WEIGHTS) return told
  for (const one of paces) {
    const others = paces.filter(p => p !== one)
    const mates = median(others.map(p => p.pace))
    if (mates < growthLeast!.value) continue
    const { pace, eaten, animal } = one
    const state: GrowthState =
      pace < 0
        ? 'loses'
        : pace < growthStalls!.value * mates
          ? 'stalls'
          : pace < growthSlow!.value * mates
            ? 'slow'
            : 'steady'
    const shares = others.flatMap(p => p.eaten.share ?? [])
    told.set(animal.id, {
      value: { state, perWeek: pace, mates },
      reasons: [
        {
          rule: 'Pace of growth beside its mates, by the weights of the last weeks (robust slope: one that is off does not move it)',
          inputs: [
            computedInput('A week', percent(pace)),
            computedInput('Mates, the middle one', `${percent(mates)}, of ${others.length}`),
            factInput('Weights of the last', 'common.growthDays.value', growthDays!),
            factInput('Stalls under, of their pace', 'common.growthStalls.value', growthStalls!),
            factInput('Slow under, of their pace', 'common.growthSlow.value', growthSlow!),
          ],
          change: 'A weight',
        },
        {
          rule: 'What may be behind it: what it ate and refused beside its mates',
          inputs: [
            computedInput('Refused', `${eaten.refused} of ${eaten.offers} offers`),
            computedInput(
              'Mates refused, the middle one',
              `${Math.round(100 * median(others.map(p => (p.eaten.offers ? p.eaten.refused / p.eaten.offers : 0))))} %`,
            ),
            ...(eaten.share === null ? [] : [computedInput('Eaten a week, of its weight', percent(eaten.share))]),
            ...(shares.length ? [computedInput('Mates, the middle one', percent(median(shares)))] : []),
            computedInput('Signs', animal.unwell ? 'not well' : 'none written'),
          ],
          change: 'Larger or more prey, a quieter or warmer place; droppings tested where it eats and does not grow',
        },
      ],
    })
  }
  return told
}
