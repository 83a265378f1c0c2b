import { speciesOf } from '../../almanac'
import { judgeSex, sexPrior, type SexVerdict } from '../../sexing'
import type { Judgement } from '../../judgement'
import type { AnimalState, House } from '../../subjects'
import { temperatureAt } from '../../places'
import type { SeasonContext } from '../context'
import { remembering } from '../remember'

const judged = remembering<AnimalState, Judgement<SexVerdict>>()

/** Temperature at which the egg of an animal was kept, °C; null when its clutch is not known or was born live. */
export function eggTempOf(house: House, animal: AnimalState): number | null {
  const clutch = animal.clutchId ? house.clutches[animal.clutchId] : undefined
  return clutch?.kind === 'eggs' ? (clutch.tempC ?? temperatureAt(house.places, clutch.placeId)) : null
}

/** The sex of an animal from all that was seen of it. */
export function sexOf(animal: AnimalState, context: SeasonContext): Judgement<SexVerdict> {
  const { house, almanac, settings, today } = context
  const tempC = eggTempOf(house, animal)
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
