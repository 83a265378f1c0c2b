import { derived } from '../derived'
import { ChanceError } from './chanceError'
import type { Day, DayDist } from './dayDist'

/** Chance (0..1) that it happens on or before `day`; 'never' counts against it. */
export function cumulative(dist: DayDist, day: Day): number {
  let sum = 0
  const last = Math.min(dist.p.length - 1, day - dist.start)
  for (let i = 0; i <= last; i++) sum += dist.p[i]!
  return Math.min(sum, 1)
}

function sumsOf({ p }: DayDist): Float64Array {
  const sums = new Float64Array(p.length)
  let sum = 0
  for (let i = 0; i < p.length; i++) sums[i] = sum += p[i]!
  return sums
}

/** The first place in rising sums at which a test holds that holds at all places after it; their number where none. */
function firstWhere(sums: Float64Array, holds: (sum: number) => boolean): number {
  let [low, high] = [0, sums.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (holds(sums[middle]!)) high = middle
    else low = middle + 1
  }
  return low
}

/** The same for many days of one distribution: its sums are made once. */
export function cumulativeOf(dist: DayDist): (day: Day) => number {
  const sums = sumsOf(dist)
  return day => (day < dist.start || !sums.length ? 0 : Math.min(1, sums[Math.min(sums.length - 1, day - dist.start)]!))
}

/** Chance of exactly this day. */
export function massOn(dist: DayDist, day: Day): number {
  return dist.p[day - dist.start] ?? 0
}

/**
 * The first day by which a share `q` (0..1) of the *happening* part is reached; null when it never happens.
 * 'Never' is told apart on purpose: a date and 'perhaps not at all' are two statements.
 */
export function quantile(dist: DayDist, q: number): Day | null {
  if (!(q >= 0 && q <= 1)) throw new ChanceError(`A quantile lies between 0 and 1, not ${q}.`)
  if (!dist.p.length) return null
  const goal = q * (1 - dist.never) - 1e-12
  let sum = 0
  for (let i = 0; i < dist.p.length; i++) {
    sum += dist.p[i]!
    if (sum >= goal && sum > 0) return dist.start + i
  }
  return dist.start + dist.p.length - 1
}

/** The same for many shares of one distribution: its sums are made once. */
export function quantilesOf(dist: DayDist): (q: number) => Day | null {
  const sums = sumsOf(dist)
  return q => {
    if (!(q >= 0 && q <= 1)) throw new ChanceError(`A quantile lies between 0 and 1, not ${q}.`)
    if (!sums.length) return null
    const goal = q * (1 - dist.never) - 1e-12
    return (
      dist.start +
      Math.min(
        sums.length - 1,
        firstWhere(sums, sum => sum >= goal && sum > 0),
      )
    )
  }
}

/** Mean day of the happening part; null when it never happens. */
export function mean(dist: DayDist): number | null {
  if (!dist.p.length) return null
  let sum = 0
  for (let i = 0; i < dist.p.length; i++) sum += (dist.start + i) * dist.p[i]!
  return sum / (1 - dist.never)
}

/** Variance (days²) of the happening part; 0 when it never happens. */
export function variance(dist: DayDist): number {
  const middle = mean(dist)
  if (middle === null) return 0
  let sum = 0
  for (let i = 0; i < dist.p.length; i++) sum += (dist.start + i - middle) ** 2 * dist.p[i]!
  return sum / (1 - dist.never)
}

/** Middle and central 80 % range of the happening part, as every forecast is written: `12 Jun (8–17)`. */
export interface DaySummary {
  median: Day
  low: Day
  high: Day
  never: number
}

/** @returns null when it never happens */
export const summarise = derived((dist: DayDist): DaySummary | null => {
  const median = quantile(dist, 0.5)
  if (median === null) return null
  return { median, low: quantile(dist, 0.1)!, high: quantile(dist, 0.9)!, never: dist.never }
})

/**
 * One day drawn from the distribution.
 * @param u a uniform random number in [0, 1); passed in, so that the same number gives the same day
 * @returns null for 'never'
 */
export function sample(dist: DayDist, u: number): Day | null {
  let sum = 0
  for (let i = 0; i < dist.p.length; i++) {
    sum += dist.p[i]!
    if (u < sum) return dist.start + i
  }
  return dist.never > 0 || !dist.p.length ? null : dist.start + dist.p.length - 1
}

/** The same for many draws from one distribution: its sums are made once. */
export function samplesOf(dist: DayDist): (u: number) => Day | null {
  const sums = sumsOf(dist)
  return u => {
    const at = firstWhere(sums, sum => u < sum)
    if (at < sums.length) return dist.start + at
    return dist.never > 0 || !sums.length ? null : dist.start + sums.length - 1
  }
}
