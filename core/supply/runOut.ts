import type { Day } from '../chance'
import { Fates, playThrough, type Coming, type Hungry } from './joint'

export interface RunOutInput extends Coming {
  from: Day
  days: number
  scenarios: number
  /** Scenario-major need: index = scenario · days + day. */
  need: Float64Array
  stock: number
  keptPerDay: number
  /** First day (index) that counts; earlier gaps cannot be mended any more and are told apart. */
  countFrom: number
  seed: number
  /** A day counts as hungry when more than this share of its need is missing. */
  hungryShare: number
}

/**
 * Plays the plan of one feeder through by itself: need, delays, failures and yields drawn anew in each scenario, with a
 * fixed seed.
 */
export function simulateRunOut(input: RunOutInput): Hungry {
  const { from, days, stock, keptPerDay, countFrom, hungryShare } = input
  return playThrough({
    days,
    width: days,
    hungryShare,
    scenarios: Array.from({ length: input.scenarios }, (_, s) => s),
    need: () => input.need,
    eaters: [{ prey: '', share: new Float64Array(days).fill(1), standIns: [] }],
    feeders: [{ id: '', stock, keptPerDay, countFrom, days, fates: new Fates(from, days, input, input.seed) }],
  })
}
