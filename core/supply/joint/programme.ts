import { yieldsFrom } from '../plan'
import type { Lasts } from '../lots'
import { asLp, type Row, type Term } from '../lp'
import { allowed, limitDays, stands, type Counted, type Limit } from './limits'
import { periodsOf, type Period } from './periods'

/** One feeder as the joint plan sees it. All rows are per day from today. */
export interface JointFeeder {
  id: string
  /** Pieces usable today. */
  stock: number
  /** Share of a stock still usable a day later, 0..1. */
  keptPerDay: number
  /** What keeps a number of days and then ends: nothing older is carried on. */
  lasts?: Lasts
  /** Expected pieces of what runs and of what is on order. */
  running: ArrayLike<number>
  /** Expected pieces of one new unit by days since it was started or ordered. */
  perUnit: ArrayLike<number>
  /** Days (as index) on which units may be started. */
  startDays: readonly number[]
  /** Days by which what is started on such a day comes later than usual, or earlier where negative. */
  comesLater?: (startDay: number) => number
  /** What one unit costs when started on each of these days, in units. */
  costs: readonly number[]
  /** Fewest units to start on each of these days. */
  least: readonly number[]
  /** Units that are decided for each of these days; null where they are not. */
  fixed?: readonly (number | null)[]
  /** Pieces of it that found one unit; fewer of its own are made up for by bought ones, at this price a unit. */
  founders?: { pieces: number; bought: number }
  /** Days that are planned; from then on it is had when it is wanted, at the price of the pieces. */
  days: number
}

/** What may stand for the prey of a meal. */
export interface Alternative {
  feeder: string
  /** What it is: the same got in several ways shares what it may stand for. */
  of: string
  /** Pieces of it for one piece of the usual prey. */
  pieces: number
  /** Most of a day's meals that it may stand for, 0..1. */
  mostShare: number
  /** What a meal of it weighs against the usual weight of a stand-in; 0 for the same prey got otherwise. */
  weight: number
}

/** Mouths that eat alike: their usual prey, and what may stand for it. */
export interface Eaters {
  prey: string
  /** Pieces of the usual prey wanted on each day. */
  need: ArrayLike<number>
  /** Whole meals of one mouth that one piece of it is worth. */
  mealsPerPiece: number
  standIns: readonly Alternative[]
  /** Most of what they want that is to be of one kind, 0..1, from a day (index) on: every meal beyond it weighs. */
  turns?: { mostOfOne: number; from: number }
  /** So much of what they want is to be of the prey itself, 0..1, however it is got; left out, none. */
  leastOwn?: number
}

export interface JointInput {
  days: number
  feeders: readonly JointFeeder[]
  eaters: readonly Eaters[]
  /** What a hungry meal, and a meal of a stand-in, weigh against one unit started. */
  hungryCost: number
  standInCost: number
  /** What a meal of one kind beyond its share weighs, where several are given in turn. */
  sameKindCost?: number
  /** What is not without end, and shared by several feeders. */
  limits?: readonly Limit[]
}

/** Coefficients below this say nothing and slow the solver. */
const NOTHING = 1e-4

/** What is eaten of the usual prey (0) or of a stand-in (1, 2 …), what is missing, and what is left. */
export const eats = (e: number, a: number, t: number) => `u${e}_${a}_${t}`
export const misses = (e: number, t: number) => `m${e}_${t}`
const left = (f: number, t: number) => `s${f}_${t}`
export const starts = (f: number, w: number) => `x${f}_${w}`
/** What is eaten of a kind beyond its share, where several are given in turn. */
const repeats = (e: number, k: number, t: number) => `v${e}_${k}_${t}`
/** Units that are founded with bought animals. */
export const founded = (f: number, w: number) => `b${f}_${w}`

export const within = (row: ArrayLike<number>, { from, to }: Period): number => {
  let all = 0
  for (let d = from; d < to && d < row.length; d++) all += row[d]!
  return all
}

/** Pieces that one unit started on day `s` gives in a period. */
function yieldWithin(feeder: JointFeeder, s: number, { from, to }: Period): number {
  const first = yieldsFrom(feeder, s)
  return within(feeder.perUnit, { from: Math.max(0, from - first), to: Math.max(0, to - first) })
}

/**
 * Days on which there can be any of what keeps a few days only: those from when something comes until that ends. Null for
 * what keeps longer than a week: within a period there is always some.
 */
function reachable(feeder: JointFeeder, days: number): Uint8Array | null {
  const { lasts, startDays, perUnit, running, stock } = feeder
  if (!lasts || lasts.days >= A_WEEK) return null
  const on = new Uint8Array(days)
  const age = Array.from(perUnit).findIndex(n => n > NOTHING)
  const from = (day: number) => on.fill(1, Math.max(0, day), Math.max(0, day + lasts.days + 1))
  if (age >= 0) for (const s of startDays) from(yieldsFrom(feeder, s) + age)
  for (let d = 0; d < days && d < running.length; d++) if (running[d]! > NOTHING) from(d)
  if (stock > 0) on.fill(1, 0, Math.max(1, ...lasts.lots.map(lot => lot.until + 1)))
  return on
}
const A_WEEK = 7

/** The joint programme: its rows, its bounds, and what it aims at. */
export class JointProgramme {
  readonly rows: Row[] = []
  readonly bounds: string[] = []
  readonly periods: readonly Period[]
  /** What is taken after the days planned for it. */
  private readonly later: { f: number; pieces: number; of: string }[] = []
  /** What is eaten of one kind beyond its share. */
  private readonly repeated: { e: number; of: string }[] = []
  /** Where a sort of eaters wants anything: by sort, its periods. */
  readonly wanted: { e: number; t: number; need: number }[] = []
  /** Of each feeder, the days on which there can be any; null where there always can. */
  private readonly reached: readonly (Uint8Array | null)[]

  constructor(readonly input: JointInput) {
    this.periods = periodsOf(input.days)
    this.reached = input.feeders.map(f => reachable(f, input.days))
    const index = new Map(input.feeders.map((f, i) => [f.id, i]))
    const takes = new Map<string, Term[]>()
    const take = (f: number, t: number, term: Term) => {
      const key = `${f}_${t}`
      const list = takes.get(key)
      if (list) list.push(term)
      else takes.set(key, [term])
    }
    input.eaters.forEach(({ prey, need, standIns, turns, leastOwn = 0 }, e) => {
      const ways = [{ feeder: prey, of: prey, pieces: 1, mostShare: 1 }, ...standIns]
      this.periods.forEach((period, t) => {
        const wanted = within(need, period)
        if (wanted <= NOTHING) return
        this.wanted.push({ e, t, need: wanted })
        const terms: Term[] = [{ by: 1, of: misses(e, t) }]
        const kinds = new Map<string, { most: number; terms: Term[] }>()
        ways.forEach(({ feeder, of, pieces, mostShare }, a) => {
          const f = index.get(feeder)
          if (f === undefined) return
          terms.push({ by: 1, of: eats(e, a, t) })
          take(f, t, { by: pieces, of: eats(e, a, t) })
          if (period.from >= input.feeders[f]!.days) this.later.push({ f, pieces, of: eats(e, a, t) })
          else if (period.to - period.from > 1 && this.reached[f]) {
            // a week knows no days: what it lacks on some of them is not made up for by the others
            const most = within(this.neededFrom(f, need), period)
            if (most < wanted) this.rows.push({ terms: [{ by: 1, of: eats(e, a, t) }], is: '<=', than: most })
          }
          const kind = kinds.get(of) ?? { most: mostShare, terms: [] }
          kinds.set(of, { ...kind, terms: [...kind.terms, { by: 1, of: eats(e, a, t) }] })
        })
        for (const [k, { most, terms }] of [...kinds.values()].entries()) {
          if (most < 1) this.rows.push({ terms, is: '<=', than: most * wanted })
          if (!turns || period.from < turns.from || turns.mostOfOne >= most) continue
          const beyond = repeats(e, k, t)
          this.repeated.push({ e, of: beyond })
          this.rows.push({ terms: [...terms, { by: -1, of: beyond }], is: '<=', than: turns.mostOfOne * wanted })
        }
        if (leastOwn > 0) {
          const others = [...kinds].flatMap(([of, kind]) => (of === prey ? [] : kind.terms))
          if (others.length) this.rows.push({ terms: others, is: '<=', than: (1 - leastOwn) * wanted })
        }
        this.rows.push({ terms, is: '=', than: wanted })
      })
    })
    input.feeders.forEach((feeder, f) => this.addStock(feeder, f, takes))
    for (const limit of input.limits ?? []) this.addLimit(limit, index)
  }

  /** What is wanted on the days on which there can be any of a feeder. */
  neededFrom(f: number, need: ArrayLike<number>): ArrayLike<number> {
    const on = this.reached[f]
    return on ? Float64Array.from(on, (there, d) => (there ? (need[d] ?? 0) : 0)) : need
  }

  /** On no day more is taken of it than is free, but for what is decided. */
  private addLimit(limit: Limit, index: ReadonlyMap<string, number>): void {
    const counted = this.input.feeders.map(countedOf)
    for (const day of limitDays(limit, counted)) {
      const terms = [...limit.takes].flatMap(([id, taken]) => {
        const f = index.get(id)
        if (f === undefined) return []
        return this.input.feeders[f]!.startDays.flatMap((s, w) =>
          stands(taken, s, day) ? [{ by: taken.each, of: starts(f, w) }] : [],
        )
      })
      const than = allowed(limit, counted, day)
      if (terms.length && Number.isFinite(than)) this.rows.push({ terms, is: '<=', than })
    }
  }

  /** What is eaten and what is left is no more than what was left, as far as it keeps, and what came. */
  private addStock(feeder: JointFeeder, f: number, takes: ReadonlyMap<string, Term[]>): void {
    const { periods } = this
    periods.forEach((period, t) => {
      if (period.from >= feeder.days) return
      const before = periods[t - 1]
      const kept = feeder.keptPerDay ** (before ? (before.to - before.from + period.to - period.from) / 2 : 0)
      const terms: Term[] = [...(takes.get(`${f}_${t}`) ?? []), { by: 1, of: left(f, t) }]
      if (before) terms.push({ by: -kept, of: left(f, t - 1) })
      feeder.startDays.forEach((s, w) => {
        const yields = yieldWithin(feeder, s, period)
        if (yields > NOTHING) terms.push({ by: -yields, of: starts(f, w) })
        // founders are taken on the day, and bought where there are none
        if (feeder.founders && period.from <= s && s < period.to)
          terms.push(
            { by: feeder.founders.pieces, of: starts(f, w) },
            { by: -feeder.founders.pieces, of: founded(f, w) },
          )
      })
      const than = within(feeder.running, period) + (before ? 0 : feeder.stock)
      this.rows.push({ terms, is: '<=', than })
      if (feeder.lasts) this.addAge(feeder, feeder.lasts, f, t)
    })
    feeder.startDays.forEach((_, w) => {
      if (feeder.founders)
        this.rows.push({
          terms: [
            { by: 1, of: founded(f, w) },
            { by: -1, of: starts(f, w) },
          ],
          is: '<=',
          than: 0,
        })
      const decided = feeder.fixed?.[w] ?? null
      if (decided !== null) this.bounds.push(`${starts(f, w)} = ${decided}`)
      else if (feeder.least[w]) this.bounds.push(`${starts(f, w)} >= ${feeder.least[w]}`)
    })
  }

  /** What is left at the end of a period came within the days it keeps: with the oldest used first that is all it takes. */
  private addAge(feeder: JointFeeder, { days, lots }: Lasts, f: number, t: number): void {
    const { to } = this.periods[t]!
    const young = { from: Math.max(0, to - days), to }
    const still = lots.reduce((sum, lot) => sum + (lot.until >= to ? lot.pieces : 0), 0)
    if (young.from === 0 && lots.every(lot => lot.until >= to)) return
    const terms: Term[] = [{ by: 1, of: left(f, t) }]
    feeder.startDays.forEach((s, w) => {
      const yields = yieldWithin(feeder, s, young)
      if (yields > NOTHING) terms.push({ by: -yields, of: starts(f, w) })
    })
    this.rows.push({ terms, is: '<=', than: within(feeder.running, young) + still })
  }

  /**
   * Units, hungry meals and meals of stand-ins. Of two plans alike the one that starts later and takes the stand-in that
   * is named first is better, by a hair.
   */
  cost(): Term[] {
    const { feeders, eaters, hungryCost, standInCost, sameKindCost = 0 } = this.input
    const perPack = feeders.map(f => Array.from(f.perUnit).reduce((a, b) => a + b, 0))
    return [
      ...feeders.flatMap((feeder, f) =>
        feeder.startDays.map((s, w) => ({ by: feeder.costs[w]! * (1 - LATER * s), of: starts(f, w) })),
      ),
      ...feeders.flatMap(({ founders, startDays }, f) =>
        founders ? startDays.map((_, w) => ({ by: founders.bought, of: founded(f, w) })) : [],
      ),
      ...this.later.map(({ f, pieces, of }) => ({ by: (pieces / perPack[f]!) * (feeders[f]!.costs.at(-1) ?? 1), of })),
      ...this.repeated.map(({ e, of }) => ({ by: sameKindCost * eaters[e]!.mealsPerPiece, of })),
      ...this.wanted.flatMap(({ e, t }) => {
        const { mealsPerPiece, standIns } = eaters[e]!
        return [
          { by: hungryCost * mealsPerPiece, of: misses(e, t) },
          ...standIns.map(({ weight }, i) => ({
            by: weight * standInCost * mealsPerPiece * (1 - FIRST_NAMED * (standIns.length - i)),
            of: eats(e, i + 1, t),
          })),
        ]
      }),
    ]
  }

  /** Start variables of the first days, which must be whole. */
  wholeStarts(days: number): string[] {
    return this.input.feeders.flatMap((feeder, f) =>
      feeder.startDays.flatMap((s, w) => (s < days ? [starts(f, w)] : [])),
    )
  }

  text(whole: readonly string[] = []): string {
    return asLp({ cost: this.cost(), rows: this.rows, bounds: this.bounds, whole })
  }
}
/** What a day later saves, and a stand-in that is named earlier, as a share: a hair, so that the bound stays one. */
const LATER = 1e-5
const FIRST_NAMED = 1e-3

/** What is started whatever is free: what is decided, and what the rhythm of the house asks for. */
export const countedOf = ({ id, startDays, least, fixed }: JointFeeder): Counted => {
  const forced = startDays.map((_, w) => fixed?.[w] ?? least[w] ?? 0)
  return { id, startDays, counts: forced, forced }
}
