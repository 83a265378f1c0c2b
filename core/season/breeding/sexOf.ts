import { speciesOf } from '../../almanac'
import { judgeSex, sexPrior, type SexVerdict } from '../../sexing'
import type { Judgement } from '../../judgement'
import type { AnimalState } from '../../subjects'
import type { SeasonContext } from '../context'
import { sexTempC } from '../eggs'
import { remembering } from '../remember'

const judged = remembering<AnimalState, Judgement<SexVerdict>>()

/**
 * The constant temperature that set the sex of an animal while it was an egg, °C; null when its clutch is not known or
 * was born live.
 */
export function eggTempOf(animal: AnimalState, context: SeasonContext): number | null {
  const clutch = animal.clutchId ? context.house.clutches[animal.clutchId] : undefined
  return clutch ? sexTempC(clutch, context) : null
}

/** The sex of an animal from all that was seen of it. */
export function sexOf(animal: AnimalState, context: SeasonContext): Judgement<SexVerdict> {
  const { almanac, settings, today } = context
  const tempC = eggTempOf(animal, context)
  const species = speciesOf(almanac, animal.speciesId)
  return judged(context, animal, [almanac, settings.sexCertainty, tempC, today], () =>
    judgeSex(species, almanac, animal, sexPrior(species, tempC), settings.sexCertainty, today),
  )
}

/** Chance that it is of a sex, with what the keeper took as known counting as known. */
export function chanceOfSex(animal: AnimalState, sex: 'male' | 'female', context: SeasonContext): number {
  const { male, state } = sexOf(animal, context).value
  const of = sex === 'male' ? male : 1 - male
  return state !== 'proven' && animal.sexSettled && animal.sexSettled.sex === sex
    ? Math.max(of, context.settings.sexCertainty)
    : of
}
