import type { DayDist } from './dayDist'

/** Steps in which a drawn curve is told: fine enough for a day's chance of 0.001 %. */
const STEPS = 100_000

/**
 * The distribution as it is drawn: its curve in steps of 1/100,000 and without ends that nobody would see. The sums are
 * rounded and not the days, so that every sum over it, and with that its middle and its range, stays where it was.
 */
export function drawn({ start, p, never }: DayDist): DayDist {
  const steps: number[] = []
  let sum = 0
  let told = 0
  for (const mass of p) {
    sum += mass
    const until = Math.round(sum * STEPS)
    steps.push(until - told)
    told = until
  }
  const first = steps.findIndex(s => s > 0)
  if (first < 0) return { start, p: [], never }
  const last = steps.findLastIndex(s => s > 0)
  return {
    start: start + first,
    p: steps.slice(first, last + 1).map(s => s / STEPS),
    never: Number(never.toPrecision(6)),
  }
}
