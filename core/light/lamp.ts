import type { LampSource } from '../subjects'
import { fadesTo } from './fade'

export const givesUv = (kind: LampSource): boolean => kind === 'tube' || kind === 'compact' || kind === 'vapour'

/**
 * How light spreads: a tube is long beside its distance, all others are points. The UV index at another distance from one that was measured. A point source falls with the square of the distance; a
 * tube nearer than its length about in line with it (common model, from memory: the meter decides).
 * @param uvIndex measured at `fromCm`
 * @param fromCm distance of the measurement, over 0
 * @param toCm distance asked for, over 0
 * @throws RangeError for a distance that is not over 0
 */
export function uvAt(kind: LampSource, uvIndex: number, fromCm: number, toCm: number): number {
  if (!(fromCm > 0 && toCm > 0)) throw new RangeError('A distance must be over 0')
  const share = fromCm / toCm
  return uvIndex * (kind === 'tube' ? share : share ** 2)
}

/** The distance at which a UV index is met, by the same model. */
export function distanceFor(kind: LampSource, uvIndex: number, fromCm: number, wanted: number): number {
  if (!(fromCm > 0 && wanted > 0)) throw new RangeError('A distance and a UV index must be over 0')
  const times = uvIndex / wanted
  return fromCm * (kind === 'tube' ? times : Math.sqrt(times))
}

export type LampAction = 'fine' | 'raise' | 'filter' | 'lower' | 'replace' | 'unknown'

export interface LampVerdict {
  action: LampAction
  uvIndex: number | null
  /** Where it would be right, cm, by the model of its kind. */
  distanceCm: number | null
  /** Days from the last reading until the spot is under the band, if it goes on fading; null where that is not known. */
  fadesIn: { low: number; mid: number; high: number } | null
}

/** How near a lamp may hang, from where on it is screened instead, and how far a meter is out. */
export interface LampLimits {
  /** cm */
  nearest: number
  /** cm */
  furthest: number
  /** Share of the value. */
  meterNoise: number
  /** What is usual for a meter counts as so many readings. */
  meterCounts: number
}

/**
 * What to do with a lamp, by the meter.
 * @param readings UV index at the spot, oldest first, by day, since the lamp was fitted
 * @param band UV index that is right there
 * @param distanceCm lamp to spot; null where it is not known
 * @param limits of how it may hang
 */
export function judgeLamp(
  kind: LampSource,
  readings: readonly { day: number; uvIndex: number }[],
  band: { low: number; high: number },
  distanceCm: number | null,
  limits: LampLimits,
): LampVerdict {
  const last = readings.at(-1)
  if (!last) return { action: 'unknown', uvIndex: null, distanceCm: null, fadesIn: null }
  const { uvIndex } = last
  const wanted = (band.low + band.high) / 2
  const right = distanceCm !== null && uvIndex > 0 ? distanceFor(kind, uvIndex, distanceCm, wanted) : null
  const base = { uvIndex, distanceCm: right }
  if (uvIndex > band.high)
    return { ...base, action: right !== null && right > limits.furthest ? 'filter' : 'raise', fadesIn: null }
  if (uvIndex < band.low)
    return { ...base, action: right !== null && right >= limits.nearest ? 'lower' : 'replace', fadesIn: null }
  return { ...base, action: 'fine', fadesIn: fadesTo(readings, band.low, limits.meterNoise, limits.meterCounts) }
}
