import { ChanceError } from './chanceError'
import { fromWeights, neverHappens, type Day, type DayDist } from './dayDist'
import { cumulative } from './summary'

/** Moves every day by `days` (whole). */
export function shift(dist: DayDist, days: number): DayDist {
  if (!Number.isInteger(days)) throw new ChanceError(`A shift is a whole number of days, not ${days}.`)
  return { ...dist, start: dist.start + days }
}

/**
 * The day of `date` plus an independent duration `clock`. Either being 'never' makes the sum 'never'.
 * Exact on the day grid; O(n·m).
 */
export function convolve(date: DayDist, clock: DayDist): DayDist {
  const never = 1 - (1 - date.never) * (1 - clock.never)
  if (!date.p.length || !clock.p.length) return neverHappens()
  const sum = new Float64Array(date.p.length + clock.p.length - 1)
  const each = Float64Array.from(clock.p)
  for (let i = 0; i < date.p.length; i++) {
    const pi = date.p[i]!
    for (let j = 0; j < each.length; j++) sum[i + j]! += pi * each[j]!
  }
  return fromWeights(date.start + clock.start, sum, never)
}

/** One of several courses, each with a weight. */
export interface Course {
  weight: number
  dist: DayDist
}

/**
 * The distribution when one of several courses holds, with chances in proportion to their weights.
 * @throws ChanceError without a positive weight
 */
export function mixture(courses: readonly Course[]): DayDist {
  const total = courses.reduce((sum, c) => sum + c.weight, 0)
  if (!(total > 0) || courses.some(c => c.weight < 0))
    throw new ChanceError('A mixture needs weights of 0 or more, with at least one above 0.')
  const dated = courses.filter(c => c.dist.p.length && c.weight > 0)
  if (!dated.length) return neverHappens()
  const start = Math.min(...dated.map(c => c.dist.start))
  const end = Math.max(...dated.map(c => c.dist.start + c.dist.p.length))
  const sum = new Array<number>(end - start).fill(0)
  for (const { weight, dist } of dated) {
    for (let i = 0; i < dist.p.length; i++) sum[dist.start - start + i]! += (weight / total) * dist.p[i]!
  }
  const never = courses.reduce((acc, c) => acc + (c.weight / total) * c.dist.never, 0)
  return fromWeights(start, sum, Math.min(1, never))
}

/**
 * The day on which the last of several independent things has happened: the product of their cumulative chances.
 * Never, when one of them never comes.
 * @param dists at least one
 */
export function lastOf(dists: readonly DayDist[]): DayDist {
  if (dists.length === 1) return dists[0]!
  if (dists.some(d => !d.p.length)) return { start: 0, p: [], never: 1 }
  const start = Math.max(...dists.map(d => d.start))
  const end = Math.max(...dists.map(d => d.start + d.p.length - 1))
  const weights: number[] = []
  let before = 0
  for (let day = start; day <= end; day++) {
    const all = dists.reduce((product, d) => product * cumulative(d, day), 1)
    weights.push(Math.max(0, all - before))
    before = all
  }
  return fromWeights(start, weights, Math.min(1, Math.max(0, 1 - before)))
}

/**
 * A distribution read off its cumulative chances: `by(day)` for each day from `from`, made non-decreasing; what is
 * missing at the end is 'never'.
 */
export function fromCumulative(from: Day, days: number, by: (day: Day) => number): DayDist {
  const weights: number[] = []
  let before = 0
  for (let i = 0; i < days; i++) {
    const now = Math.max(before, Math.min(1, by(from + i)))
    weights.push(now - before)
    before = now
  }
  return before > 1e-9 ? fromWeights(from, weights, 1 - before) : { start: 0, p: [], never: 1 }
}
