import { sample, seededRandom, type Day, type DayDist } from '../../chance'
import type { PlannedStart } from '../plan'
import { failureChance, timeToProducing, yieldCurve, type PlannedSupply } from '../yields'

/** What decides how much of one feeder comes, and when. */
export interface Coming {
  supply: PlannedSupply
  /**
   * Running cultures: when they begin to yield, and the chance that they do. Each yields as it was started, which may
   * be another way than that of the plan.
   */
  running: readonly { producing: DayDist; alive: number; supply: PlannedSupply }[]
  starts: readonly PlannedStart[]
  /** Days by which what is started on a day comes later than usual. */
  comesLater?: (day: Day) => number
  tempC: number | null
  /** The house's own yield against the almanac's. */
  factor: number
  /** How far yields of cultures differ from the usual, as a share. */
  luck: number
  /** Orders: when they come, if they do. */
  orders?: readonly { comes: DayDist; count: number }[]
}

/** Of more units on one day so many fates are drawn, each for several: the luck of hundreds evens out anyway. */
const MOST_FATES = 64

/** One stream of random numbers for each unit, so that it keeps its fate whatever else is started. */
const streamOf = (...parts: number[]) =>
  seededRandom(parts.reduce((hash, part) => Math.imul(hash ^ part, 0x01000193) ^ (hash >>> 13), 0x811c9dc5))

/** Draws what comes of one feeder: delays, failures and yields anew in each scenario. */
export class Fates {
  private readonly curves = new Map<PlannedSupply, { curve: Float64Array; end: number }>()
  private readonly wait: DayDist
  private readonly failure: number

  constructor(
    private readonly from: Day,
    private readonly days: number,
    private readonly coming: Coming,
    private readonly seed: number,
  ) {
    this.wait = timeToProducing(coming.supply, coming.tempC)
    this.failure = failureChance(coming.supply)
  }

  /** Pieces that come on each day of a scenario. */
  draw(scenario: number): Float64Array {
    const { running, starts, orders, supply, comesLater } = this.coming
    const yields = new Float64Array(this.days)
    orders?.forEach(({ comes, count }, i) => {
      const on = sample(comes, streamOf(this.seed, scenario, -2, i)())
      if (on !== null && on - this.from < this.days) yields[Math.max(0, on - this.from)]! += count
    })
    running.forEach((culture, i) => {
      const random = streamOf(this.seed, scenario, -1, i)
      const fails = random() >= culture.alive
      const on = sample(culture.producing, random())
      if (!fails) this.add(yields, culture.supply, on, 1, random() + random() - 1)
    })
    for (const start of starts) {
      const fates = Math.min(start.count, MOST_FATES)
      const from = start.day + (comesLater?.(start.day) ?? 0)
      for (let i = 0; i < fates; i++) {
        const random = streamOf(this.seed, scenario, start.day - this.from, i)
        const fails = random() < this.failure
        const on = sample(this.wait, random())
        if (!fails && on !== null) this.add(yields, supply, from + on, start.count / fates, random() + random() - 1)
      }
    }
    return yields
  }

  /** What a culture gives by day since it began, and the days after which it gives nothing more. */
  private curveOf(way: PlannedSupply): { curve: Float64Array; end: number } {
    let known = this.curves.get(way)
    if (!known) {
      const curve = yieldCurve(way, this.days + 400, this.coming.factor)
      // a colony goes on however old it is; a batch ends
      const end = way.kind === 'colony' ? Number.POSITIVE_INFINITY : curve.findLastIndex(y => y > 0) + 1
      this.curves.set(way, (known = { curve, end }))
    }
    return known
  }

  /** Adds a culture that produces from a day on; its yield is triangular around the usual, so that it is seldom cut off at nothing. */
  private add(yields: Float64Array, way: PlannedSupply, producingOn: Day | null, units: number, odd: number): void {
    if (producingOn === null) return
    const { curve, end } = this.curveOf(way)
    const factor = way.kind === 'bought' ? 1 : Math.max(0, 1 + this.coming.luck * odd * LUCK_WIDTH)
    const until = Math.min(this.days, producingOn - this.from + end)
    for (let d = Math.max(0, producingOn - this.from); d < until; d++)
      yields[d]! += units * (curve[this.from + d - producingOn] ?? curve[0]!) * factor
  }
}
/** Half the width of a triangle whose standard deviation is one: √6. */
const LUCK_WIDTH = Math.sqrt(6)
