import {
  addSpares,
  leastStarts,
  planStarts,
  yieldOf,
  type PlanInput,
  type PlannedStart,
  type SolveLp,
} from '../../supply'
import type { PlanJob } from './contracts'
import type { Kept } from './kept'
import { startsOf, type Together } from './together'

/** The plan of one feeder of a group, in whole units. */
export interface Whole {
  kept: Kept
  /** With the need that the group has of it, and all days on which units are started. */
  input: PlanInput
  counts: number[]
  /** What is started whatever room there is: what is decided, and what the rhythm of the house asks for. */
  forced: number[]
  /** Units that the school keeps in case one fails. */
  spares: number
  leastPossible: number
}

const added = (row: ArrayLike<number>, more: ArrayLike<number>) => Float64Array.from(row, (n, d) => n + more[d]!)
export const sum = (row: Iterable<number>): number => {
  let all = 0
  for (const n of row) all += n
  return all
}

/** Whole units of one feeder: as the group was planned in the first weeks, and as they cover what is taken of it later. */
export function wholeUnits(k: Kept, together: Together | null, job: PlanJob, solve: SolveLp): Whole {
  const startDays = together ? startsOf(k, job).startDays : [...k.input.startDays]
  const wanted = together?.wanted.get(k.key)
  const input = { ...k.input, startDays, ...(wanted && { need: wanted.slice(0, k.days) }) }
  const decided = k.input.decided ?? new Map<number, number>()
  const least = leastStarts(k.input)
  const leastOn = (s: number) => least[k.input.startDays.indexOf(s)] ?? 0
  const near = startDays.map(
    (s, w) => decided.get(s) ?? (together && s < together.wholeDays ? Math.round(together.starts.get(k.key)![w]!) : 0),
  )
  // a trip today is made where the group gains by it
  const laterFrom = together ? Math.max(together.wholeDays, together.starts.get(k.key)![0]! > WORTH_A_TRIP ? 0 : 1) : 0
  const later = startDays.filter(
    s => !decided.has(s) && (s >= laterFrom || (k.input.startDays[0] === 0 && !together?.wholeDays)),
  )
  const plan = planStarts(
    { ...input, startDays: later, spare: null, running: added(input.running, yieldOf(input, near)) },
    solve,
    // what comes after the days that were solved together is planned anew by then
    !together?.wholeDays,
  )
  const counts = startDays.map((s, w) => near[w]! + (plan.starts.find(x => x.day === job.today + s)?.count ?? 0))
  const needed = sum(counts)
  // spares come on culture days
  const onDays = startDays.flatMap((s, w) => (k.input.startDays.includes(s) && !decided.has(s) ? [w] : []))
  const kept = onDays.map(w => counts[w]!)
  addSpares({ ...input, startDays: onDays.map(w => startDays[w]!) }, kept)
  onDays.forEach((w, i) => {
    counts[w] = kept[i]!
  })
  return {
    kept: k,
    input,
    counts,
    forced: startDays.map((s, w) => decided.get(s) ?? Math.min(counts[w]!, leastOn(s))),
    spares: sum(counts) - needed,
    leastPossible: sum(near) + plan.leastPossible,
  }
}
const WORTH_A_TRIP = 0.01

/** What is started of each feeder. */
export type Starts = ReadonlyMap<string, readonly PlannedStart[]>

/** The starts of a feeder by their days. */
export const listed = ({ input, counts }: Pick<Whole, 'input' | 'counts'>): PlannedStart[] =>
  counts.flatMap((count, w) => (count ? [{ day: input.from + input.startDays[w]!, count }] : []))

/** Expected pieces of given starts on each day. */
export const comingWith = (input: PlanInput, starts: readonly PlannedStart[]): Float64Array =>
  yieldOf(
    input,
    input.startDays.map(s => starts.find(x => x.day === input.from + s)?.count ?? 0),
  )
