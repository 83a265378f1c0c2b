import { fromWeights, neverHappens, type Day, type DayDist } from './dayDist'

/**
 * What remains once we know that nothing happened before `day`: earlier mass is dropped, the rest (with 'never') scaled
 * up. When no day is left the answer is 'never': the clock has been outrun.
 */
export function conditionFrom(dist: DayDist, day: Day): DayDist {
  if (dist.start >= day) return dist
  const kept = dist.p.slice(Math.max(0, day - dist.start))
  const mass = kept.reduce((a, b) => a + b, 0)
  if (mass <= 0) return neverHappens()
  return fromWeights(day, kept, dist.never / (mass + dist.never))
}

/**
 * What remains when nothing was written by `day` of something that may have happened unwritten: earlier mass counts by
 * that chance, the rest and 'never' in full. Silence is weak evidence, not a wall: with 0 it is `conditionFrom`, with 1
 * it says nothing.
 * @param unwritten chance (0..1) that it happened and was not written
 */
export function conditionUnwritten(dist: DayDist, day: Day, unwritten: number): DayDist {
  if (unwritten <= 0) return conditionFrom(dist, day)
  if (dist.start >= day) return dist
  return weighedBy(dist, d => (d < day ? unwritten : 1))
}

/**
 * A distribution given something seen (or not seen) that is so likely on each day; 'never' keeps its weight.
 * @param likelihood of what was seen if it happens on that day, 0..1
 */
export function weighedBy(dist: DayDist, likelihood: (day: Day) => number): DayDist {
  const weights = new Float64Array(dist.p.length)
  let mass = 0
  for (let i = 0; i < weights.length; i++) mass += weights[i] = dist.p[i]! * likelihood(dist.start + i)
  if (mass <= 0) return neverHappens()
  return fromWeights(dist.start, weights, dist.never / (mass + dist.never))
}

/**
 * What remains once we know that it happened on or after `from` and on or before `to`; null when the two contradict.
 */
export function conditionBetween(dist: DayDist, from: Day, to: Day): DayDist | null {
  const first = Math.max(from, dist.start)
  const kept = dist.p.slice(first - dist.start, Math.max(0, to - dist.start + 1))
  return kept.some(p => p > 0) ? fromWeights(first, kept) : null
}

/**
 * A clock with a late tail: a share of the mass decays geometrically after the latest day, so that an event
 * that outruns its clock stays expected, ever less sure, instead of vanishing the day after.
 * @param share mass moved to the tail, 0..1
 * @param halfLifeDays days in which the tail loses half its mass
 */
export function withLateTail(dist: DayDist, share: number, halfLifeDays: number): DayDist {
  if (!dist.p.length || share <= 0) return dist
  const length = Math.ceil(halfLifeDays * 7)
  const decay = 0.5 ** (1 / halfLifeDays)
  const tail = Array.from({ length }, (_, i) => decay ** i)
  const tailTotal = tail.reduce((a, b) => a + b, 0)
  const happening = 1 - dist.never
  const weights = [...dist.p.map(p => p * (1 - share)), ...tail.map(t => (t / tailTotal) * share * happening)]
  return fromWeights(dist.start, weights, dist.never)
}
