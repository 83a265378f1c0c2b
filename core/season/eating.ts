import { speciesOf } from '../almanac'
import { fallsFasting, nextOffer, refusalCourse, type Gravid, type NextOffer, type RefusalCourse } from '../feeding'
import type { Judgement } from '../judgement'
import type { AnimalState } from '../subjects'
import type { SeasonContext } from './context'
import { pairingsOf } from './indexes'
import { mealWinterOf } from './winter'

/** Why not eating is usual for an animal now, in words; null where nothing makes it so. */
export function usualFast(animal: AnimalState, gravid: Gravid, context: SeasonContext): string | null {
  const { house, almanac, today } = context
  if (gravid) return 'she is gravid'
  const { fastFrom } = mealWinterOf(animal, context)
  const comes = almanac.common.coldComes!.value
  if (fastFrom !== undefined && fastFrom >= today && fastFrom - today <= comes) return 'its winter comes'
  const breeds = pairingsOf(house, animal.id).some(p => p.sireId === animal.id && !p.ended)
  return breeds ? 'a male in his season' : null
}

/** Where one that refuses stands, and what is tried next; null while it eats. */
export const refusalOf = (
  animal: AnimalState,
  gravid: Gravid,
  context: SeasonContext,
): Judgement<RefusalCourse> | null =>
  animal.refusals
    ? refusalCourse(
        context.almanac,
        speciesOf(context.almanac, animal.speciesId),
        animal,
        context.today,
        usualFast(animal, gravid, context),
      )
    : null

/** The state of the prey that one on its way to thawed prey is offered next; null where that is no question. */
export function offerOf(animal: AnimalState, context: SeasonContext): Judgement<NextOffer> | null {
  const { almanac, settings, today } = context
  const species = speciesOf(almanac, animal.speciesId)
  if (!species.weaning) return null
  return nextOffer(almanac, settings, species, animal, today, fallsFasting(animal, species, almanac))
}
