import { Z80 } from '../chance'

/**
 * When an exponential fading reaches a value: a straight line through the logarithms of the readings by least squares,
 * with the spread of its crossing. Null with fewer than three readings, or where it does not fall.
 * @param readings over 0, by day, oldest first
 * @param low value under which the lamp is no longer enough, over 0
 * @param meterNoise share of the value by which a meter is usually out
 * @param meterCounts what is usual counts as so many readings
 * @returns days from the last reading: middle and the 80 % range
 */
export function fadesTo(
  readings: readonly { day: number; uvIndex: number }[],
  low: number,
  meterNoise: number,
  meterCounts: number,
): { low: number; mid: number; high: number } | null {
  const points = readings.filter(r => r.uvIndex > 0).map(r => ({ x: r.day, y: Math.log(r.uvIndex) }))
  const n = points.length
  if (n < 3 || !(low > 0)) return null
  const meanX = points.reduce((s, p) => s + p.x, 0) / n
  const meanY = points.reduce((s, p) => s + p.y, 0) / n
  const xx = points.reduce((s, p) => s + (p.x - meanX) ** 2, 0)
  const xy = points.reduce((s, p) => s + (p.x - meanX) * (p.y - meanY), 0)
  const slope = xx > 0 ? xy / xx : 0
  if (!(slope < 0)) return null
  const squares = points.reduce((s, p) => s + (p.y - meanY - slope * (p.x - meanX)) ** 2, 0)
  // few readings say little of how far a meter is out: what is usual counts as so many more
  const noise = (squares + meterCounts * meterNoise ** 2) / (n - 2 + meterCounts)
  const last = points.at(-1)!.x
  // the day on which the line crosses, and how far the line may lie to either side there
  const crosses = meanX + (Math.log(low) - meanY) / slope
  const spread = (Z80 * Math.sqrt(noise * (1 / n + (crosses - meanX) ** 2 / xx))) / -slope
  const from = (day: number) => Math.max(0, day - last)
  return { mid: from(crosses), low: from(crosses - spread), high: from(crosses + spread) }
}
