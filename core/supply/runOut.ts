import { sample, seededRandom, type Day, type DayDist } from '../chance'
import { failureChance, timeToProducing, yieldCurve, type PlannedSupply } from './yields'
import type { PlannedStart } from './plan'

export interface RunOutInput {
  from: Day
  days: number
  scenarios: number
  /** Scenario-major need: index = scenario · days + day. */
  need: Float64Array
  supply: PlannedSupply
  stock: number
  keptPerDay: number
  /**
   * Running cultures: when they begin to yield, and the chance that they do. Each yields as it was started, which may
   * be another way than that of the plan.
   */
  running: readonly { producing: DayDist; alive: number; supply: PlannedSupply }[]
  starts: readonly PlannedStart[]
  tempC: number | null
  factor: number
  /** How far yields of cultures differ from the usual, as a share. */
  luck: number
  /** Yield fixed to days: deliveries on order. */
  fixed: ArrayLike<number>
  /** First day (index) that counts; earlier gaps cannot be mended any more and are told apart. */
  countFrom: number
  seed: number
}

export interface RunOut {
  /** Chance (0..1) of at least one day with a feeder missing. */
  chance: number
  /** Chance of a gap on each day. */
  byDay: Float64Array
}

/** A day counts as short when more than this share of its need is missing: a few flies fewer is not a hungry day. */
const TOLERANCE = 0.05
/** Of more units on one day so many fates are drawn, each for several: the luck of hundreds evens out anyway. */
const MOST_FATES = 64

/**
 * Plays the plan through: need, delays, failures and yields drawn anew in each scenario, with a fixed seed.
 * O(scenarios · (cultures + days)), at most 64 fates a start day.
 */
export function simulateRunOut(input: RunOutInput): RunOut {
  const { days, scenarios, supply } = input
  const random = seededRandom(input.seed)
  const curves = new Map<PlannedSupply, Float64Array>()
  const curveOf = (way: PlannedSupply) => {
    const curve = curves.get(way) ?? yieldCurve(way, days + 400, input.factor)
    curves.set(way, curve)
    return curve
  }
  const wait = timeToProducing(supply, input.tempC)
  const failure = failureChance(supply)
  const byDay = new Float64Array(days)
  let shortRuns = 0
  const yields = new Float64Array(days)

  const addCulture = (way: PlannedSupply, producingOn: Day | null, units = 1) => {
    if (producingOn === null) return
    const curve = curveOf(way)
    // triangular around 1, so that no cup yields less than nothing
    const luck = way.kind !== 'bought' ? Math.max(0, 1 + input.luck * (random() + random() - 1) * 2.4) : 1
    for (let d = Math.max(0, producingOn - input.from); d < days; d++) {
      // a colony goes on however old it is; a batch ends
      const y = curve[input.from + d - producingOn] ?? (way.kind === 'colony' ? curve[0]! : 0)
      if (y === 0 && input.from + d > producingOn) break
      yields[d]! += units * y * luck
    }
  }

  for (let s = 0; s < scenarios; s++) {
    for (let d = 0; d < days; d++) yields[d] = input.fixed[d] ?? 0
    for (const culture of input.running) {
      const fails = random() >= culture.alive
      const on = sample(culture.producing, random())
      if (!fails) addCulture(culture.supply, on)
    }
    for (const start of input.starts) {
      const fates = Math.min(start.count, MOST_FATES)
      for (let i = 0; i < fates; i++) {
        const fails = random() < failure
        const on = sample(wait, random())
        if (!fails && on !== null) addCulture(supply, start.day + on, start.count / fates)
      }
    }
    let left = input.stock
    let short = false
    for (let d = 0; d < days; d++) {
      const need = input.need[s * days + d]!
      const usable = (d === 0 ? left : left * input.keptPerDay) + yields[d]!
      if (d >= input.countFrom && need > 0 && usable < need * (1 - TOLERANCE)) {
        short = true
        byDay[d]! += 1 / scenarios
      }
      left = Math.max(0, usable - need)
    }
    if (short) shortRuns++
  }
  return { chance: shortRuns / scenarios, byDay }
}
