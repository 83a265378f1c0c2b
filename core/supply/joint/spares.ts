import { yieldsFrom, type PlannedStart } from '../plan'
import type { Lack, Played } from './play'
import type { Alternative } from './programme'

/** One feeder of which spares may be started. */
export interface SpareFeeder {
  id: string
  /** Expected pieces of one new unit by days since it was started. */
  perUnit: ArrayLike<number>
  /** Share of a stock still usable a day later, 0..1. */
  keptPerDay: number
  /** Days (as index) on which units may be started. */
  startDays: readonly number[]
  /** Days by which what is started on such a day comes later than usual, or earlier where negative. */
  comesLater?: (startDay: number) => number
}

export interface SpareInput {
  from: number
  feeders: readonly SpareFeeder[]
  /** What each prey may be replaced by, the best first. */
  standInsOf: (prey: string) => readonly Pick<Alternative, 'feeder' | 'pieces' | 'mostShare'>[]
  /** Whether what is started may be so much: room and time for it is there. */
  fits: (starts: ReadonlyMap<string, readonly PlannedStart[]>) => boolean
  /** Chance of a hungry day that is aimed at. */
  target: number
  /** Plays the plan through with these starts, and tells what each hungry day lacks. */
  play: (starts: ReadonlyMap<string, readonly PlannedStart[]>, tell?: (lack: Lack) => void) => Played
}

export interface Spares {
  /** All starts, spares among them. */
  starts: ReadonlyMap<string, readonly PlannedStart[]>
  /** Spares of each feeder, in units. */
  units: Map<string, number>
  /** Chance of a hungry day with them, in the scenarios by which they were chosen. */
  chance: number
  /** Prey of which no spare lowers the chance any further; null when the target is met. */
  bound: string | null
  /** The programme knows of no fewer; where they were searched for one by one, fewer might do. */
  fewest: boolean
}

/** Plans are played no oftener than this in the search. */
const MOST_PLAYS = 40
/** So much of what is started on a day is added at once: one cup of four, ten of two hundred. */
const STEP = 0.05

export type Starts = ReadonlyMap<string, readonly PlannedStart[]>

/** Units that are added to a day at once. */
export const stepOf = (starts: Starts, id: string, day: number): number =>
  Math.max(1, Math.round((starts.get(id)?.find(s => s.day === day)?.count ?? 0) * STEP))

/** The starts, and so many units more of a feeder on a day; fewer, where negative. */
export function withMore(starts: Starts, id: string, day: number, count: number): Starts {
  const list = starts.get(id) ?? []
  const before = list.find(s => s.day === day)
  const next = before
    ? list.map(s => (s === before ? { day, count: s.count + count } : s))
    : [...list, { day, count }].sort((a, b) => a.day - b.day)
  return new Map(starts).set(
    id,
    next.filter(s => s.count > 0),
  )
}

/** What is left of a unit by days since it was started, when nothing was eaten of it. */
export function leftOf({ perUnit, keptPerDay }: SpareFeeder): Float64Array {
  const left = Float64Array.from(perUnit)
  for (let age = 1; age < left.length; age++) left[age]! += left[age - 1]! * keptPerDay
  return left
}

/** The start of which most is there on a day: of days alike the latest, since what is fresh lasts beyond it. */
function bestStart(left: Float64Array, feeder: SpareFeeder, day: number): number | null {
  const { startDays } = feeder
  const gives = startDays.map(s => left[day - yieldsFrom(feeder, s)] ?? 0)
  const most = Math.max(0, ...gives)
  const best = gives.findLastIndex(g => g > 0 && g >= NEARLY * most)
  return best < 0 ? null : startDays[best]!
}
const NEARLY = 0.8

/** The prey that is short in most seasons. */
export const hungriestPrey = ({ byPrey }: Played): string | null =>
  [...byPrey].sort((a, b) => b[1].chance - a[1].chance)[0]?.[0] ?? null

/** Days on which hunger is likeliest, the likeliest first. */
const hungriest = (byDay: Float64Array): number[] =>
  [...byDay.keys()].filter(d => byDay[d]! > 0).sort((a, b) => byDay[b]! - byDay[a]! || a - b)

/**
 * Starts in addition, until the chance of a hungry day is met: each time one more (or a twentieth of many) of what
 * covers the likeliest hungry day of the hungriest prey; in the end those are left out that the target does not need.
 */
export function findSpares(input: SpareInput, planned: ReadonlyMap<string, readonly PlannedStart[]>): Spares {
  const { from, target, play } = input
  const feeders = new Map(input.feeders.map(f => [f.id, { feeder: f, left: leftOf(f) }]))
  let starts: Starts = new Map([...planned].map(([id, list]) => [id, [...list]]))
  let played = play(starts)
  let plays = 1
  const added: { id: string; day: number; count: number }[] = []
  /** Prey and day for which nothing more helps. */
  const hopeless = new Set<string>()
  const next = () => {
    const byChance = [...played.byPrey].sort((a, b) => b[1].chance - a[1].chance)
    for (const [prey, { chance, byDay }] of byChance) {
      if (!chance) continue
      for (const day of hungriest(byDay).slice(0, 6)) {
        for (const id of [prey, ...input.standInsOf(prey).map(s => s.feeder)]) {
          const known = feeders.get(id)
          const s = known ? bestStart(known.left, known.feeder, day) : null
          if (s !== null && !hopeless.has(`${id}:${s}`)) return { id, day: from + s, key: `${id}:${s}` }
        }
      }
    }
    return null
  }
  while (played.chance > target && plays < MOST_PLAYS) {
    const more = next()
    if (!more) break
    const count = stepOf(starts, more.id, more.day)
    const tried = withMore(starts, more.id, more.day, count)
    if (!input.fits(tried)) {
      hopeless.add(more.key)
      continue
    }
    const after = play(tried)
    plays++
    const days = (p: Played) => p.byDay.reduce((a, b) => a + b, 0)
    if (after.chance < played.chance || days(after) < days(played)) {
      added.push({ ...more, count })
      starts = tried
      played = after
    } else hopeless.add(more.key)
  }
  const met = played.chance <= target
  if (met) {
    // the first ones may have become needless by the later ones
    for (const more of [...added]) {
      if (plays++ >= 2 * MOST_PLAYS) break
      const without = withMore(starts, more.id, more.day, -more.count)
      const after = play(without)
      if (after.chance > target) continue
      starts = without
      played = after
      added.splice(added.indexOf(more), 1)
    }
  }
  const units = new Map<string, number>()
  for (const { id, count } of added) units.set(id, (units.get(id) ?? 0) + count)
  const fewest = met && added.reduce((n, more) => n + more.count, 0) <= 1
  return { starts, units, chance: played.chance, bound: met ? null : hungriestPrey(played), fewest }
}
