import { derived } from '../../derived'
import { keptBetween, type Life } from '../lots'
import type { Alternative } from './programme'
import type { Fates } from './fates'

/** One feeder as it is played through. */
export interface PlayedFeeder {
  id: string
  stock: number
  keptPerDay: number
  /** What is kept by its age, and used oldest first: then the stock is these lots. */
  ages?: { life: Life; lots: readonly { age: number; pieces: number }[] }
  /** First day (index) that counts for who eats it; earlier gaps cannot be mended any more and are told apart. */
  countFrom: number
  /** Days that are planned; from then on it is had when it is wanted. */
  days: number
  /** Pieces that are kept for its own eaters of the days to come: what stands in unplanned is taken of the rest. */
  reserve?: ArrayLike<number>
  fates: Pick<Fates, 'draw'>
}

/** Mouths that eat alike: their part of the need of a prey on each day, and what they take instead. */
export interface PlayedEaters {
  prey: string
  share: ArrayLike<number>
  standIns: readonly Alternative[]
  /** What the plan gives them of each feeder on each day, in pieces of the usual prey. */
  planned?: ReadonlyMap<string, ArrayLike<number>>
  /** So much of what they want is to be of the prey itself, 0..1. */
  leastOwn?: number
  /** Several kinds are given in turn: as the plan shares them, also while there is enough of the usual prey. */
  inTurn?: boolean
}

export interface PlayInput {
  days: number
  /** Which scenarios of the need are played. */
  scenarios: readonly number[]
  /** Each is played so often, with other luck of the cultures. */
  times?: number
  feeders: readonly PlayedFeeder[]
  eaters: readonly PlayedEaters[]
  /** A day counts as hungry when more than this share of its need is missing: a few flies fewer is not. */
  hungryShare: number
  /** Need of one prey, scenario-major: index = scenario · width + day. */
  need: (prey: string) => ArrayLike<number>
  width: number
  /** Hears of each hungry day what it lacks. */
  tell?: (lack: Lack) => void
}

/** What one hungry day of a played season lacks. */
export interface Lack {
  /** Which season, of all luck. */
  run: number
  prey: string
  day: number
  /** Pieces beyond those of which a day may have fewer. */
  pieces: number
  /** Pieces that those who lack any wanted. */
  wanted: number
}

export interface Hungry {
  /** Chance (0..1) of at least one hungry day. */
  chance: number
  /** Chance of one on each day. */
  byDay: Float64Array
}

/** Hunger for one prey. */
export interface HungryFor extends Hungry {
  /** The scenarios in which there was any. */
  scenarios: number[]
}

export interface Played extends Hungry {
  byPrey: Map<string, HungryFor>
}

interface Way extends Alternative {
  index: number
  /** It is another prey, and not the same got otherwise. */
  isOther: boolean
}

/** Luck of the cultures in a second playing of the same need. */
const OTHER_LUCK = 10_007

/** A stock of lots: each goes off by its age, and the oldest is taken first. */
class Aged {
  /** Lots by their turn, from the first that is not used up. */
  private readonly pieces: Float64Array
  private readonly ages: Int32Array
  private first = 0
  private end = 0
  left = 0

  constructor(
    lots: readonly { age: number; pieces: number }[],
    /** Share kept from each age to the next. */
    private readonly kept: ArrayLike<number>,
    days: number,
  ) {
    this.pieces = new Float64Array(lots.length + days)
    this.ages = new Int32Array(lots.length + days)
    for (const lot of [...lots].sort((a, b) => b.age - a.age)) this.add(lot.pieces, Math.floor(lot.age))
  }

  private add(pieces: number, age: number): void {
    this.pieces[this.end] = pieces
    this.ages[this.end++] = age
    this.left += pieces
  }

  comeTo(day: number, came: number): void {
    const { pieces, ages, kept, end } = this
    if (day > 0) {
      let left = 0
      for (let i = this.first; i < end; i++) {
        pieces[i]! *= kept[ages[i]!++] ?? 0
        left += pieces[i]!
      }
      this.left = left
    }
    if (came) this.add(came, 0)
  }

  take(wanted: number): void {
    const { pieces, end } = this
    let open = wanted
    while (this.first < end && open >= pieces[this.first]!) open -= pieces[this.first++]!
    if (this.first < end) pieces[this.first]! -= open
    this.left = Math.max(0, this.left - wanted)
  }
}

/** Share kept from each age to the next, for so many days. */
const keptAges = (life: Life, days: number) =>
  Float64Array.from({ length: days + Math.ceil(life.halfDays) + 1 }, (_, age) => keptBetween(life, age, age + 1))

/** Whether anything comes at all: most ways to order stand unused. */
const comes = derived((row: Float64Array): boolean => row.some(n => n > 0))

/** The part of the usual prey in what the plan gives on each day; 1 where it gives nothing. */
function usualPart({ prey, planned }: PlayedEaters, days: number): Float64Array {
  const rows = [...(planned?.values() ?? [])]
  const usual = planned?.get(prey)
  return Float64Array.from({ length: days }, (_, d) => {
    const all = rows.reduce((n, row) => n + (row[d] ?? 0), 0)
    return all > 0 ? (usual?.[d] ?? 0) / all : 1
  })
}

/** Stocks of all feeders through the days of one scenario. Rows of numbers throughout: a search plays millions of days. */
class Stocks {
  private readonly yields: Float64Array[]
  private readonly left: Float64Array
  private readonly keptPerDay: Float64Array
  private readonly days: Float64Array
  private readonly aged: (Aged | null)[]
  /** Those of which there is, or will be, anything. */
  private readonly used: number[]

  constructor(feeders: readonly PlayedFeeder[], ages: readonly (ArrayLike<number> | null)[], scenario: number) {
    this.yields = feeders.map(f => f.fates.draw(scenario))
    this.left = Float64Array.from(feeders, f => f.stock)
    this.keptPerDay = Float64Array.from(feeders, f => f.keptPerDay)
    this.days = Float64Array.from(feeders, f => f.days)
    this.aged = feeders.map((f, i) => (f.ages ? new Aged(f.ages.lots, ages[i]!, this.yields[i]!.length) : null))
    this.used = [...feeders.keys()].filter(i => this.left[i]! > 0 || this.aged[i]?.left || comes(this.yields[i]!))
  }

  comeTo(day: number): void {
    const { left, yields, aged, keptPerDay, used } = this
    for (let u = 0; u < used.length; u++) {
      const i = used[u]!
      const lots = aged[i]
      if (lots) {
        lots.comeTo(day, yields[i]![day]!)
        left[i] = lots.left
      } else left[i] = (day === 0 ? left[i]! : left[i]! * keptPerDay[i]!) + yields[i]![day]!
    }
  }

  /** Takes as many as there are beyond what is kept. */
  take(feeder: number, day: number, pieces: number, kept = 0): number {
    if (day >= this.days[feeder]!) return pieces
    const there = this.left[feeder]! - kept
    if (there <= 0) return 0
    const taken = pieces < there ? pieces : there
    this.left[feeder]! -= taken
    this.aged[feeder]?.take(taken)
    return taken
  }
}

/**
 * Plays a plan through: need, delays, failures and yields drawn anew in each scenario. Each takes the usual prey first
 * (of several kinds in turn its part of them), then what the plan gives in its place, then whatever else may stand for
 * it and is not kept for its own eaters.
 * O(scenarios · days · (eaters + feeders)).
 */
export function playThrough(input: PlayInput): Played {
  const { days, feeders, width, hungryShare, times = 1 } = input
  const indexOf = new Map(feeders.map((f, i) => [f.id, i]))
  // who can take nothing else is served first
  const eaters = [...input.eaters]
    .sort((a, b) => a.standIns.length - b.standIns.length)
    .map(e => ({
      ...e,
      own: indexOf.get(e.prey)!,
      part: e.inTurn ? usualPart(e, days) : null,
      need: input.need(e.prey),
      ways: e.standIns.flatMap(s =>
        indexOf.has(s.feeder)
          ? [{ ...s, index: indexOf.get(s.feeder)!, isOther: s.of !== e.prey, planned: e.planned?.get(s.feeder) }]
          : [],
      ),
    }))
  const runs = input.scenarios.length * times
  const all: Hungry = { chance: 0, byDay: new Float64Array(days) }
  const byPrey = new Map(
    eaters.map((e): [string, HungryFor] => [e.prey, { chance: 0, byDay: new Float64Array(days), scenarios: [] }]),
  )
  const lacks = new Float64Array(eaters.length)
  const wants = new Float64Array(eaters.length)
  /** What may still be of another prey on a day. */
  const others = new Float64Array(eaters.length)
  const needs = eaters.map(e => e.need)
  const parts = eaters.map(e => e.share)
  const owns = eaters.map(e => e.own)
  const ages = feeders.map(f => (f.ages ? keptAges(f.ages.life, days) : null))
  const usualParts = eaters.map(e => e.part)
  const mayBeOthers = eaters.map(e => 1 - (e.leastOwn ?? 0))
  const turning = [...eaters.keys()].filter(i => usualParts[i])
  /** Of one way no more than that, and of other prey no more than may be. */
  const take = (stocks: Stocks, i: number, way: Way, d: number, atMost: number, kept?: number) => {
    const { index, pieces, isOther } = way
    const open = isOther && others[i]! < lacks[i]! ? others[i]! : lacks[i]!
    const most = atMost < open ? atMost : open
    if (!(most > 0)) return
    const taken = stocks.take(index, d, most * pieces, kept) / pieces
    lacks[i]! -= taken
    if (isOther) others[i]! -= taken
  }
  const takePlanned = (stocks: Stocks, i: number, d: number) => {
    const { ways } = eaters[i]!
    for (let w = 0; w < ways.length; w++) {
      const { planned } = ways[w]!
      if (planned) take(stocks, i, ways[w]!, d, planned[d] ?? 0)
    }
  }
  const playOne = (scenario: number, time: number) => {
    const run = scenario + time * OTHER_LUCK
    const stocks = new Stocks(feeders, ages, run)
    const hungry = new Set<string>()
    for (let d = 0; d < days; d++) {
      stocks.comeTo(d)
      let lacking = false
      for (let i = 0; i < eaters.length; i++) {
        const wanted = needs[i]![scenario * width + d]! * parts[i]![d]!
        const part = usualParts[i]?.[d] ?? 1
        const lack = wanted ? wanted - stocks.take(owns[i]!, d, wanted * part) : 0
        wants[i] = wanted
        others[i] = mayBeOthers[i]! * wanted
        lacks[i] = lack
        if (lack > 0 && part === 1) lacking = true
      }
      for (let t = 0; t < turning.length; t++) {
        const i = turning[t]!
        if (lacks[i]! <= 0) continue
        takePlanned(stocks, i, d)
        // a kind that is not there in its turn is made up for by the usual one
        if (lacks[i]! > 0) lacks[i]! -= stocks.take(owns[i]!, d, lacks[i]!)
        if (lacks[i]! > 0) lacking = true
      }
      // most days all have what they are to have
      if (!lacking) continue
      for (let i = 0; i < eaters.length; i++) if (lacks[i]! > 0 && !usualParts[i]) takePlanned(stocks, i, d)
      const short = new Set<string>()
      for (let i = 0; i < eaters.length; i++) {
        if (lacks[i]! <= 0) continue
        const { prey, own, ways } = eaters[i]!
        for (const way of ways) {
          if (lacks[i]! <= 0) break
          take(stocks, i, way, d, way.mostShare * wants[i]!, feeders[way.index]!.reserve?.[d])
        }
        const lacked = lacks[i]! - wants[i]! * hungryShare
        if (d < feeders[own]!.countFrom || lacked <= 0) continue
        short.add(prey)
        input.tell?.({ run, prey, day: d, pieces: lacked, wanted: wants[i]! })
      }
      for (const prey of short) {
        hungry.add(prey)
        byPrey.get(prey)!.byDay[d]!++
      }
      if (short.size) all.byDay[d]!++
    }
    for (const prey of hungry) {
      const counted = byPrey.get(prey)!
      counted.chance++
      if (counted.scenarios.at(-1) !== scenario) counted.scenarios.push(scenario)
    }
    if (hungry.size) all.chance++
  }
  for (const scenario of input.scenarios) for (let time = 0; time < times; time++) playOne(scenario, time)
  const shares = ({ chance, byDay }: Hungry): Hungry => ({ chance: chance / runs, byDay: byDay.map(n => n / runs) })
  return {
    ...shares(all),
    byPrey: new Map([...byPrey].map(([prey, counted]) => [prey, { ...counted, ...shares(counted) }])),
  }
}
