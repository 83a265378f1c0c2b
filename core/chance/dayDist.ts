import { ChanceError } from './chanceError'

/** A calendar day as a whole number of days since 1970-01-01 (see units/calendar). Durations use the same grid. */
export type Day = number

/**
 * The chance of each day for something that happens once, or never.
 * `p[i]` is the chance of day `start + i`; `never` is the chance that it does not happen at all.
 * The masses and `never` add up to 1. A duration in days is the same type, counted from day 0.
 */
export interface DayDist {
  readonly start: Day
  readonly p: readonly number[]
  readonly never: number
}

/** Ends of a distribution below this share of it are cut: no count of animals or feeders can tell them. */
const NEGLIGIBLE = 1e-9

/**
 * Builds a distribution from raw weights: negligible ends are cut off and the rest is scaled so that all adds to `1 -
 * never`.
 * @param start day of the first weight
 * @param weights not negative; at least one above 0 unless `never` is 1
 * @param never chance of 'never', 0..1
 * @throws ChanceError for negative or non-finite weights, or when nothing is left to scale
 */
export function fromWeights(start: Day, weights: ArrayLike<number>, never = 0): DayDist {
  if (!(never >= 0 && never <= 1)) throw new ChanceError(`The chance of never must lie between 0 and 1, not ${never}.`)
  let total = 0
  for (let i = 0; i < weights.length; i++) {
    const w = weights[i]!
    if (!(w >= 0) || !Number.isFinite(w)) throw new ChanceError(`A weight must be a number of 0 or more, not ${w}.`)
    total += w
  }
  if (total <= 0) {
    if (never >= 1 - NEGLIGIBLE) return { start, p: [], never: 1 }
    throw new ChanceError('A distribution needs at least one day with a chance above 0.')
  }
  if (never >= 1) return { start, p: [], never: 1 }
  const cut = total * NEGLIGIBLE
  let from = 0
  let to = weights.length
  while (weights[from]! <= cut) from++
  while (weights[to - 1]! <= cut) to--
  let keptTotal = 0
  for (let i = from; i < to; i++) keptTotal += weights[i]!
  const scale = (1 - never) / keptTotal
  const p = new Array<number>(to - from)
  for (let i = from; i < to; i++) p[i - from] = weights[i]! * scale
  return { start: start + from, p, never }
}

/** All mass on one day: something observed, or planned to the day. */
export function certain(day: Day): DayDist {
  return { start: day, p: [1], never: 0 }
}

/** It will not happen. */
export function neverHappens(): DayDist {
  return { start: 0, p: [], never: 1 }
}

/** The same distribution with a chance `never` (0..1) that it does not come at all, on top of what it had. */
export function withNever(dist: DayDist, never: number): DayDist {
  return fromWeights(dist.start, dist.p, 1 - (1 - dist.never) * (1 - never))
}
