import type { Fact, Species } from '../almanac'
import { Z80 } from '../chance'
import { daysToGrow, massAfter } from './growth'

type Grows = Pick<Species, 'adultMassG' | 'youngMassG' | 'matureDays'>

/** What animals of a species weigh at an age: the middle one, and the 80 % range, g. */
export interface MassAtAge {
  middle: number
  low: number
  high: number
}

const SURE = ['published', 'own']

/**
 * How much an animal may differ from the curve of its species, as a logarithm of pace: animals differ, and a row from
 * memory, or borrowed from a relative, may be off itself.
 */
export function spreadOf(species: Grows, { growthSpread, growthRowUnsure }: Readonly<Record<string, Fact>>): number {
  const rows = [species.youngMassG, species.adultMassG, species.matureDays]
  const unsure = rows.every(r => SURE.includes(r.mark)) ? 0 : growthRowUnsure!.value
  return Math.hypot(growthSpread!.value, unsure)
}

/**
 * What its kind weighs at an age, from the weight of young and the curve of the species; animals differ in pace.
 * @param age days since birth on which it was awake, ≥ 0: in the cold nothing grows
 */
export function massAtAge(species: Grows, age: number, common: Readonly<Record<string, Fact>>): MassAtAge {
  const spread = Math.exp(Z80 * spreadOf(species, common))
  const at = (days: number) => massAfter(species, species.youngMassG.value, Math.max(0, days), common)
  return { middle: at(age), low: at(age / spread), high: at(age * spread) }
}

/**
 * How quickly an animal grew from birth, against its kind: standard deviations over the middle pace, −∞ where it has not
 * grown at all, ∞ where it weighs what full-grown ones do. Null for the first days, and from maturity on, where the
 * curve tells nothing any more.
 * @param massG what it weighs at that age
 * @param age as above
 */
export function paceScore(
  species: Grows,
  massG: number,
  age: number,
  common: Readonly<Record<string, Fact>>,
): number | null {
  if (age < common.ageToldFrom!.value || age > species.matureDays.value) return null
  const grown = daysToGrow(species, species.youngMassG.value, massG, common)
  return grown > 0 ? Math.log(grown / age) / spreadOf(species, common) : -Infinity
}
