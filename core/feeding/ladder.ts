import { feederOf, type Almanac, type LadderStep, type Species } from '../almanac'
import type { Day } from '../chance'
import type { Judgement } from '../judgement'
import { isHelped, type AnimalState, type Meal } from '../subjects'
import { stepDownReason, stepUpReason, type NextStep } from './ladderWording'

/** The step of a feeding ladder for an age counted from the first meal (days ≥ 0). */
export function ladderStepAt(ladder: readonly LadderStep[], age: number): { step: LadderStep; index: number } {
  let index = 0
  for (let i = 1; i < ladder.length; i++) if (ladder[i]!.fromDay <= age) index = i
  return { step: ladder[index]!, index }
}

/** Days from birth to the first meal, likely: where the ladder's days are counted from. */
export function firstMealAge(species: Species): number {
  for (const key in species.clocks) if (species.clocks[key]!.to === 'firstMeal') return species.clocks[key]!.days.likely
  return 0
}

/**
 * Days on the ladder, counted from the first meal: by age, or from the step that it was put on. Of unknown birth it
 * stands at the top.
 */
export function ladderAge(
  species: Species,
  { bornDay, ownLadder }: Pick<AnimalState, 'bornDay' | 'ownLadder'>,
  today: Day,
): number {
  const own = ownLadder?.step != null ? species.ladder[Math.min(ownLadder.step, species.ladder.length - 1)] : undefined
  if (own) return own.fromDay + Math.max(0, today - ownLadder!.day)
  return bornDay === null ? Number.MAX_SAFE_INTEGER : Math.max(0, today - bornDay - firstMealAge(species))
}

/** Where an animal stands on the ladder of its species on a day, and its days between meals. */
export function stepOf(
  species: Species,
  animal: Pick<AnimalState, 'bornDay' | 'ownLadder'>,
  today: Day,
): { step: LadderStep; index: number; everyDays: number } {
  const at = ladderStepAt(species.ladder, ladderAge(species, animal, today))
  return { ...at, everyDays: animal.ownLadder?.everyDays ?? at.step.everyDays }
}

/** The same, and the first day on which it may stand elsewhere by its age; Infinity at the top. */
export function stepHeld(
  species: Species,
  animal: Pick<AnimalState, 'bornDay' | 'ownLadder'>,
  today: Day,
): ReturnType<typeof stepOf> & { until: Day } {
  const held = stepOf(species, animal, today)
  const above = species.ladder[held.index + 1]
  const until = above ? today + Math.max(1, above.fromDay - ladderAge(species, animal, today)) : Infinity
  return { ...held, until }
}

const EAGER: readonly Meal['outcome'][] = [undefined, 'atOnce', 'overnight']

/** Days on which it was offered prey of its step, oldest first, and whether it took all of it readily and by itself. */
function daysAtStep(meals: readonly Meal[], step: LadderStep, since: Day): boolean[] {
  const prey = new Set(step.meal.map(m => m.prey))
  const days = new Map<Day, boolean>()
  for (const meal of meals) {
    if (meal.day < since || !prey.has(meal.prey)) continue
    const readily = meal.taken >= meal.offered && EAGER.includes(meal.outcome) && !isHelped(meal)
    days.set(meal.day, readily && (days.get(meal.day) ?? true))
  }
  return [...days.values()]
}

const heaviest = (almanac: Almanac, step: LadderStep) =>
  Math.max(...step.meal.map(m => feederOf(almanac, m.prey).massG.likely))

/**
 * Whether another step of the ladder is due by how it eats: up after so many meals that were taken whole and at once
 * while it gains, down where the larger prey is refused or came up. Null where nothing speaks for it, and for who gets
 * prey by weight.
 * @param byWeight its prey follows its weight, and not the ladder
 */
export function proposedStep(
  almanac: Almanac,
  species: Species,
  animal: AnimalState,
  today: Day,
  byWeight: boolean,
): Judgement<NextStep> | null {
  const { stepUpOf, stepUpMeals, stepUpFrom, stepDownAfter, weightTrusted, largePrey } = almanac.common
  const { step, index } = stepOf(species, animal, today)
  if (byWeight || animal.status !== 'alive') return null
  const prey = new Set(step.meal.map(m => m.prey))
  const [below, above] = [species.ladder[index - 1], species.ladder[index + 1]]

  const upset = animal.broughtUp?.at(-1)
  const cameUp = upset && (!animal.lastTaken || animal.lastTaken.day <= upset.day)
  const refused = animal.meals.slice(-animal.refusals || animal.meals.length).filter(m => prey.has(m.prey))
  const refuses = animal.refusals >= stepDownAfter!.value && refused.length >= stepDownAfter!.value
  // a grown one has long eaten what it refuses: another reason than size
  const climbs =
    animal.ownLadder?.step != null || (animal.bornDay !== null && today - animal.bornDay < species.matureDays.value)
  if (climbs && below && heaviest(almanac, below) < heaviest(almanac, step) && (cameUp || refuses))
    return {
      value: { to: index - 1, way: 'down' },
      reasons: [stepDownReason({ index, upset: cameUp ? upset : null, refusals: animal.refusals }, species, almanac)],
    }

  if (!above || animal.refusals > 0 || cameUp) return null
  // a step up is often a longer interval too: who is far too young for it grows less on it
  const age = animal.bornDay === null ? Infinity : today - animal.bornDay - firstMealAge(species)
  if (age < stepUpFrom!.value * above.fromDay) return null
  const days = daysAtStep(animal.meals, step, animal.ownLadder?.step === index ? animal.ownLadder.day : 0).slice(
    -stepUpOf!.value,
  )
  const whole = days.filter(Boolean).length
  const weights = animal.weights.filter(w => today - w.day <= weightTrusted!.value)
  const [first, last] = [weights[0], weights.at(-1)]
  const gains = weights.length > 1 && last!.massG > first!.massG
  if (days.length < stepUpOf!.value || whole < stepUpMeals!.value || !gains) return null
  if (heaviest(almanac, above) > largePrey!.value * last!.massG) return null
  return {
    value: { to: index + 1, way: 'up' },
    reasons: [stepUpReason({ index, whole, of: days.length, first: first!, last: last! }, species, almanac)],
  }
}
