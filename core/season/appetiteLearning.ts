import { feederOf, schoolChoice, speciesOf } from '../almanac'
import { stepOf } from '../feeding'
import { computedInput, factInput, settingInput, type Reason } from '../judgement'
import { learntYield } from '../learning'
import { APPETITE } from '../settings'
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

/** Meals of an animal, each with what was offered together. */
interface Eaten {
  /** Grams eaten over grams of the ladder, at meals that were taken. */
  times: number
  offeredG: number
  takenG: number
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
  let [taken, ladder, count, offeredG, takenG] = [0, 0, 0, 0, 0]
  for (const meal of meals.values()) {
    offeredG += meal.offeredG
    takenG += meal.takenG
    // who refuses says nothing of how much it eats when it eats
    if (meal.takenG <= 0) continue
    const { step } = stepOf(species, animal, meal.day)
    taken += meal.takenG
    ladder += ration * step.meal.reduce((g, m) => g + m.count * feederOf(almanac, m.prey).massG.likely, 0)
    count++
  }
  if (count < almanac.common.appetiteMeals!.value || ladder <= 0) return null
  return { times: taken / ladder, offeredG, takenG }
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
  const sum = (of: 'offeredG' | 'takenG') => eaten.reduce((n, e) => n + e[of], 0)
  const left = 1 - sum('takenG') / sum('offeredG')
  const percent = (share: number) => `${Math.round(100 * share)} %`
  return {
    appetite,
    text: `${eaten.length} animals eat ${seen.toFixed(2)} × what their ladders say, drawn to what is set: ${appetite}, not ${settings.appetite}; ${percent(Math.max(0, left))} of what they are offered is left`,
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
          computedInput('Left of what was offered, by weight', percent(Math.max(0, left))),
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
