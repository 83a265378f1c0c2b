import type { Fact, Species } from '../almanac'
import type { Day } from '../chance'

/** A weight on a day; the young of a species weigh on the day they are born what their kind does. */
export interface WeightOn {
  day: Day
  massG: number
}

/** How quickly an animal grows against its species, as a share of days: log-normal. */
export interface Pace {
  /** 1 = as its species. */
  likely: number
  /** Standard deviation of its logarithm. */
  sd: number
}

type Grows = Pick<Species, 'adultMassG' | 'youngMassG' | 'matureDays'>

/** Nearer to its full length than so, days on the curve say nothing any more. */
const ALMOST = 0.995
const lengthShare = (massG: number, species: Grows): number =>
  Math.min(ALMOST, Math.cbrt(Math.max(0, massG) / species.adultMassG.value))

/**
 * Growth per day of the length that is still missing (von Bertalanffy in length; mass goes by the cube of it), such
 * that a share of the full length is reached at maturity: about 0.7 in snakes and lizards (Shine & Charnov 1992, Am.
 * Nat. 139:1257–1269, from memory).
 */
function rateOf(species: Grows, { lengthAtMaturity, growsAtLeast }: Readonly<Record<string, Fact>>): number {
  const young = lengthShare(species.youngMassG.value, species)
  // young that are born large still grow
  const mature = Math.max(lengthAtMaturity!.value, young + growsAtLeast!.value * (1 - young))
  return Math.log((1 - young) / (1 - mature)) / Math.max(1, species.matureDays.value)
}

/**
 * Days that the species takes from one weight to another.
 * @param fromG weight now, g
 * @param toG weight to reach, g
 * @param common numbers of the almanac that hold for all
 * @returns days; 0 where it is there, Infinity where it hardly gets there
 */
export function daysToGrow(species: Grows, fromG: number, toG: number, common: Readonly<Record<string, Fact>>): number {
  if (toG <= fromG) return 0
  const [from, to] = [lengthShare(fromG, species), Math.cbrt(toG / species.adultMassG.value)]
  if (to >= ALMOST) return Infinity
  return Math.log((1 - from) / (1 - to)) / rateOf(species, common)
}

/**
 * The weight so many days of growth later.
 * @param fromG weight now, g
 * @param days days of growth at the pace of the species; not under 0
 * @returns g; an animal over its usual weight stays as it is
 */
export function massAfter(species: Grows, fromG: number, days: number, common: Readonly<Record<string, Fact>>): number {
  const from = lengthShare(fromG, species)
  if (from >= ALMOST || days <= 0) return fromG
  const length = 1 - (1 - from) * Math.exp(-rateOf(species, common) * days)
  return Math.max(fromG, species.adultMassG.value * length ** 3)
}

/**
 * The pace of one animal by two of its weights, drawn to that of its species the more, the less they say: near full
 * size, or when they are few days apart, the error of a weight is as much as the growth.
 * @param awake days between both that it was not in the cold, since nothing grows there
 */
export function paceOf(
  species: Grows,
  first: WeightOn,
  last: WeightOn,
  awake: number,
  common: Readonly<Record<string, Fact>>,
): Pace {
  const prior: Pace = { likely: 1, sd: common.growthSpread!.value }
  if (awake < 1 || last.day <= first.day) return prior
  const length = lengthShare(last.massG, species)
  const rate = rateOf(species, common)
  // d(days)/d(log mass) of the later weight, the steeper end of the curve
  const error = (common.growthWeightError!.value * Math.SQRT2 * length) / 3 / (rate * (1 - length))
  const grown = Math.max(daysToGrow(species, first.massG, last.massG, common), 0.05 * awake)
  if (!Number.isFinite(grown)) return prior
  const weight = (sd: number) => 1 / (sd * sd)
  const [of, by] = [weight(prior.sd), weight(error / grown)]
  return { likely: Math.exp((by * Math.log(grown / awake)) / (of + by)), sd: Math.sqrt(1 / (of + by)) }
}
