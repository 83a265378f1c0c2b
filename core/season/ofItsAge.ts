import { speciesOf } from '../almanac'
import { normalCdf } from '../chance'
import type { Day } from '../chance'
import { massAtAge, paceScore, type MassAtAge } from '../homes'
import { computedInput, entryInput, factInput, type Judgement } from '../judgement'
import type { AnimalState } from '../subjects'
import { formatDay } from '../units'
import type { SeasonContext } from './context'
import { awakeDays } from './places/homes'

/** How the latest weight of an animal stands among its kind of the same age. */
export interface OfItsAge {
  /** Share of its kind that weigh less, 0..1. */
  lighter: number
  is: 'small' | 'usual' | 'large'
  usual: MassAtAge
}

type Grows = Pick<AnimalState, 'speciesId' | 'bornDay' | 'winters'>

/** What its kind weighs on a day; null where its birth is not known. */
export function usualMass(animal: Grows, day: Day, { almanac }: Pick<SeasonContext, 'almanac'>): MassAtAge | null {
  if (animal.bornDay === null || day < animal.bornDay) return null
  const age = awakeDays(animal, animal.bornDay, day, day)
  return massAtAge(speciesOf(almanac, animal.speciesId), age, almanac.common)
}

/** How an animal stands among its kind; null for grown ones, and without a birth or a weight. */
export function ofItsAge(animal: AnimalState, context: SeasonContext): Judgement<OfItsAge> | null {
  const { almanac, today } = context
  const { common } = almanac
  const last = animal.weights.at(-1)
  if (!last || animal.bornDay === null || last.day < animal.bornDay) return null
  const species = speciesOf(almanac, animal.speciesId)
  const age = awakeDays(animal, animal.bornDay, last.day, last.day)
  const score = paceScore(species, last.massG, age, common)
  if (score === null) return null
  const lighter = normalCdf(Math.max(-9, Math.min(9, score)))
  const usual = massAtAge(species, age, common)
  const { ageSmall, growthSpread, growthRowUnsure, lengthAtMaturity } = common
  const grams = (g: number) => `${Number(g.toPrecision(3))} g`
  return {
    value: {
      lighter,
      is: lighter < ageSmall!.value ? 'small' : lighter > 1 - ageSmall!.value ? 'large' : 'usual',
      usual,
    },
    reasons: [
      {
        rule: 'Growth by the length that is still missing (von Bertalanffy 1938), from the weight of young to that of grown ones; animals differ in pace',
        inputs: [
          entryInput(`Weight of ${formatDay(last.day, today)}`, grams(last.massG), last),
          computedInput('Age then, without days in the cold', `${age} days`),
          computedInput(
            'Its kind at that age',
            `${grams(usual.middle)}, 80 % between ${grams(usual.low)} and ${grams(usual.high)}`,
          ),
          factInput('Weight of young', `species.${species.id}.youngMassG.value`, species.youngMassG),
          factInput('Weight of grown ones', `species.${species.id}.adultMassG.value`, species.adultMassG),
          factInput('Mature at', `species.${species.id}.matureDays.value`, species.matureDays),
          factInput('Share of full length then', 'common.lengthAtMaturity.value', lengthAtMaturity!),
          factInput('Spread of paces', 'common.growthSpread.value', growthSpread!),
          factInput('Where the curve is from memory, more', 'common.growthRowUnsure.value', growthRowUnsure!),
        ],
        change: 'A new weight; or own numbers of the species, where yours are of another size',
      },
    ],
  }
}
