import { ChanceError } from './chanceError'
import { certain, fromWeights, type DayDist } from './dayDist'

/** How a keeper says a clock: never before, most often, never after (days). */
export interface ThreePoint {
  earliest: number
  likely: number
  latest: number
}

/** A span of more whole days than this is a slip, and would fill the memory. */
const MOST_SPAN = 50_000

function checkThreePoint({ earliest, likely, latest }: ThreePoint): void {
  if (![earliest, likely, latest].every(Number.isFinite))
    throw new ChanceError('Earliest, likely and latest must be numbers.')
  if (earliest > likely || likely > latest) {
    throw new ChanceError(`Earliest, likely, latest must be in order: ${earliest}, ${likely}, ${latest} is not.`)
  }
  if (latest - earliest > MOST_SPAN) throw new ChanceError(`From ${earliest} to ${latest} is no span of days.`)
}

/** Mass of each whole day from a density on [earliest − ½, latest + ½], by the midpoint rule on a fine grid. */
function onDayGrid(points: ThreePoint, density: (x: number, low: number, high: number) => number): DayDist {
  const low = points.earliest - 0.5
  const high = points.latest + 0.5
  const first = Math.round(points.earliest)
  const last = Math.max(first, Math.round(points.latest))
  const stepsPerDay = 16
  const weights = Array.from({ length: last - first + 1 }, (_, i) => {
    let sum = 0
    for (let s = 0; s < stepsPerDay; s++) {
      const x = first + i - 0.5 + (s + 0.5) / stepsPerDay
      if (x > low && x < high) sum += density(x, low, high)
    }
    return sum
  })
  return fromWeights(first, weights)
}

/**
 * The PERT (scaled beta) distribution on whole days, λ = 4.
 * Mean ≈ (earliest + 4·likely + latest) / 6.
 * Source: Malcolm, Roseboom, Clark & Fazar 1959, Operations Research 7:646–669.
 * @param points earliest ≤ likely ≤ latest, days
 * @throws ChanceError when the three are not in order
 */
export function pert(points: ThreePoint): DayDist {
  checkThreePoint(points)
  if (points.earliest === points.latest) return certain(Math.round(points.likely))
  // fitted to the span of whole days, half a day wider at each end, so that widening moves neither middle nor mean
  const { low, high } = { low: points.earliest - 0.5, high: points.latest + 0.5 }
  const a = 1 + (4 * (points.likely - low)) / (high - low)
  const b = 1 + (4 * (high - points.likely)) / (high - low)
  return onDayGrid(points, x => Math.exp((a - 1) * Math.log(x - low) + (b - 1) * Math.log(high - x)))
}

/**
 * The triangular distribution on whole days; mean ≈ (earliest + likely + latest) / 3.
 * @param points earliest ≤ likely ≤ latest, days
 * @throws ChanceError when the three are not in order
 */
export function triangular(points: ThreePoint): DayDist {
  checkThreePoint(points)
  if (points.earliest === points.latest) return certain(Math.round(points.likely))
  const { likely } = points
  return onDayGrid(points, (x, low, high) => (x < likely ? (x - low) / (likely - low) : (high - x) / (high - likely)))
}
