import { AlmanacError, withNumbers, type Override } from './ownNumbers'
import { numbersProblem } from './rowProblem'
import type { Almanac } from './schema'

/**
 * The almanac with the keeper's numbers, each marked `own`, and checked.
 * @throws AlmanacError when a path names no number of the almanac, or the result would contradict itself (earliest after latest, …)
 */
export function withOverrides(almanac: Almanac, overrides: readonly Override[]): Almanac {
  if (!overrides.length) return almanac
  const changed = withNumbers(almanac, overrides)
  const problem = numbersProblem(
    changed,
    overrides.map(o => o.path),
  )
  if (problem) throw new AlmanacError(problem.message)
  return changed
}
