import { liveRowId, liveRowOf, schoolChoice, type Species } from '../../almanac'
import { seedFrom, type Day } from '../../chance'
import { nextMeal, stepHeld, type Gravid, type NextMeal } from '../../feeding'
import { offeredTimes } from '../../settings'
import { inCold, type AnimalState } from '../../subjects'
import type { SeasonContext } from '../context'
import { isSame, remembering } from '../remember'
import { eatsAgainOn, mealWinterOf, programmeFor, winterDeps } from '../winter'
import { EatersByPrey, dietOf, mealsPerPiece } from './eaters'
import { HORIZON_DAYS } from './horizon'

/** Meals of one animal: on which days from today, and how many. */
export interface Portions {
  days: number[]
  counts: number[]
}

/** What is eaten at each meal for a while, and the row to which it is added. */
interface Portion extends Pick<NextMeal['portions'][number], 'prey' | 'count'> {
  row?: Portions
}

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
  const add = (row: Portions, day: number, count: number) => {
    row.days.push(day)
    row.counts.push(count)
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
  const asPortions = (meal: NextMeal): Portion[] => meal.portions.map(({ prey, count }) => ({ prey, count }))
  const byWeight = species.eats === 'rodents' && usual && animal.weights.length ? asPortions(usual.value) : null
  const carrying = (day: Day): Gravid =>
    birth === null || day > birth ? false : birth - day <= almanac.common.lastMonth!.value ? 'late' : 'gravid'
  const smallerFor = new Map<Gravid, Portion[] | null>()
  /** Portions while she carries, by how far; worked out once each. */
  const carried = (how: Gravid) => {
    let portions = smallerFor.get(how)
    if (portions === undefined) {
      const meal = nextMeal(almanac, settings, species, animal, today, how, { ...winter, firstMealDay: undefined })
      smallerFor.set(how, (portions = meal && asPortions(meal.value)))
    }
    return portions
  }
  const scale =
    species.eats === 'insects'
      ? offeredTimes(settings) * (schoolChoice(almanac, settings.schools, 'insectRation').fact?.value ?? 1)
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
    const portions = small ?? (byWeight && day - today < 90 ? byWeight : at.portions)
    const alive = live?.[meal++] ?? 0
    for (const portion of portions) {
      const { prey, count } = portion
      const shareAlive = alive && liveRowOf(almanac, prey) ? alive : 0
      if (count && shareAlive < 1) add((portion.row ??= rowOf(prey)), day - today, count * (1 - shareAlive))
      if (count && shareAlive) add(rowOf(liveRowId(prey)), day - today, count * shareAlive)
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

/** What one animal, or so many alike, eats to the horizon. */
export interface EatenBy {
  id: string
  species: Species
  times: number
  portions: ReadonlyMap<string, Portions>
}

/** What some animals eat in all, and what each species eats of each prey. */
interface AnimalsNeed {
  eaters: EatersByPrey
  causes: Map<string, { prey: string; species: Species; total: number }>
}

function needOfBlock(needs: readonly EatenBy[], { almanac, settings }: SeasonContext): AnimalsNeed {
  const need: AnimalsNeed = { eaters: new EatersByPrey(), causes: new Map() }
  for (const { species, times, portions } of needs) {
    for (const [prey, { days, counts }] of portions) {
      const eaten = need.eaters.need(prey, dietOf(almanac, settings, species, prey))
      let total = 0
      for (let i = 0; i < days.length; i++) {
        const count = counts[i]! * times
        eaten.mean[days[i]!]! += count
        total += count
      }
      eaten.pieces += total
      eaten.meals += total * mealsPerPiece(almanac, species, prey)
      const key = `${species.id} ${prey}`
      const cause = need.causes.get(key)
      if (cause) cause.total += total
      else need.causes.set(key, { prey, species, total })
    }
  }
  return need
}

/** Animals are summed in blocks, each remembered, so that one that was fed costs one block and not the house. */
const BLOCKS = 32

const BEFORE = Symbol('need of animals')
const nothingBefore = (): ({ from: readonly unknown[]; need: AnimalsNeed } | undefined)[] => []

/** The need of all animals, a part for each block; taken over from the last call where nobody of it eats otherwise. */
export function eatenByAnimals(needs: readonly EatenBy[], context: SeasonContext): AnimalsNeed[] {
  const { almanac, settings, memory } = context
  const before = memory?.room(BEFORE, nothingBefore) ?? nothingBefore()
  const members: EatenBy[][] = Array.from({ length: BLOCKS }, () => [])
  for (const need of needs) members[seedFrom(need.id) % BLOCKS]!.push(need)
  return members.map((block, b) => {
    const from: unknown[] = [almanac, settings]
    for (const { species, times, portions } of block) from.push(species, times, portions)
    const known = before[b]
    if (known && isSame(known.from, from)) return known.need
    const need = needOfBlock(block, context)
    before[b] = { from, need }
    return need
  })
}
