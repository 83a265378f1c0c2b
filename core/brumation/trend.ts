import { fromCumulative, type Day, type DayDist, normalCdf } from '../chance'

/**
 * A straight line through weighings, robust against one bad one. `y` is the share of the starting weight that is lost.
 */
export interface LossTrend {
  /** Share lost per day. */
  slope: number
  /** Level of the line on `day`. */
  at: (day: Day) => number
  /** Standard deviation of the line's level on `day`, growing away from the weighings. */
  sd: (day: Day) => number
  points: number
}

export interface TrendPoint {
  day: Day
  lost: number
}

/** The middle of some numbers, of an even count the mean of the two in the middle; NaN of none. */
export function median(values: readonly number[]): number {
  const sorted = Float64Array.from(values).sort()
  const mid = sorted.length >> 1
  return sorted.length % 2 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2
}

/**
 * Slope and level of Theil and Sen: the median of the slopes of all pairs, and the median of what is left.
 * Sources: Theil 1950, Proc. K. Ned. Akad. Wet. 53; Sen 1968, J. Am. Stat. Assoc. 63:1379–1389. O(n²).
 * @param points at least two different days
 * @returns null when all points lie on one day
 */
export function theilSen(points: readonly { x: number; y: number }[]): { slope: number; intercept: number } | null {
  const slopes: number[] = []
  for (let i = 0; i < points.length; i++) {
    for (let j = i + 1; j < points.length; j++) {
      const run = points[j]!.x - points[i]!.x
      if (run !== 0) slopes.push((points[j]!.y - points[i]!.y) / run)
    }
  }
  if (!slopes.length) return null
  const slope = median(slopes)
  return { slope, intercept: median(points.map(p => p.y - slope * p.x)) }
}

/**
 * The trend of loss. Its spread comes from the noise of one weighing, not from the scatter of these few, so that two
 * weighings already give an honest band and a further loss can never make the judgement milder.
 * @param points weighings in the cold with the start, oldest first
 * @param noise standard deviation of one weighing, share of the weight (above 0)
 * @param expectedPerDay loss per day that is usual; the trend when there is one weighing only
 * @param wanders how far the loss per day ahead may differ from that so far, as a share of it
 */
export function lossTrend(
  points: readonly TrendPoint[],
  noise: number,
  expectedPerDay: number,
  wanders: number,
): LossTrend {
  const last = points.at(-1)!
  const fit = theilSen(points.map(p => ({ x: p.day - last.day, y: p.lost })))
  const slope = fit?.slope ?? expectedPerDay
  const level = fit?.intercept ?? last.lost
  const n = points.length
  const meanDay = points.reduce((s, p) => s + p.day, 0) / n
  const spread = points.reduce((s, p) => s + (p.day - meanDay) ** 2, 0)
  // a slope that was never measured may be twice the usual one, or nothing
  const slopeVar = spread > 0 ? noise ** 2 / spread : (expectedPerDay / 1.28) ** 2
  const wander = wanders * Math.max(slope, expectedPerDay)
  return {
    slope,
    at: day => level + slope * (day - last.day),
    sd: day => {
      const ahead = Math.max(0, day - last.day)
      return Math.sqrt(noise ** 2 / n + slopeVar * (day - meanDay) ** 2 + (wander * ahead) ** 2)
    },
    points: n,
  }
}

/** Days looked ahead for a limit to be crossed. */
const AHEAD_DAYS = 240

/** On which day, from `from` on, the loss crosses a limit: the chance that the line lies above it by then. */
export function crossing(trend: LossTrend, limit: number, from: Day): DayDist {
  return fromCumulative(from, AHEAD_DAYS, day => normalCdf((trend.at(day) - limit) / trend.sd(day)))
}
