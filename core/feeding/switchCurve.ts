import type { Weaning } from '../almanac'

/**
 * How readily a sort of young changes to thawed prey: each has a chance of its own at every offer, and these chances
 * are spread over the sort as a beta distribution, so that the offers until it takes are beta-geometric (Weinberg &
 * Gladen 1986, Biometrics 42:547–560, who count cycles until conception in the same way).
 */
export interface SwitchCurve {
  /** Mean chance at the first offer, 0..1. */
  mean: number
  /** How alike they are: a + b of the beta distribution. */
  alike: number
}

const MOST_ALIKE = 1e6
const LEAST_ALIKE = 1e-3

/**
 * Share that has not taken thawed prey after so many offers of it.
 * @param offers ≥ 0; a part of an offer counts as that part, as prey that was struck and let go
 */
export function notSwitched({ mean, alike }: SwitchCurve, offers: number): number {
  const b = alike * (1 - mean)
  let share = 1
  for (let i = 0; i < offers; i++) share *= ((b + i) / (alike + i)) ** Math.min(1, offers - i)
  return share
}

/** The value between two bounds at which a rising function reaches nothing; to the 60th halving. */
function bisect(low: number, high: number, rising: (x: number) => number): number {
  let [from, to] = [low, high]
  for (let i = 0; i < 60; i++) {
    const middle = (from + to) / 2
    if (rising(middle) < 0) from = middle
    else to = middle
  }
  return (from + to) / 2
}

/**
 * The curve through two points: the share that has taken it by the third and by the twentieth offer. Where even equal
 * young would be slower than the second point says, they are taken as equal.
 */
export function fitSwitch({ byThree, byTwenty }: Weaning): SwitchCurve {
  const through = (alike: number): SwitchCurve => ({
    alike,
    mean: bisect(0, 1, mean => 1 - notSwitched({ mean, alike }, 3) - byThree.value),
  })
  const alike = Math.exp(
    bisect(
      Math.log(LEAST_ALIKE),
      Math.log(MOST_ALIKE),
      log => 1 - notSwitched(through(Math.exp(log)), 20) - byTwenty.value,
    ),
  )
  return through(alike)
}

/** What is known of one young: offers of thawed prey until it took, or so far. */
export interface Tried {
  offers: number
  took: boolean
  /** How much it speaks for the litter that is asked of, 0..1. */
  weight: number
}

/** Chance of what is known of one young. */
const likelihood = (curve: SwitchCurve, { offers, took }: Tried): number =>
  took ? notSwitched(curve, Math.max(0, offers - 1)) - notSwitched(curve, offers) : notSwitched(curve, offers)

/** Curves that a litter may have, and how likely each is. */
export type LearntCurve = readonly { curve: SwitchCurve; chance: number }[]

const GRID = 60

/**
 * The curve of a litter: what its sort usually does as a beta prior on the mean, moved by its own mates and less by
 * earlier litters (a likelihood raised to a weight under 1: power prior, Ibrahim & Chen 2000, Statist. Sci. 15:46–60).
 * Young that have not taken yet count as not yet, and not as never.
 * @param priorYoung the usual curve weighs as much as so many young
 */
export function learnCurve(usual: SwitchCurve, priorYoung: number, tried: readonly Tried[]): LearntCurve {
  const { mean, alike } = usual
  const logs = Array.from({ length: GRID }, (_, i) => {
    const m = (i + 0.5) / GRID
    const curve = { mean: m, alike }
    const prior = (mean * priorYoung - 1) * Math.log(m) + ((1 - mean) * priorYoung - 1) * Math.log(1 - m)
    const said = tried.reduce((sum, t) => sum + t.weight * Math.log(Math.max(1e-300, likelihood(curve, t))), 0)
    return { curve, log: prior + said }
  })
  const most = Math.max(...logs.map(l => l.log))
  const whole = logs.reduce((sum, l) => sum + Math.exp(l.log - most), 0)
  return logs.map(({ curve, log }) => ({ curve, chance: Math.exp(log - most) / whole }))
}

/** Chance that one which did not take at so many offers takes at one of the next ones. */
export const takesWithin = (learnt: LearntCurve, offers: number, next: number): number =>
  learnt.reduce((sum, { curve, chance }) => sum + chance * takes(curve, offers, next), 0)

function takes(curve: SwitchCurve, offers: number, next: number): number {
  const now = notSwitched(curve, offers)
  return now > 0 ? 1 - notSwitched(curve, offers + next) / now : 0
}

/** How many of a litter will have changed: mean and 80 % range. */
export interface SwitchOutlook {
  mean: number
  low: number
  high: number
}

/**
 * How many have taken thawed prey after so many more offers, those included that do already. Mates are alike by their
 * curve, so their number is a mixture over the curves of sums of single chances.
 * @param already how many take it
 * @param waiting offers so far of each that does not
 * @param next offers to come
 */
export function switchOutlook(
  learnt: LearntCurve,
  already: number,
  waiting: readonly number[],
  next: number,
): SwitchOutlook {
  const counts = new Float64Array(waiting.length + 1)
  for (const { curve, chance } of learnt) {
    if (chance < 1e-6) continue
    const of = new Float64Array(waiting.length + 1)
    of[0] = 1
    waiting.forEach((offers, i) => {
      const p = takes(curve, offers, next)
      for (let k = i + 1; k > 0; k--) of[k] = of[k]! * (1 - p) + of[k - 1]! * p
      of[0]! *= 1 - p
    })
    of.forEach((p, k) => (counts[k]! += chance * p))
  }
  const whole = counts.reduce((a, b) => a + b, 0)
  const at = (q: number): number => {
    let sum = 0
    for (let k = 0; k < counts.length; k++) if ((sum += counts[k]! / whole) >= q - 1e-12) return already + k
    return already + waiting.length
  }
  return {
    mean: already + counts.reduce((sum, p, k) => sum + (p / whole) * k, 0),
    low: at(0.1),
    high: at(0.9),
  }
}

/** What is less likely is not planned for. */
const UNLIKELY = 0.02

/** What decides which of the next meals are live. */
export interface LiveAhead {
  learnt: LearntCurve
  /** Offers of dead prey so far, and how many of the latest ones were refused. */
  offers: number
  refusedDead: number
  /** Live meals still to come before dead prey is offered. */
  liveFirst: number
  /** A live meal follows so many refused offers. */
  every: number
}

/**
 * Chance of each of the next meals to be live prey: first the live ones that start it, then one after so many refused
 * offers, for as long as it has not changed. Fresh-killed prey counts as an offer like thawed. A chance under 2 % is none.
 * @param meals how many meals ahead
 * @returns chances 0..1, never rising between two meals of the same place in the turn
 */
export function liveShares({ learnt, offers, refusedDead, liveFirst, every }: LiveAhead, meals: number): Float64Array {
  const shares = new Float64Array(meals)
  let made = 0
  let refused = liveFirst > 0 ? 0 : refusedDead
  for (let meal = 0; meal < meals; meal++) {
    if (meal < liveFirst) shares[meal] = 1
    else if (refused >= every) {
      const still = 1 - takesWithin(learnt, offers, made)
      shares[meal] = still < UNLIKELY ? 0 : still
      refused = 0
    } else {
      made++
      refused++
    }
  }
  return shares
}
