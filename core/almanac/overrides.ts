import { AlmanacError, type Override } from './ownNumbers'
import { withOwn, type MadeAlmanac, type OwnKnowledge, type Shipped } from './ownRows'
import { numbersProblem } from './rowProblem'
import type { Almanac } from './schema'

/**
 * The almanac with what a house says of it, its numbers checked wherever they reach.
 * @throws AlmanacError when a path names no number of the almanac, or the result would contradict itself (earliest
 *   after latest, …)
 */
export function withCheckedOwn(shipped: Shipped, own: OwnKnowledge): MadeAlmanac {
  const made = withOwn(shipped, own)
  if (!own.numbers.length) return made
  const problem = numbersProblem(
    made.almanac,
    own.numbers.map(n => n.path),
    { species: [...shipped.rows, ...own.species], feeders: own.feeders },
  )
  if (problem) throw new AlmanacError(problem.message)
  return made
}

/**
 * An almanac with the keeper's numbers, each marked `own`, and checked; no row follows another.
 * @throws AlmanacError as `withCheckedOwn`
 */
export const withOverrides = (almanac: Almanac, numbers: readonly Override[]): Almanac =>
  withCheckedOwn({ base: almanac, rows: [] }, { species: [], feeders: [], numbers }).almanac
