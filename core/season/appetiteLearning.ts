import { feederOf, schoolChoice, speciesOf } from '../almanac'
import { stepOf } from '../feeding'
import type { Reason } from '../judgement'
import { learntShare, learntYield } from '../learning'
import { APPETITE, WASTE_AT_MOST, offeredTimes } from '../settings'
import { livingAnimals, type AnimalState } from '../subjects'
import { tellAppetite, tellWaste } from './appetiteLearningWording'
import type { SeasonContext } from './context'

/** What the meals of the house say of its appetite, in times of the ladder. */
export interface AppetiteLesson {
  text: string
  /** What would be set. */
  appetite: number
  reasons: Reason[]
}

type Context = Pick<SeasonContext, 'house' | 'almanac' | 'settings'>

/** What the meals of the house say of what is never eaten. */
export interface WasteLesson {
  text: string
  /** What would be set: share of what is offered. */
  waste: number
  reasons: Reason[]
}

/** Meals of an animal, each with what was offered together. */
interface Eaten {
  /** Grams eaten over grams of the ladder, at meals that were taken. */
  times: number
  /** Of what was offered at these, by weight. */
  left: number
}

/** What one ate against its ladder, as it stood on the day of each meal; null where too few meals are written. */
function eatenBy(animal: AnimalState, { almanac, settings }: Context): Eaten | null {
  const species = speciesOf(almanac, animal.speciesId)
  if (species.eats !== 'insects') return null
  const ration = schoolChoice(almanac, settings.schools, 'insectRation').fact?.value ?? 1
  const massOf = (prey: string, count: number) => count * (almanac.feeders[prey]?.massG.likely ?? 0)
  const meals = new Map<string, { day: number; offeredG: number; takenG: number }>()
  for (const { at, day, prey, offered, taken } of animal.meals) {
    const meal = meals.get(at) ?? { day, offeredG: 0, takenG: 0 }
    meal.offeredG += massOf(prey, offered)
    meal.takenG += massOf(prey, taken)
    meals.set(at, meal)
  }
  let [taken, ladder, count, offeredG] = [0, 0, 0, 0]
  for (const meal of meals.values()) {
    // who refuses says nothing of how much it eats when it eats, and what it refused is taken out again
    if (meal.takenG <= 0) continue
    offeredG += meal.offeredG
    const { step } = stepOf(species, animal, meal.day)
    taken += meal.takenG
    ladder += ration * step.meal.reduce((g, m) => g + m.count * feederOf(almanac, m.prey).massG.likely, 0)
    count++
  }
  if (count < almanac.common.appetiteMeals!.value || ladder <= 0) return null
  return { times: taken / ladder, left: Math.max(0, 1 - taken / offeredG) }
}

/**
 * How much the insect-eaters of the house eat at a meal against their ladders, by weight, drawn towards what is set by
 * the number of animals; and how much of what they are offered is left.
 * @returns null where too few animals speak for it, or it is as it is set
 */
export function appetiteLesson(context: Context): AppetiteLesson | null {
  const { almanac, settings, house } = context
  const { appetiteShrink, lessonFrom, lessonDiffers } = almanac.common
  const eaten = livingAnimals(house).flatMap(a => eatenBy(a, context) ?? [])
  if (eaten.length < lessonFrom!.value) return null
  // drawn towards what is set, in times of it
  const factor = learntYield(
    appetiteShrink!.value,
    eaten.map(e => e.times / settings.appetite),
  )
  const appetite = Math.min(APPETITE.most, Math.max(APPETITE.least, Number((settings.appetite * factor).toFixed(2))))
  if (Math.abs(appetite - settings.appetite) < lessonDiffers!.value * settings.appetite) return null
  const times = eaten.map(e => e.times)
  return { appetite, ...tellAppetite(times, appetite, context) }
}

/**
 * How much of what the insect-eaters of the house are offered is left at meals that they took, by weight, drawn towards
 * what is set by the number of animals. Either they are offered more than they want, or some always get away and so
 * much more must be ready: only the keeper sees which.
 * @returns null where too few animals speak for it, or what would be kept ready is nearly as it is set
 */
export function wasteLesson(context: Context): WasteLesson | null {
  const { almanac, settings, house } = context
  const { appetiteShrink, lessonFrom, lessonDiffers } = almanac.common
  const eaten = livingAnimals(house).flatMap(a => eatenBy(a, context) ?? [])
  if (eaten.length < lessonFrom!.value) return null
  const left = eaten.map(e => e.left)
  const all = left.reduce((a, b) => a + b, 0)
  const share = learntShare(settings.waste, appetiteShrink!.value, all, left.length)
  const waste = Math.min(WASTE_AT_MOST, Number(share.toFixed(2)))
  const more = offeredTimes({ ...settings, waste }) / offeredTimes(settings)
  if (Math.abs(more - 1) < lessonDiffers!.value) return null
  return { waste, ...tellWaste(left, waste, more, context) }
}
