import { certain, conditionFrom, cumulative, pert, shift, withLateTail, type Day, type DayDist } from '../chance'

export interface Followers {
  /** When an egg that still comes does. */
  dist: DayDist
  /** Chance of one egg that it still comes. */
  each: number
}

/** How eggs follow the first of their clutch: most and nearly all within so many days, and a share later still. */
export interface Following {
  mostly: number
  nearlyAll: number
  late: number
}

/**
 * The eggs that are whole after the first of their clutch came out. One that still comes does so within some days of
 * the first; the longer it does not, the less likely it lives (Bayes).
 * @param first day on which the first came out
 * @param hatches chance of an egg before the first came out, 0..1
 * @param lookedAt last day on which somebody looked and saw no further one
 */
export function followers(
  first: Day,
  { mostly, nearlyAll, late }: Following,
  hatches: number,
  lookedAt: Day,
  today: Day,
): Followers {
  const clock = pert({ earliest: 0, likely: Math.min(mostly, nearlyAll), latest: nearlyAll })
  const whole = shift(withLateTail(clock, late, nearlyAll / 3), first)
  const still = 1 - cumulative(whole, Math.min(lookedAt, today))
  const ahead = still > 1e-6 ? conditionFrom(whole, Math.max(lookedAt + 1, today)) : null
  return {
    dist: ahead?.p.length ? ahead : certain(today),
    each: (hatches * still) / (hatches * still + 1 - hatches),
  }
}
