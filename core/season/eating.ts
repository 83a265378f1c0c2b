import { speciesOf } from '../almanac'
import type { Day } from '../chance'
import {
  fallsFasting,
  helpedSince,
  nextOffer,
  powderFor,
  refusalCourse,
  type Gravid,
  type NextOffer,
  type RefusalCourse,
  type Try,
} from '../feeding'
import type { Judgement, Reason } from '../judgement'
import { givesUv } from '../light'
import { derived } from '../derived'
import { waysUp } from '../places'
import type { AnimalState, House, Manner, Powder, PreyState } from '../subjects'
import type { SeasonContext } from './context'
import { pairingsOf } from './indexes'
import { remembering } from './remember'
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
export function refusalOf(
  animal: AnimalState,
  gravid: Gravid,
  context: SeasonContext,
): Judgement<RefusalCourse> | null {
  if (!animal.refusals && helpedSince(animal) === null) return null
  const { almanac, today } = context
  const usual = usualFast(animal, gravid, context)
  return courses(context, animal, [almanac, today, usual], () =>
    refusalCourse(almanac, speciesOf(almanac, animal.speciesId), animal, today, usual),
  )
}
const courses = remembering<AnimalState, Judgement<RefusalCourse> | null>()

/** Whether a lamp over its place, or over what that stands in, gives UVB. */
export function hasUvb(placeId: string | null, { house }: SeasonContext): boolean {
  const lit = underUvb(house.lamps)
  if (lit.size) for (const place of waysUp(house.places, placeId)) if (lit.has(place.id)) return true
  return false
}

/** Places with a lamp of their own that gives UVB. */
const underUvb = derived(
  (lamps: House['lamps']): ReadonlySet<string> =>
    new Set(Object.values(lamps).flatMap(l => (l.placeId && l.source && givesUv(l.source) ? [l.placeId] : []))),
)

/** What its next meal is dusted with; null for who is not dusted. */
export const powderOf = (animal: AnimalState, context: SeasonContext): Judgement<Powder> | null => {
  const species = speciesOf(context.almanac, animal.speciesId)
  return species.supplements
    ? powderFor(context.almanac, context.settings, species, animal.meals, hasUvb(animal.placeId, context))
    : null
}

/** What the next offer to an animal is: a try for one that refuses, or the step to thawed prey. */
export interface NextOfferSaid {
  /** The try that is proposed, and the day before which it is left alone; null for one that eats, or rests as usual. */
  tried: { of: Try; day: Day } | null
  said: { state?: PreyState; manner?: Manner; dusted?: Powder }
  reasons: Reason[]
}

/**
 * How an animal is offered its next meal. A try for who refuses goes before the step to thawed prey.
 * @param refusal where it stands, as judged before
 */
export function nextOfferOf(
  animal: AnimalState,
  refusal: Judgement<RefusalCourse> | null,
  context: SeasonContext,
): NextOfferSaid {
  const weaning = offerOf(animal, context)
  const { next = null, level } = refusal?.value ?? {}
  const from = context.almanac.common.refusesFrom!.value
  const tried = level !== 'normal' && animal.refusals >= from ? next : null
  const state = tried?.of.state ?? weaning?.value.state
  const manner = tried?.of.manner ?? weaning?.value.manner
  const powder = powderOf(animal, context)
  const dusted = powder && powder.value !== 'none' ? powder.value : null
  return {
    tried,
    said: { ...(state && { state }), ...(manner && { manner }), ...(dusted && { dusted }) },
    reasons: [...(weaning?.reasons ?? []), ...(tried ? refusal!.reasons : []), ...(powder?.reasons ?? [])],
  }
}

/** The state of the prey that one on its way to thawed prey is offered next; null where that is no question. */
export function offerOf(animal: AnimalState, context: SeasonContext): Judgement<NextOffer> | null {
  const { almanac, settings, today } = context
  const species = speciesOf(almanac, animal.speciesId)
  if (!species.weaning) return null
  return nextOffer(almanac, settings, species, animal, today, fallsFasting(animal, species, almanac))
}
