import type { Day } from '../chance'

/** Solves a problem in CPLEX LP format; the engine is passed in, so that core runs in the server, a worker and a test. */
export type SolveLp = (lp: string) => { status: string, objective: number, columns: Record<string, number> }

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
  /** Expected yield of one new unit by days since its start. */
  perUnit: ArrayLike<number>
  /** Days (as index from `from`) on which new units may be started. */
  startDays: readonly number[]
  /** Fewest units to start on a day whose yield meets any need: 1 for «every week without a break». */
  leastPerStart: number
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
  status: string
}

export class PlanError extends Error {
  override name = 'PlanError'
}

/** A missing feeder weighs far more than any cup: the plan first covers, then saves. */
const MISSING_WEIGHT = 1000

const num = (x: number): string => Number(x.toFixed(6)).toString()

/** Whether a unit started on day `s` yields anything on a day of need. */
function meetsNeed(input: PlanInput, s: number): boolean {
  let share = 0
  let needed = 0
  for (let age = 0; s + age < input.need.length && age < input.perUnit.length; age++) {
    if (input.perUnit[age]! > 0) {
      share += input.perUnit[age]!
      if (input.need[s + age]! > 0.5) needed += input.perUnit[age]!
    }
  }
  return share > 0 && needed / share > 0.2
}

/** The mixed-integer programme in LP format. Exported so that it can be shown and checked by another solver. */
export function planAsLp(input: PlanInput): string {
  const days = input.need.length
  const terms: string[] = []
  input.startDays.forEach((s, w) => {
    // of two plans with the same number of units the later start is better: fresher, and less can change before it
    terms.push(`${num(1 + 0.001 * (1 - s / Math.max(1, days)))} x${w}`)
  })
  for (let t = 0; t < days; t++) terms.push(`${MISSING_WEIGHT} m${t}`)
  const rows: string[] = []
  for (let t = 0; t < days; t++) {
    // left over after feeding on day t ≤ kept from yesterday + yields of today + missing − need
    const parts = [`i${t}`]
    if (t > 0) parts.push(`- ${num(input.keptPerDay)} i${t - 1}`)
    input.startDays.forEach((s, w) => {
      const y = input.perUnit[t - s]
      if (t >= s && y !== undefined && y > 1e-6) parts.push(`- ${num(y)} x${w}`)
    })
    parts.push(`- m${t}`)
    const right = input.running[t]! - input.need[t]! + (t === 0 ? input.stock : 0)
    rows.push(`c${t}: ${parts.join(' ')} <= ${num(right)}`)
  }
  const bounds = input.startDays.map((s, w) => `${input.leastPerStart > 0 && meetsNeed(input, s) ? input.leastPerStart : 0} <= x${w} <= 500`)
  const general = input.startDays.map((_, w) => `x${w}`)
  return [
    'Minimize', ` obj: ${terms.join(' + ')}`, 'Subject To', ...rows.map(r => ` ${r}`), 'Bounds', ...bounds.map(b => ` ${b}`),
    ...(general.length ? ['General', ` ${general.join(' ')}`] : []), 'End',
  ].join('\n')
}

/**
 * How many units to start on each start day so that need is covered at least cost: solved exactly as a mixed-integer
 * programme. What no start can still cover is reported as missing, never hidden.
 * @throws PlanError when rows differ in length or the solver finds no optimum
 */
export function planStarts(input: PlanInput, solve: SolveLp): Plan {
  const days = input.need.length
  if (input.running.length !== days) throw new PlanError('Need and running yield must cover the same days.')
  const counts = new Map<number, number>()
  let status = 'Optimal'
  if (input.startDays.length && Array.from(input.need).some(n => n > 0)) {
    const solution = solve(planAsLp(input))
    status = solution.status
    if (status !== 'Optimal') throw new PlanError(`The plan could not be solved (${status}).`)
    input.startDays.forEach((s, w) => counts.set(s, Math.round(solution.columns[`x${w}`] ?? 0)))
  }
  const planned = new Float64Array(days)
  const starts: PlannedStart[] = []
  for (const [s, count] of counts) {
    if (!count) continue
    starts.push({ day: input.from + s, count })
    for (let age = 0; s + age < days && age < input.perUnit.length; age++) planned[s + age]! += count * input.perUnit[age]!
  }
  const { stock, missing } = runStock(input, planned)
  return { starts, planned, stock, missing, units: starts.reduce((n, s) => n + s.count, 0), status }
}

/** Stock and shortfall of each day when all goes as expected. */
export function runStock(input: Pick<PlanInput, 'need' | 'running' | 'stock' | 'keptPerDay'>, planned: ArrayLike<number>): { stock: Float64Array, missing: Float64Array } {
  const days = input.need.length
  const stock = new Float64Array(days)
  const missing = new Float64Array(days)
  let left = input.stock
  for (let t = 0; t < days; t++) {
    const usable = (t === 0 ? left : left * input.keptPerDay) + input.running[t]! + planned[t]!
    stock[t] = usable
    // rounding of the solver is not a shortfall
    missing[t] = Math.max(0, input.need[t]! - usable) < Math.max(0.01, 1e-4 * input.need[t]!) ? 0 : input.need[t]! - usable
    left = Math.max(0, usable - input.need[t]!)
  }
  return { stock, missing }
}
