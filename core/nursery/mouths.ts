import type { Almanac, Species } from '../almanac'
import {
  normal,
  normalQuantile,
  pert,
  quantilesOf,
  samplesOf,
  seedFrom,
  seededRandom,
  stratified,
  type DayDist,
  type Day,
  type Random,
} from '../chance'
import type { MouthProfile } from '../feeding'

/** How many young: known by count, or eggs of which each comes through with a chance. */
export type YoungCount =
  | { kind: 'known'; count: number }
  | { kind: 'eggs'; eggs: { earliest: number; likely: number; latest: number }; each: number }

/** Young that will eat: from when (the first meal), how many, for how long. */
export interface MouthSource {
  id: string
  laneId: string
  label: string
  speciesId: string
  /** Share alive at 90 days, where the house has learnt it; left out, that of the species. */
  survival90?: number
  /** Day of the first meal; 'never' when it may not come to it. */
  opens: DayDist
  count: YoungCount
  /** The clutch of the same female before it, which it follows: late when that is late, and never without it. */
  after?: { id: string; correlation: number }
}

/** Mean number of mouths when it comes to it. */
export function expectedCount(count: YoungCount): number {
  return count.kind === 'known'
    ? count.count
    : ((count.eggs.earliest + 4 * count.eggs.likely + count.eggs.latest) / 6) * count.each
}

/**
 * Share of young still alive and still here, by days since the first meal: geometric loss to the species' 90-day
 * survival, then none; leaving evenly over so many days (`leaving`) around the usual age at sale.
 */
export function presence(
  species: Pick<Species, 'survival90' | 'keptDays'>,
  days: number,
  { leaving }: Almanac['common'],
): Float64Array {
  const over = leaving!.value
  const daily = species.survival90.value ** (1 / 90)
  const leaveFrom = Math.max(0, species.keptDays.value - over / 2)
  return Float64Array.from(
    { length: days },
    (_, age) => daily ** Math.min(age, 90) * Math.min(1, Math.max(0, 1 - (age - leaveFrom) / over)),
  )
}

/**
 * The same for young that were counted as alive and here `ageToday` days after their first meal: what was lost or left
 * before that day is no longer among them. Those that stayed past the usual age leave over the next month, since
 * nothing says that they leave at once.
 */
export function presenceOfCounted(
  species: Pick<Species, 'survival90' | 'keptDays'>,
  days: number,
  ageToday: number,
  { leaving }: Almanac['common'],
): Float64Array {
  const over = leaving!.value
  const daily = species.survival90.value ** (1 / 90)
  const leaveTo = Math.max(0, species.keptDays.value - over / 2) + over
  const from = Math.max(ageToday, leaveTo - over)
  const to = Math.max(leaveTo, ageToday + over)
  const alive = (age: number) => daily ** Math.min(age, 90)
  return Float64Array.from({ length: days }, (_, age) =>
    age <= ageToday ? 1 : (alive(age) / alive(ageToday)) * Math.min(1, Math.max(0, (to - age) / (to - from))),
  )
}

/** Food of one prey by days since the first meal, from the first day on which any is eaten to the last. */
export interface FoodRow {
  firstAge: number
  amounts: Float64Array
  /** What is eaten before each age, up to the last meal. */
  before: Float64Array
}

/** @param eaten at each age */
function foodRow(eaten: Float64Array): FoodRow {
  const first = eaten.findIndex(n => n > 0)
  const end = first < 0 ? 0 : eaten.findLastIndex(n => n > 0) + 1
  const before = new Float64Array(end + 1)
  for (let age = 0; age < end; age++) before[age + 1] = before[age]! + eaten[age]!
  return { firstAge: Math.max(0, first), amounts: eaten.slice(Math.max(0, first), end), before }
}

/** What is eaten at ages from `first` to before `end`. */
const eatenBetween = ({ before }: FoodRow, first: number, end: number): number =>
  end <= first ? 0 : before[Math.min(end, before.length - 1)]! - before[Math.min(first, before.length - 1)]!

/** Food per hatched young, with losses and sales taken off. */
export function groupProfile(profile: MouthProfile, present: Float64Array): Map<string, FoodRow> {
  return new Map(
    [...profile].map(([prey, row]) => {
      const eaten = row.map((pieces, age) => pieces * (present[age] ?? 0))
      return [prey, foodRow(eaten.map(n => (n > 1e-9 ? n : 0)))]
    }),
  )
}

/** Adds what so many eat that open on day `opens` to each day of `target`. */
function addEaten(target: Float64Array, opens: number, { firstAge, amounts }: FoodRow, number: number): void {
  const start = opens + firstAge
  const end = Math.min(target.length, start + amounts.length)
  for (let day = Math.max(0, start); day < end; day++) target[day]! += number * amounts[day - start]!
}

/**
 * The same in one of many scenarios, which begins at `offset` and is so many `days` long. It is the innermost of all
 * loops: one function for arrays of both sorts would take three times as long.
 */
function addEatenIn(
  target: Float32Array,
  offset: number,
  days: number,
  opens: number,
  { firstAge, amounts }: FoodRow,
  number: number,
): void {
  const start = opens + firstAge
  const end = Math.min(days, start + amounts.length)
  for (let day = Math.max(0, start); day < end; day++) target[offset + day]! += number * amounts[day - start]!
}

/**
 * The mean need of many sources, exact: the expected numbers that open on each day are added up for all that eat alike,
 * and food follows them once. Day 0 is `from`. O(days of opening) a source, and days² a sort of food.
 */
export class MeanNeed {
  private readonly opening = new Map<FoodByAge, Map<number, Map<Day, number>>>()

  constructor(
    private readonly from: Day,
    private readonly days: number,
  ) {}

  /** Takes a source in, and tells what it eats of each prey in all. */
  add(source: MouthSource, food: FoodByAge): Map<string, number> {
    const { from, days } = this
    const count = expectedCount(source.count)
    const totals = new Map<string, number>()
    let byAge = this.opening.get(food)
    if (!byAge) this.opening.set(food, (byAge = new Map()))
    const { p, start } = source.opens
    const end = from + days
    const last = Math.min(start + p.length, end)
    for (let first = start; first < last;) {
      const age = ageCounted(source, first, from)
      // days on which they open at one age eat alike: of eggs all of them, of young one
      let next = first + 1
      while (next < last && ageCounted(source, next, from) === age) next++
      let numbers = byAge.get(age)
      if (!numbers) byAge.set(age, (numbers = new Map()))
      for (let day = first; day < next; day++) numbers.set(day, (numbers.get(day) ?? 0) + p[day - start]! * count)
      for (const [prey, row] of food(age)) {
        let eaten = 0
        for (let day = first; day < next; day++)
          eaten += p[day - start]! * eatenBetween(row, Math.max(0, from - day), end - day)
        if (eaten) totals.set(prey, (totals.get(prey) ?? 0) + count * eaten)
      }
      first = next
    }
    return totals
  }

  need(): Map<string, Float64Array> {
    const need = new Map<string, Float64Array>()
    for (const [food, byAge] of this.opening) {
      for (const [age, numbers] of byAge) {
        for (const [prey, row] of food(age)) {
          let target = need.get(prey)
          if (!target) need.set(prey, (target = new Float64Array(this.days)))
          for (const [opensOn, number] of numbers) addEaten(target, opensOn - this.from, row, number)
        }
      }
    }
    return need
  }
}

/**
 * Food per young by days since the first meal, for young counted at an age; 0 for those counted before it, or not yet.
 */
export type FoodByAge = (ageCounted: number) => ReadonlyMap<string, FoodRow>

/** Young that are counted are counted today; eggs are counted before any first meal. */
const ageCounted = (source: MouthSource, opensOn: Day, today: Day): number =>
  source.count.kind === 'known' ? Math.max(0, today - opensOn) : 0

/**
 * Draws per source of the day it opens and its count; the same source always draws the same numbers (seeded by its id).
 */
export interface Draws {
  opens: (Day | null)[]
  counts: Float64Array
  /** How early or late each scenario is, as a normal score; what follows leans on it. */
  scores: Float64Array
}

/** Places of the values in rising order, 0..n−1. */
function ranks(values: ArrayLike<number>): Int32Array {
  const order = Int32Array.from({ length: values.length }, (_, i) => i).sort((a, b) => values[a]! - values[b]!)
  const rank = new Int32Array(values.length)
  order.forEach((s, r) => {
    rank[s] = r
  })
  return rank
}

/** Days of a first clutch: spread evenly over its distribution, each with its normal score. */
function drawFirst(opens: DayDist, scenarios: number, random: Random): Pick<Draws, 'opens' | 'scores'> {
  const when = stratified(scenarios, random)
  return { opens: Array.from(when, samplesOf(opens)), scores: when.map(normalQuantile) }
}

/**
 * Days of a clutch that follows another: only where that one came, and as late as it by the correlation of the two.
 * Its own distribution is kept by ranks (Iman & Conover 1982, Commun. Stat. B 11:311–334).
 */
function drawAfter(
  opens: DayDist,
  correlation: number,
  source: MouthSource,
  before: Draws,
  random: Random,
): Pick<Draws, 'opens' | 'scores'> {
  const scenarios = before.counts.length
  const comes = source.opens.never < 1 ? Math.min(1, (1 - opens.never) / (1 - source.opens.never)) : 0
  const chance = stratified(scenarios, random)
  const scores = before.scores.map(z => correlation * z + Math.sqrt(1 - correlation ** 2) * normal(random))
  const coming = before.opens.flatMap((day, s) => (day !== null && chance[s]! < comes ? [s] : []))
  const days = new Array<Day | null>(scenarios).fill(null)
  const dayAt = quantilesOf(opens)
  ranks(coming.map(s => scores[s]!)).forEach((rank, i) => {
    days[coming[i]!] = dayAt((rank + 0.5) / coming.length)
  })
  return { opens: days, scores }
}

/** How many of so many eggs come through, each with a chance. */
function thatCome(eggs: number, each: number, random: Random): number {
  let come = 0
  for (let egg = 0; egg < eggs; egg++) if (random() < each) come++
  return come
}

/**
 * Draws of one source.
 * @param others sources by id, among which the clutch before it is found; without that one it is drawn alone
 * @param drawn what was drawn before, added to: the clutch before is drawn once for all that follow it
 */
export function drawSource(
  source: MouthSource,
  scenarios: number,
  others: ReadonlyMap<string, MouthSource> = new Map(),
  drawn: WeakMap<MouthSource, Draws> = new WeakMap(),
): Draws {
  const known = drawn.get(source)
  if (known?.counts.length === scenarios) return known
  const random = seededRandom(seedFrom(source.id))
  const before = source.after && others.get(source.after.id)
  const { opens, scores } = before
    ? drawAfter(source.opens, source.after!.correlation, before, drawSource(before, scenarios, others, drawn), random)
    : drawFirst(source.opens, scenarios, random)
  const howMany = stratified(scenarios, random)
  const counts = new Float64Array(scenarios)
  const draws: Draws = { opens, counts, scores }
  drawn.set(source, draws)
  if (source.count.kind === 'known') {
    counts.fill(source.count.count)
    return draws
  }
  const { eggs, each } = source.count
  const laid = quantilesOf(pert(eggs))
  for (let s = 0; s < scenarios; s++) counts[s] = thatCome(laid(howMany[s]!) ?? 0, each, random)
  return draws
}

/**
 * Adds one source to the need of every scenario. `from` is today.
 * @param scenarioNeed per prey, scenario-major: index = scenario · days + day
 */
export function addScenarioNeed(
  scenarioNeed: Map<string, Float32Array>,
  from: Day,
  days: number,
  scenarios: number,
  source: MouthSource,
  draws: Draws,
  food: FoodByAge,
): void {
  const targetOf = (prey: string): Float32Array => {
    let target = scenarioNeed.get(prey)
    if (!target) scenarioNeed.set(prey, (target = new Float32Array(days * scenarios)))
    return target
  }
  let [ageOfMeals, meals]: [number, { target: Float32Array; row: FoodRow }[]] = [-1, []]
  for (let s = 0; s < scenarios; s++) {
    const opensOn = draws.opens[s]
    if (opensOn === null || opensOn === undefined || !draws.counts[s]) continue
    const age = ageCounted(source, opensOn, from)
    // of eggs, all scenarios eat alike
    if (age !== ageOfMeals)
      [ageOfMeals, meals] = [
        age,
        [...food(age)].flatMap(([prey, row]) => (row.amounts.length ? [{ target: targetOf(prey), row }] : [])),
      ]
    for (const { target, row } of meals) addEatenIn(target, s * days, days, opensOn - from, row, draws.counts[s]!)
  }
}
