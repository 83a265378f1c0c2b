import type { Day } from '../chance'
import { carriable, type Lasts } from './lots'
import { asLp } from './lp'

/**
 * Solves a problem in CPLEX LP format; the engine is passed in, so that core runs in the server, a worker and a test.
 */
export type SolveLp = (lp: string, limits?: SolveLimits) => Solution

export interface Solution {
  status: string
  objective: number
  columns: Record<string, number>
}

/** How far a large programme is searched: to within this share of the best or this cost above it, and so long at most. */
export interface SolveLimits {
  gap: number
  within?: number
  seconds: number
}

export interface PlanInput {
  /** Day 0 of all rows. */
  from: Day
  /** Feeders wanted on each day (the chosen quantile of need). */
  need: ArrayLike<number>
  /** Expected yield of what runs already, and of what is on order. */
  running: ArrayLike<number>
  /** Feeders at hand today. */
  stock: number
  /** Share of a stock still usable a day later, 0..1. */
  keptPerDay: number
  /** What keeps a number of days and then ends: nothing older is carried on. */
  lasts?: Lasts
  /** Expected yield of one new unit by days since its start. */
  perUnit: ArrayLike<number>
  /** Days (as index from `from`) on which new units may be started. */
  startDays: readonly number[]
  /** Days by which what is started on such a day comes later than usual, or earlier where negative. */
  comesLater?: (startDay: number) => number
  /** Units that are decided for some of these days, by day: so many, no more and no less. */
  decided?: ReadonlyMap<number, number>
  /** Fewest units to start on a day whose yield meets any need: 1 for «every week without a break». */
  leastPerStart: number
  /** Spare units at all times in case one fails, and start days for which one of them lasts; null = none. */
  spare?: { units: number; everyStarts: number } | null
}

export interface PlannedStart {
  day: Day
  count: number
}

export interface Plan {
  starts: PlannedStart[]
  /** Yield of the planned units on each day. */
  planned: Float64Array
  /** Usable feeders on each day before feeding. */
  stock: Float64Array
  /** Feeders missing on each day: no start can still help, or none is allowed. */
  missing: Float64Array
  units: number
  /** Units among them that the school keeps in case one fails. */
  spares: number
  /** No plan with fewer units covers the need (bound of the relaxed programme, rounded up). */
  leastPossible: number
}

export class PlanError extends Error {
  override name = 'PlanError'
}

/** Culture days solved as whole numbers at once; later ones are relaxed meanwhile, then fixed block by block. */
const BLOCK = 8
/** More units than this on one day is a slip in the need, not a plan. */
const MOST_PER_START = 5000
/** A plan of fewer units than this is the least there is; a larger one may be above it by one in so many. */
const NEAR_ENOUGH = 25
/** Share of the most units that a row may ask for: written with four digits, small yields differ by so much. */
const COUNTED_ON = 0.9

/** The day from which the yield of a unit started on day `s` is counted: that day, but for what comes later. */
export const yieldsFrom = ({ comesLater }: Pick<PlanInput, 'comesLater'>, s: number): number =>
  s + (comesLater?.(s) ?? 0)

/** Whether a unit started on day `s` yields anything worth naming on days of need. */
function meetsNeed(input: PlanInput, s: number): boolean {
  let all = 0
  let needed = 0
  const from = yieldsFrom(input, s)
  for (let age = Math.max(0, -from); from + age < input.need.length && age < input.perUnit.length; age++) {
    all += input.perUnit[age]!
    if (input.need[from + age]! > 0.5) needed += input.perUnit[age]!
  }
  return all > 0 && needed / all > 0.2
}

/**
 * The first day (index) that a new unit can cover: from the age at which it is expected to give half of its best day.
 * What is needed earlier cannot be mended by starting anything, however much.
 */
export function firstCoveredDay(input: Pick<PlanInput, 'perUnit' | 'startDays' | 'comesLater'>): number {
  const perUnit = Array.from(input.perUnit)
  const best = Math.max(0, ...perUnit)
  const age = perUnit.findIndex(y => y > 0 && y >= best / 2)
  return age < 0
    ? Number.POSITIVE_INFINITY
    : Math.max(0, Math.min(...input.startDays.map(s => yieldsFrom(input, s))) + age)
}

interface CoverRow {
  coefficients: Map<number, number>
  atLeast: number
}

/** What is written with four digits may fall short of a row by so much. */
const ROUNDED_BY = 1e-3

/** Counts of units beside what they leave above each row, so that many units are moved at once. */
class Cover {
  private readonly slack: number[]

  constructor(
    private readonly rows: readonly CoverRow[],
    readonly counts: number[],
  ) {
    this.slack = rows.map(row =>
      [...row.coefficients].reduce((sum, [w, y]) => sum + counts[w]! * y, ROUNDED_BY - row.atLeast),
    )
  }

  private readonly of = (row: CoverRow, w: number | null): number => (w === null ? 0 : (row.coefficients.get(w) ?? 0))

  /**
   * Moves as many of `most` units from start day `from` to `to`, or away, as leave every row covered; tells how many.
   */
  move(from: number, to: number | null, most: number): number {
    const moved = this.rows.reduce((least, row, r) => {
      const lost = this.of(row, from) - this.of(row, to)
      return lost > 0 ? Math.min(least, Math.max(0, Math.floor(this.slack[r]! / lost))) : least
    }, most)
    if (!moved) return 0
    this.rows.forEach((row, r) => {
      this.slack[r]! -= moved * (this.of(row, from) - this.of(row, to))
    })
    this.counts[from]! -= moved
    if (to !== null) this.counts[to]! += moved
    return moved
  }
}

const leastAt = (input: PlanInput, w: number): number =>
  input.leastPerStart > 0 && meetsNeed(input, input.startDays[w]!) ? input.leastPerStart : 0

/** Fewest units on each start day, by the rhythm of the house. */
export const leastStarts = (input: PlanInput): number[] => input.startDays.map((_, w) => leastAt(input, w))

/**
 * One row a day: what new units leave usable on day t must make up for what need leaves short.
 * Stock is written out (each day keeps its share of the day before), so that only whole units remain as unknowns.
 */
function coverRows(input: PlanInput): CoverRow[] {
  const days = input.need.length
  const from = firstCoveredDay(input)
  const rows: CoverRow[] = []
  const starts = input.startDays.map(s => yieldsFrom(input, s))
  const usable = starts.map(() => 0)
  let net = input.stock
  const { lasts } = input
  for (let t = 0; t < days; t++) {
    if (lasts && t > 0 && net > 0) net = Math.min(net, carriable(lasts, input.running, t - 1))
    net = (t === 0 ? net : net * input.keptPerDay) + input.running[t]! - input.need[t]!
    // on an early day that is short anyway what new units give is eaten; otherwise it is kept for the days after
    const eaten = t < from && net < 0
    starts.forEach((s, w) => {
      const carried = lasts
        ? Math.min(usable[w]!, carriable({ ...lasts, lots: [] }, input.perUnit, t - 1 - s))
        : usable[w]!
      usable[w] = eaten ? 0 : carried * input.keptPerDay + (t >= s ? (input.perUnit[t - s] ?? 0) : 0)
    })
    if (t < from) {
      net = Math.max(0, net)
      continue
    }
    if (input.need[t]! > 0 && net < 0) {
      const coefficients = new Map(usable.flatMap((y, w) => (y > 1e-3 ? [[w, y] as const] : [])))
      const most = MOST_PER_START * COUNTED_ON * [...coefficients.values()].reduce((sum, y) => sum + y, 0)
      // what even the most units cannot give is left to be told as missing
      if (coefficients.size) rows.push({ coefficients, atLeast: Math.min(-net, most) })
    }
  }
  return withoutImplied(rows)
}

/** Whether row `a` holds in every plan in which row `b` does: it asks for less, or is covered better, by each unit. */
function implied(a: CoverRow, b: CoverRow): boolean {
  for (const [w, y] of b.coefficients) if ((a.coefficients.get(w) ?? 0) * b.atLeast < y * a.atLeast - 1e-9) return false
  return true
}

/** The days that decide: most days are covered whenever a worse one near them is. O(rows²). */
function withoutImplied(rows: readonly CoverRow[]): CoverRow[] {
  const kept: CoverRow[] = []
  rows.forEach((row, i) => {
    // of two that imply each other the first stays
    if (!rows.some((other, j) => j !== i && implied(row, other) && (j < i || !implied(other, row)))) kept.push(row)
  })
  return kept
}

/**
 * The mixed-integer programme in LP format: least units so that every row is covered.
 * @param whole start days (by index) that must be whole numbers; the others are relaxed
 * @param fixed start days whose number is settled
 */
export function planAsLp(
  input: PlanInput,
  rows: readonly CoverRow[],
  whole: readonly number[],
  fixed: ReadonlyMap<number, number>,
): string {
  const names = input.startDays.map((_, w) => `x${w}`)
  return asLp({
    cost: names.map(of => ({ by: 1, of })),
    rows: rows.map(row => ({
      terms: [...row.coefficients].map(([w, by]) => ({ by, of: names[w]! })),
      is: '>=',
      than: row.atLeast,
    })),
    bounds: names.map((name, w) =>
      fixed.has(w) ? `${name} = ${fixed.get(w)}` : `${leastAt(input, w)} <= ${name} <= ${MOST_PER_START}`,
    ),
    whole: whole.map(w => names[w]!),
  })
}

/** Of two plans with as many units the later start is better: fresher, and less can change before it. */
function startLater(input: PlanInput, counts: number[], rows: readonly CoverRow[]): void {
  const cover = new Cover(rows, counts)
  for (let w = counts.length - 2; w >= 0; w--) {
    let moving = counts[w]! - leastAt(input, w)
    for (let at = w; moving > 0 && at < counts.length - 1; at++) moving = cover.move(at, at + 1, moving)
  }
}

/**
 * The relaxed plan rounded up, then thinned from the early or the late end while it still covers; the smaller of the
 * two.
 */
function roundedPlan(input: PlanInput, rows: readonly CoverRow[], relaxed: Record<string, number>): number[] {
  const up = input.startDays.map((_, w) => Math.ceil((relaxed[`x${w}`] ?? 0) - 1e-6))
  const order = up.map((_, w) => w)
  const thinned = [order, [...order].reverse()].map(ws => {
    const cover = new Cover(rows, [...up])
    for (const w of ws) cover.move(w, null, Math.max(0, up[w]! - leastAt(input, w)))
    return cover.counts
  })
  return thinned.reduce((a, b) => (total(b) < total(a) ? b : a))
}

const total = (counts: readonly number[]) => counts.reduce((n, c) => n + c, 0)

function solveWhole(
  input: PlanInput,
  rows: CoverRow[],
  solve: SolveLp,
  search: boolean,
): { counts: number[]; bound: number } {
  const run = (whole: number[], fixed: Map<number, number>) => {
    const solution = solve(planAsLp(input, rows, whole, fixed))
    if (solution.status !== 'Optimal') throw new PlanError(`The plan could not be solved (${solution.status}).`)
    return solution
  }
  const relaxed = run([], new Map())
  const bound = Math.ceil(relaxed.objective - 1e-6)
  // no plan is smaller than the relaxed one: a rounded plan of that size is proven the least without further search
  const rounded = roundedPlan(input, rows, relaxed.columns)
  // of many units one in twenty-five is no plan to search for; the working tells both numbers
  if (!search || total(rounded) - bound <= Math.floor(bound / NEAR_ENOUGH)) return { counts: rounded, bound }
  const fixed = new Map<number, number>()
  const open = input.startDays
    .map((_, w) => w)
    .filter(w => {
      const used = (relaxed.columns[`x${w}`] ?? 0) > 1e-6
      // neighbours of used days may take part once numbers are whole
      const near = [-1, 1].some(d => (relaxed.columns[`x${w + d}`] ?? 0) > 1e-6)
      if (!used && !near) fixed.set(w, 0)
      return used || near
    })
  for (let i = 0; i < open.length; i += BLOCK) {
    const block = open.slice(i, i + BLOCK)
    const { columns } = run(block, fixed)
    for (const w of block) fixed.set(w, Math.round(columns[`x${w}`] ?? 0))
  }
  const counts = input.startDays.map((_, w) => fixed.get(w) ?? 0)
  // blocks fixed in turn may end above a good rounding
  return { counts: total(rounded) <= total(counts) ? rounded : counts, bound }
}

/**
 * Units that the plan does not miss when it is played through are left out: the rows take early days more darkly than
 * they are.
 */
function withoutSpare(input: PlanInput, counts: number[]): void {
  const from = firstCoveredDay(input)
  const short = () => runStock(input, yieldOf(input, counts)).missing.reduce((n, m, t) => (t >= from ? n + m : n), 0)
  const allowed = short() + 1e-9
  counts.forEach((count, w) => {
    // fewer units are never missed less: the fewest that are not missed are found by halving
    let least = Math.min(count, leastAt(input, w))
    let enough = count
    while (least < enough) {
      counts[w] = Math.floor((least + enough) / 2)
      if (short() <= allowed) enough = counts[w]
      else least = counts[w] + 1
    }
    counts[w] = enough
  })
}

/** Adds a spare to what is started, renewed before the last one is eaten off. */
export function addSpares(input: PlanInput, counts: number[]): void {
  if (!input.spare?.units) return
  let since = Infinity
  for (let w = 0; w < counts.length; w++, since++) {
    if (!counts[w] || since < input.spare.everyStarts || !meetsNeed(input, input.startDays[w]!)) continue
    counts[w]! += input.spare.units
    since = 0
  }
}

/** Expected pieces on each day of so many units on each start day. */
export function yieldOf(
  input: Pick<PlanInput, 'need' | 'perUnit' | 'startDays' | 'comesLater'>,
  counts: readonly number[],
): Float64Array {
  const planned = new Float64Array(input.need.length)
  counts.forEach((count, w) => {
    const s = yieldsFrom(input, input.startDays[w]!)
    for (let age = Math.max(0, -s); count && s + age < planned.length && age < input.perUnit.length; age++)
      planned[s + age]! += count * input.perUnit[age]!
  })
  return planned
}

/**
 * How many units to start on each start day so that need is covered with the fewest units, as a mixed-integer
 * programme. Up to eight start days are solved at once and exactly; longer seasons block by block (later days relaxed
 * meanwhile), and `leastPossible` then bounds how far from the least the plan can be. What no start can still cover is
 * reported as missing, never hidden.
 * @param search whether whole numbers are searched for; else the relaxed plan is rounded, which is seldom a unit more
 * @throws PlanError when rows differ in length or the solver finds no optimum
 */
export function planStarts(input: PlanInput, solve: SolveLp, search = true): Plan {
  if (input.running.length !== input.need.length)
    throw new PlanError('Need and running yield must cover the same days.')
  const rows = coverRows(input)
  const none = input.startDays.map(() => 0)
  const forced = input.leastPerStart > 0 && input.startDays.some(s => meetsNeed(input, s))
  const { counts, bound } = rows.length || forced ? solveWhole(input, rows, solve, search) : { counts: none, bound: 0 }
  startLater(input, counts, rows)
  withoutSpare(input, counts)
  const needed = total(counts)
  addSpares(input, counts)
  const planned = yieldOf(input, counts)
  const { stock, missing } = runStock(input, planned)
  const starts = counts.flatMap((count, w) => (count ? [{ day: input.from + input.startDays[w]!, count }] : []))
  const units = starts.reduce((n, s) => n + s.count, 0)
  return { starts, planned, stock, missing, units, spares: units - needed, leastPossible: Math.min(bound, units) }
}

/** Stock and shortfall of each day when all goes as expected. */
export function runStock(
  input: Pick<PlanInput, 'need' | 'running' | 'stock' | 'keptPerDay' | 'lasts'>,
  planned: ArrayLike<number>,
): { stock: Float64Array; missing: Float64Array } {
  const days = input.need.length
  const stock = new Float64Array(days)
  const missing = new Float64Array(days)
  let left = input.stock
  const came = input.lasts && new Float64Array(days)
  for (let t = 0; t < days; t++) {
    const usable = (t === 0 ? left : left * input.keptPerDay) + input.running[t]! + planned[t]!
    stock[t] = usable
    // rounding of the solver is not a shortfall
    missing[t] =
      Math.max(0, input.need[t]! - usable) < Math.max(0.01, 1e-4 * input.need[t]!) ? 0 : input.need[t]! - usable
    left = Math.max(0, usable - input.need[t]!)
    came?.set([input.running[t]! + planned[t]!], t)
    if (input.lasts && came) left = Math.min(left, carriable(input.lasts, came, t))
  }
  return { stock, missing }
}
