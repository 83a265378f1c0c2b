import { Z80 } from '../chance'

/** Two-sided 80 % points of Student's t by degrees of freedom. Source: Fisher & Yates 1963, Statistical Tables, table III. */
const T80 = [3.078, 1.886, 1.638, 1.533, 1.476, 1.44, 1.415, 1.397, 1.383, 1.372, 1.363, 1.356, 1.35, 1.345, 1.341]

export interface SampledCount {
  estimate: number
  /** 80 % range; never under what was seen. */
  low: number
  high: number
}

/**
 * How many lie on an area, by the counts of some squares of it: simple random sampling with the finite population
 * correction. Squares that differ less than chance alone would make them are taken to differ by chance (Poisson).
 * Source: Cochran 1977, Sampling Techniques, chapter 2.
 * @param counts of at least two squares, each 0 or more
 * @param squareCm2 area of one square, cm²
 * @param wholeCm2 area that all lie on, cm²; at least that of the squares
 * @throws RangeError for fewer squares, or areas that cannot be
 */
export function countBySquares(counts: readonly number[], squareCm2: number, wholeCm2: number): SampledCount {
  const k = counts.length
  if (k < 2) throw new RangeError('Count two squares at least: one says nothing of how they differ.')
  if (!(squareCm2 > 0)) throw new RangeError('A square has a size.')
  if (!(wholeCm2 >= k * squareCm2))
    throw new RangeError('The whole area is smaller than the squares that were counted.')
  const seen = counts.reduce((a, b) => a + b, 0)
  const mean = seen / k
  const squares = wholeCm2 / squareCm2
  const variance = Math.max(mean, counts.reduce((sum, c) => sum + (c - mean) ** 2, 0) / (k - 1))
  const error = squares * Math.sqrt((variance / k) * (1 - k / squares))
  const half = (T80[k - 2] ?? Z80) * error
  const estimate = squares * mean
  return {
    estimate: Math.round(estimate),
    low: Math.max(seen, Math.round(estimate - half)),
    high: Math.max(seen, Math.round(estimate + half)),
  }
}
