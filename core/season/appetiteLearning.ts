import { feederOf, schoolChoice, speciesOf } from '../almanac'
import { stepOf } from '../feeding'
import { computedInput, factInput, settingInput, type Reason } from '../judgement'
import { learntShare, learntYield } from '../learning'
import { APPETITE, WASTE_AT_MOST, offeredTimes } from '../settings'
import { livingAnimals, type AnimalState } from '../subjects'
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
  const { appetiteShrink, appetiteMeals, lessonFrom, lessonDiffers } = almanac.common
  const eaten = livingAnimals(house).flatMap(a => eatenBy(a, context) ?? [])
  if (eaten.length < lessonFrom!.value) return null
  // drawn towards what is set, in times of it
  const factor = learntYield(
    appetiteShrink!.value,
    eaten.map(e => e.times / settings.appetite),
  )
  const appetite = Math.min(APPETITE.most, Math.max(APPETITE.least, Number((settings.appetite * factor).toFixed(2))))
  if (Math.abs(appetite - settings.appetite) < lessonDiffers!.value * settings.appetite) return null
  const seen = eaten.reduce((n, e) => n + e.times, 0) / eaten.length
  return {
    appetite,
    text: `${eaten.length} animals eat ${seen.toFixed(2)} × what their ladders say, drawn to what is set: ${appetite}, not ${settings.appetite}`,
    reasons: [
      {
        rule: 'Weight eaten at meals that were taken, over that of the ladder on the same day, animal by animal; who finishes all that is offered may have eaten more',
        inputs: [
          computedInput('Animals', `${eaten.length}`),
          computedInput(
            'Each eats, × its ladder',
            eaten
              .slice(0, NAMED)
              .map(e => e.times.toFixed(2))
              .join(', '),
          ),
          settingInput('Set', `${settings.appetite} × the ladder`, 'appetite'),
          factInput('What is set weighs as', 'common.appetiteShrink.value', appetiteShrink!),
          factInput('Of one that ate at least', 'common.appetiteMeals.value', appetiteMeals!),
        ],
        change: 'Each further meal that is written with what was taken',
      },
    ],
  }
}
/** So many animals stand in the working. */
const NAMED = 12

const percent = (share: number) => `${Math.round(100 * share)} %`

/**
 * How much of what the insect-eaters of the house are offered is left at meals that they took, by weight, drawn towards
 * what is set by the number of animals. Either they are offered more than they want, or some always get away and so
 * much more must be ready: only the keeper sees which.
 * @returns null where too few animals speak for it, or what would be kept ready is nearly as it is set
 */
export function wasteLesson(context: Context): WasteLesson | null {
  const { almanac, settings, house } = context
  const { appetiteShrink, appetiteMeals, lessonFrom, lessonDiffers } = almanac.common
  const eaten = livingAnimals(house).flatMap(a => eatenBy(a, context) ?? [])
  if (eaten.length < lessonFrom!.value) return null
  const left = eaten.map(e => e.left)
  const all = left.reduce((a, b) => a + b, 0)
  const share = learntShare(settings.waste, appetiteShrink!.value, all, left.length)
  const waste = Math.min(WASTE_AT_MOST, Number(share.toFixed(2)))
  const more = offeredTimes({ ...settings, waste }) / offeredTimes(settings)
  if (Math.abs(more - 1) < lessonDiffers!.value) return null
  return {
    waste,
    text: `${percent(all / left.length)} of what ${left.length} animals are offered is left, drawn to what is set: ${percent(waste)}, not ${percent(settings.waste)}. Where they want no more, offer less; where it gets away, keep so much more ready`,
    reasons: [
      {
        rule: 'Weight left of what was offered, at meals that were taken, animal by animal; what is kept ready is what is eaten, over the share that is not left',
        inputs: [
          computedInput('Left by each', left.slice(0, NAMED).map(percent).join(', ')),
          computedInput('Kept ready then', `${more.toFixed(2)} × as much as now`),
          settingInput('Set', percent(settings.waste), 'waste'),
          factInput('What is set weighs as', 'common.appetiteShrink.value', appetiteShrink!),
          factInput('Of one that ate at least', 'common.appetiteMeals.value', appetiteMeals!),
        ],
        change: 'Each further meal that is written with what was taken',
      },
    ],
  }
}
