import { liveRowId, liveRowOf, schoolChoice, type Species } from '../../almanac'
import type { Day } from '../../chance'
import { nextMeal, stepHeld, type Gravid, type NextMeal } from '../../feeding'
import { inCold, type AnimalState } from '../../subjects'
import type { SeasonContext } from '../context'
import { remembering } from '../remember'
import { eatsAgainOn, mealWinterOf, programmeFor, winterDeps } from '../winter'
import { HORIZON_DAYS } from './horizon'

/** Meals of one animal: on which days from today, and how many. */
export interface Portions {
  days: number[]
  counts: number[]
}

type Portion = Pick<NextMeal['portions'][number], 'prey' | 'count'>

/**
 * An animal of its own eats at its rhythm to the horizon, climbing the ladder as it ages. It adds the same to every
 * scenario.
 * @param live chance of each of its next meals to be live prey; undefined for who is past that
 */
function addAnimalNeed(
  target: Map<string, Portions>,
  animal: AnimalState,
  species: Species,
  birth: Day | null,
  live: Float64Array | undefined,
  context: SeasonContext,
): void {
  const { almanac, settings, today } = context
  const rowOf = (prey: string): Portions => {
    let row = target.get(prey)
    if (!row) target.set(prey, (row = { days: [], counts: [] }))
    return row
  }
  const add = (prey: string, day: number, count: number) => {
    if (day < 0 || day >= HORIZON_DAYS || !count) return
    const { days, counts } = rowOf(prey)
    days.push(day)
    counts.push(count)
  }
  let start: Day = today
  const winter = mealWinterOf(animal, context)
  const next = nextMeal(almanac, settings, species, animal, today, false, winter)
  // in the cold, or fasting before it: eats again once warmed
  if (next) start = Math.max(today, next.value.due)
  else start = Math.max(today, winter.fastUntil ?? eatsAgainOn(animal, context))
  const fasts = (day: Day) => winter.fastFrom !== undefined && day > winter.fastFrom && day < winter.fastUntil!
  // the first meal after the cold is smaller; those after it are not
  const usual =
    next && winter.firstMealDay !== undefined
      ? nextMeal(almanac, settings, species, animal, today, false, { ...winter, firstMealDay: undefined })
      : next
  const byWeight = species.eats === 'rodents' && usual !== null && animal.weights.length > 0
  const carrying = (day: Day): Gravid =>
    birth === null || day > birth ? false : birth - day <= almanac.common.lastMonth!.value ? 'late' : 'gravid'
  const smallerFor = new Map<Gravid, NextMeal['portions'] | null>()
  /** Portions while she carries, by how far; worked out once each. */
  const carried = (how: Gravid) => {
    let portions = smallerFor.get(how)
    if (portions === undefined)
      smallerFor.set(
        how,
        (portions =
          nextMeal(almanac, settings, species, animal, today, how, { ...winter, firstMealDay: undefined })?.value
            .portions ?? null),
      )
    return portions
  }
  const scale =
    species.eats === 'insects'
      ? settings.appetite * (schoolChoice(almanac, settings.schools, 'insectRation').fact?.value ?? 1)
      : 1
  const restEnds = next && inCold(animal) ? (programmeFor(animal, context)?.warmDay ?? today) : today
  const born = animal.bornDay ?? today - species.matureDays.value
  const aged = { bornDay: born, ownLadder: animal.ownLadder }
  let at: { until: Day; everyDays: number; portions: Portion[] } | null = null
  for (let day = start, meal = 0; day < today + HORIZON_DAYS;) {
    if (fasts(day)) {
      day = winter.fastUntil!
      continue
    }
    // a step holds for weeks: it is looked up where it changes
    if (!at || day >= at.until) {
      const { step, everyDays, until } = stepHeld(species, aged, day)
      at = { until, everyDays, portions: step.meal.map(m => ({ prey: m.prey, count: m.count * scale })) }
    }
    // prey by today's weight holds for a while; further out the ladder is the better guess
    const how = carrying(day)
    const small = how && species.eats === 'rodents' ? carried(how) : null
    const portions = small ?? (byWeight && day - today < 90 ? usual.value.portions : at.portions)
    const alive = live?.[meal++] ?? 0
    for (const { prey, count } of portions) {
      const shareAlive = alive && liveRowOf(almanac, prey) ? alive : 0
      add(prey, day - today, count * (1 - shareAlive))
      if (shareAlive) add(liveRowId(prey), day - today, count * shareAlive)
    }
    day += Math.max(1, Math.round(day < restEnds ? next!.value.everyDays : at.everyDays))
  }
}

const animalNeeds = remembering<AnimalState, Map<string, Portions>>()

/** The meals of one animal to the horizon, by prey; taken over where nothing that decides them has changed. */
export function animalNeed(
  animal: AnimalState,
  species: Species,
  birth: Day | null,
  live: Float64Array | undefined,
  context: SeasonContext,
): Map<string, Portions> {
  return animalNeeds(context, animal, [birth, live?.join(), ...winterDeps(animal, context)], () => {
    const need = new Map<string, Portions>()
    addAnimalNeed(need, animal, species, birth, live, context)
    return need
  })
}
