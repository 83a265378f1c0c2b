import { derived } from '../derived'
import {
  feederOf,
  isLiveRow,
  liveRowId,
  liveRowOf,
  schoolChoice,
  speciesOf,
  type Almanac,
  type Species,
} from '../almanac'
import { seedFrom, type Day } from '../chance'
import { cultureWay, keptPerDay, packWay, plannedSupply, remainingYield, usableStock } from '../supply'
import { mouthProfile, nextMeal, stepOf, type Gravid, type MouthProfile, type NextMeal } from '../feeding'
import { computedInput, settingInput, type Reason } from '../judgement'
import { hereOf, inCold, oneOf, type AnimalState, type CultureState, type Subject } from '../subjects'
import {
  MeanNeed,
  addScenarioNeed,
  drawSource,
  groupProfile,
  presence,
  presenceOfCounted,
  type Draws,
  type FoodByAge,
  type FoodRow,
  type MouthSource,
} from '../nursery'
import type { SeasonContext } from './context'
import { eachGuarded, guarded, subjectAs, type Failure } from './guard'
import { remembering } from './remember'
import type { HouseSettings } from '../settings'
import type { PreyOutlook, Scenarios } from './contracts'
import { eatsAgainOn, mealWinterOf, programmeFor, winterDeps } from './winter'
import { cultureTempC } from './warmth'
import { liveMealsAhead } from './weaning'

/** Days looked ahead: about nine months. */
export const HORIZON_DAYS = 274
/** Scenarios drawn for the quantile of need and the chance of running out. */
export const SCENARIOS = 150

interface SpeciesFood {
  profile: MouthProfile
  /** Food per young by the age at which it was counted. */
  group: FoodByAge
}

/** Foods of an almanac and settings by species and survival: profiles are long, and the same for all alike. */
const foodsOf = derived((_: Almanac) => derived((__: HouseSettings) => new Map<string, SpeciesFood>()))

function speciesFood(
  species: Species,
  survival90: number | undefined,
  almanac: Almanac,
  settings: HouseSettings,
): SpeciesFood {
  const { keptDays } = species
  const kept = {
    keptDays,
    survival90: { ...species.survival90, ...(survival90 !== undefined && { value: survival90 }) },
  }
  const days = HORIZON_DAYS + 400
  const profile = mouthProfile(almanac, settings, species, days)
  const byAge = new Map<number, Map<string, FoodRow>>()
  const group: FoodByAge = age => {
    let rows = byAge.get(age)
    if (!rows) {
      rows = groupProfile(
        profile,
        age > 0 ? presenceOfCounted(kept, days, age, almanac.common) : presence(kept, days, almanac.common),
      )
      byAge.set(age, rows)
    }
    return rows
  }
  return { profile, group }
}

/** Food per young of a source by days since its first meal, losses and sales taken off. */
export function foodOfSource(
  { speciesId, survival90 }: Pick<MouthSource, 'speciesId' | 'survival90'>,
  almanac: Almanac,
  settings: HouseSettings,
): FoodByAge {
  const foods = foodsOf(almanac)(settings)
  const key = `${speciesId}:${survival90 ?? ''}`
  let food = foods.get(key)
  if (!food) foods.set(key, (food = speciesFood(speciesOf(almanac, speciesId), survival90, almanac, settings)))
  return food.group
}

/** Meals of one animal: on which days from today, and how many. */
interface Portions {
  days: number[]
  counts: number[]
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
  const add = (prey: string, day: number, count: number) => {
    if (day < 0 || day >= HORIZON_DAYS || !count) return
    let row = target.get(prey)
    if (!row) target.set(prey, (row = { days: [], counts: [] }))
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
  for (let day = start, meal = 0; day < today + HORIZON_DAYS;) {
    if (fasts(day)) {
      day = winter.fastUntil!
      continue
    }
    const { step, everyDays } = stepOf(species, aged, day)
    // prey by today's weight holds for a while; further out the ladder is the better guess
    const how = carrying(day)
    const small = how && species.eats === 'rodents' ? carried(how) : null
    const portions =
      small ??
      (byWeight && day - today < 90
        ? usual.value.portions
        : step.meal.map(m => ({ prey: m.prey, count: m.count * scale })))
    const alive = live?.[meal++] ?? 0
    for (const { prey, count } of portions) {
      const shareAlive = liveRowOf(almanac, prey) ? alive : 0
      add(prey, day - today, count * (1 - shareAlive))
      add(liveRowId(prey), day - today, count * shareAlive)
    }
    day += Math.max(1, Math.round(day < restEnds ? next!.value.everyDays : everyDays))
  }
}

const yields = remembering<CultureState, ReturnType<typeof remainingYield>>()

const animalNeeds = remembering<AnimalState, Map<string, Portions>>()

function animalNeed(
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

/** The q-quantile of each day over scenarios. */
function quantileRows(need: Float32Array, days: number, scenarios: number, q: number): Float64Array {
  const column = new Float32Array(scenarios)
  const rank = Math.min(scenarios - 1, Math.ceil(q * scenarios) - 1)
  return Float64Array.from({ length: days }, (_, d) => {
    let any = false
    for (let s = 0; s < scenarios; s++) {
      const n = need[s * days + d]!
      column[s] = n
      if (n) any = true
    }
    return any ? column.sort()[rank]! : 0
  })
}

/** What some young need: the mean, the scenarios, and which lane causes how much. */
interface YoungNeed {
  mean: Map<string, Float64Array>
  drawn: Map<string, Float32Array>
  causes: { prey: string; laneId: string; label: string; total: number }[]
  /** Sources left out, since they cannot be computed. */
  failures: Failure[]
}

/**
 * Sources are summed in blocks of whole lanes, each remembered, so that one changed clutch costs one block and not the
 * house.
 */
const BLOCKS = 8

const sameList = (a: readonly unknown[], b: readonly unknown[]) =>
  a.length === b.length && a.every((x, i) => x === b[i])

/** The pair or clutch of a lane, by the lane's id. */
function laneSubject(laneId: string): Subject {
  const [type, id] = laneId.split(':')
  return { type: type as Subject['type'], id: id! }
}

const DRAWN = Symbol('draws of mouths')
const noDraws = () => new WeakMap<MouthSource, Draws>()

function needOfBlock(sources: readonly MouthSource[], context: SeasonContext): YoungNeed {
  const { almanac, today } = context
  const need: YoungNeed = { mean: new Map(), drawn: new Map(), causes: [], failures: [] }
  const byId = new Map(sources.map(s => [s.id, s]))
  const drawn = context.memory?.room(DRAWN, noDraws) ?? noDraws()
  const mean = new MeanNeed(today, HORIZON_DAYS)
  for (const source of sources) {
    const food = guarded(need, 'food of its young', laneSubject(source.laneId), () => {
      const group = foodOfSource(source, almanac, context.settings)
      const draws = drawSource(source, SCENARIOS, byId, drawn)
      return { group, draws, totals: mean.add(source, group) }
    })
    if (!food) continue
    const { group, draws, totals } = food
    for (const [prey, total] of totals) need.causes.push({ prey, laneId: source.laneId, label: source.label, total })
    addScenarioNeed(need.drawn, today, HORIZON_DAYS, SCENARIOS, source, draws, group)
  }
  return { ...need, mean: mean.need() }
}

function addInto(target: Map<string, Float64Array>, prey: string, row: Float64Array): void {
  const sum = target.get(prey)
  if (!sum) target.set(prey, row.slice())
  else for (let d = 0; d < row.length; d++) sum[d]! += row[d]!
}

interface YoungTotal {
  parts: YoungNeed[]
  quantile: number
  mean: Map<string, Float64Array>
  drawn: Map<string, Float32Array>
  high: Map<string, Float64Array>
}

/** The need of young as it was worked out last: by block, and in all. */
interface YoungBefore {
  blocks: ({ sources: MouthSource[]; from: readonly unknown[]; need: YoungNeed } | undefined)[]
  total: YoungTotal | null
}
const YOUNG_BEFORE = Symbol('need of young')
const noYoungBefore = (): YoungBefore => ({ blocks: [], total: null })

/** Need of all young, expected and alive; taken over from the last call where no source changed. */
function youngNeed(mouths: readonly MouthSource[], context: SeasonContext): YoungTotal {
  const before: YoungBefore = context.memory?.room(YOUNG_BEFORE, noYoungBefore) ?? noYoungBefore()
  const from = [context.almanac, context.settings, context.today]
  const members: MouthSource[][] = Array.from({ length: BLOCKS }, () => [])
  for (const source of mouths) members[seedFrom(source.laneId) % BLOCKS]!.push(source)
  const parts = members.map((sources, b) => {
    const known = before.blocks[b]
    if (known && sameList(known.sources, sources) && sameList(known.from, from)) return known.need
    const need = needOfBlock(sources, context)
    before.blocks[b] = { sources, from, need }
    return need
  })
  const q = context.settings.coverQuantile
  if (before.total?.quantile === q && sameList(before.total.parts, parts)) return before.total
  const mean = new Map<string, Float64Array>()
  const drawn = new Map<string, Float32Array>()
  for (const part of parts) {
    for (const [prey, row] of part.mean) addInto(mean, prey, row)
    for (const [prey, rows] of part.drawn) {
      const sum = drawn.get(prey)
      if (!sum) drawn.set(prey, rows.slice())
      else for (let i = 0; i < rows.length; i++) sum[i]! += rows[i]!
    }
  }
  const high = new Map([...drawn].map(([prey, rows]) => [prey, quantileRows(rows, HORIZON_DAYS, SCENARIOS, q)]))
  before.total = { parts, quantile: q, mean, drawn, high }
  return before.total
}

/**
 * Need and running supply of each prey on each day to the horizon. The mean is exact; the quantile is read from
 * scenarios drawn with a fixed seed per source.
 * @param births the day on which each female that carries is expected to lay or give birth: until then her prey is
 *   smaller
 */
export function outlook(
  context: SeasonContext,
  mouths: readonly MouthSource[],
  births: ReadonlyMap<string, Day> = new Map(),
): { prey: PreyOutlook[]; scenarios: Scenarios } {
  const { house, almanac, settings, today } = context
  const days = HORIZON_DAYS
  const fromAnimals = new Map<string, Float64Array>()
  const causes = new Map<string, Map<string, { label: string; total: number }>>()
  const addCause = (prey: string, id: string, label: string, total: number) => {
    if (total < 0.5) return
    let list = causes.get(prey)
    if (!list) causes.set(prey, (list = new Map()))
    const known = list.get(id)
    if (known) known.total += total
    else list.set(id, { label, total })
  }

  const eaters = Object.values(house.animals).filter(a => a.status === 'alive')
  const live = liveMealsAhead(context)
  const needOf = (animal: AnimalState, times: number) => {
    const species = speciesOf(almanac, animal.speciesId)
    const birth = births.get(animal.id) ?? null
    return { species, times, need: animalNeed(animal, species, birth, live.get(animal.id), context) }
  }
  const groups = Object.values(house.groups).filter(g => hereOf(g) > 0)
  const needs = [
    ...eachGuarded(context, 'its food', eaters, subjectAs('animal'), animal => needOf(animal, 1)),
    ...eachGuarded(context, 'its food', groups, subjectAs('group'), group => needOf(oneOf(group), hereOf(group))),
  ]
  for (const { species, times, need } of needs) {
    for (const [prey, portions] of need) {
      let row = fromAnimals.get(prey)
      if (!row) fromAnimals.set(prey, (row = new Float64Array(days)))
      let total = 0
      for (let i = 0; i < portions.days.length; i++) {
        row[portions.days[i]!]! += portions.counts[i]! * times
        total += portions.counts[i]! * times
      }
      addCause(prey, `species:${species.id}`, `${species.name}, animals of the house`, total)
    }
  }

  const young = youngNeed(mouths, context)
  for (const part of young.parts) context.failures?.push(...part.failures)
  const mean = new Map([...fromAnimals].map(([prey, row]) => [prey, row.slice()]))
  for (const [prey, row] of young.mean) addInto(mean, prey, row)
  for (const part of young.parts) for (const c of part.causes) addCause(c.prey, c.laneId, c.label, c.total)

  const kinds = new Set([
    ...mean.keys(),
    ...Object.values(house.cultures)
      .filter(c => !c.finished && !c.failed)
      .map(c => c.feederId),
    // what lies in the freezer is seen, also where nobody eats it any more
    ...Object.values(house.stocks)
      .filter(s => s.left > 0 || s.onOrder.length > 0)
      .map(s => s.prey),
  ])
  const isNone = (row: Float64Array | undefined) => !row?.some(n => n > 0)
  const planned = [...kinds].filter(
    id =>
      almanac.feeders[id] &&
      plannedSupply(feederOf(almanac, id)) &&
      // nobody takes them alive any more, and none are there
      !(isLiveRow(id) && isNone(mean.get(id)) && !house.stocks[id]?.left && !house.stocks[id]?.onOrder.length),
  )
  const prey = eachGuarded(
    context,
    'its need and supply',
    planned,
    id => ({ type: 'prey', id }),
    (id): PreyOutlook => {
      const feeder = feederOf(almanac, id)
      const supply = plannedSupply(feeder)!
      // what runs yields as it was started, however the house gets it now
      const packs = packWay(feeder)
      const running = new Float64Array(days)
      for (const culture of Object.values(house.cultures)) {
        const culturing = culture.feederId === id && cultureWay(feeder, culture)
        if (!culturing) continue
        const tempC = cultureTempC(culture, context)
        const unwritten = almanac.common.unwrittenProducing!.value
        const left =
          guarded(context, 'its yield', { type: 'culture', id: culture.id }, () =>
            yields(context, culture, [culturing, tempC, today, settings.cupYield, unwritten], () =>
              remainingYield(culture, culturing, tempC, today, days, settings.cupYield, unwritten),
            ),
          ) ?? []
        for (let d = 0; d < days; d++) running[d]! += left[d] ?? 0
      }
      const stock = house.stocks[id]
      const atHand = stock ? usableStock(stock, keptPerDay(supply), today) : 0
      const arriving = (stock?.onOrder ?? [])
        .map(order => ({ day: Math.max(0, order.day + (packs?.leadDays.value ?? 0) - today), count: order.count }))
        .filter(a => a.day < days)
      for (const { day, count } of arriving) running[day]! += count
      const row = mean.get(id) ?? new Float64Array(days)
      // what the animals of the house eat is the same in every scenario, so it lifts the quantile as it is
      const own = fromAnimals.get(id)
      const high = young.high.get(id)
      const reasons: Reason[] = [
        {
          rule: 'Mouths on each day (by their first-meal forecasts and losses) times the feeding ladder of their species',
          inputs: [
            settingInput(
              'Covered',
              `${Math.round(settings.coverQuantile * 100)} % of ${SCENARIOS} scenarios, drawn with a fixed seed`,
              'coverQuantile',
            ),
            settingInput('Appetite', `${settings.appetite} × the ladder`, 'appetite'),
            computedInput(
              'Stock today',
              `${Math.round(atHand)} usable${stock && stock.left - atHand > 0.5 ? ` of ${Math.round(stock.left)} by count: half are usable after ${supply.keepDays.value} days` : ''}`,
            ),
          ],
          change: 'Every recorded lock, laying, hatch, loss or sale moves it',
        },
      ]
      return {
        prey: id,
        mean: Array.from(row),
        high: Array.from({ length: days }, (_, d) => (own?.[d] ?? 0) + (high?.[d] ?? 0)),
        running: Array.from(running),
        arriving,
        stock: atHand,
        causes: [...(causes.get(id) ?? new Map<string, { label: string; total: number }>())]
          .map(([cid, c]) => ({ id: cid, ...c }))
          .sort((a, b) => b.total - a.total),
        reasons,
      }
    },
  )
  const order = Object.keys(almanac.feeders)
  prey.sort((a, b) => order.indexOf(a.prey) - order.indexOf(b.prey))
  const scenarios: Scenarios = {
    count: SCENARIOS,
    need: id => {
      const drawn = young.drawn.get(id)
      const own = fromAnimals.get(id)
      const need = new Float64Array(days * SCENARIOS)
      if (drawn) need.set(drawn)
      if (own) for (let s = 0; s < SCENARIOS; s++) for (let d = 0; d < days; d++) need[s * days + d]! += own[d]!
      return need
    },
  }
  return { prey, scenarios }
}
