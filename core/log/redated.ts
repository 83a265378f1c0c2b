import { calendarOf, noonOf } from '../units'
import type { DatedEntry } from './entry'

/** Entries of a log that are otherwise in another time zone, as they are there. */
export interface Redated {
  /** Written as a moment that is on another day there. */
  moved: DatedEntry[]
  /** Written as a day, and still of that day: the instant that stands for its noon is another. */
  kept: DatedEntry[]
}

/**
 * A log as another time zone reads it: what was written as a moment is on the day that the new zone says; what was
 * written as a day, with its noon for the hour, stays on that day. Days follow instants in both. O(n).
 * @throws CalendarError for an unknown zone
 */
export function redated(log: Iterable<DatedEntry>, from: string, to: string): Redated {
  const dayOf = calendarOf(to)
  const noons = new Map<number, readonly [before: string, after: string]>()
  const noonsOf = (day: number) => {
    const known = noons.get(day) ?? ([noonOf(day, from), noonOf(day, to)] as const)
    noons.set(day, known)
    return known
  }
  const made: Redated = { moved: [], kept: [] }
  for (const entry of log) {
    const [before, after] = noonsOf(entry.day)
    if (entry.at !== before) {
      const day = dayOf(entry.at)
      if (day !== entry.day) made.moved.push({ ...entry, day })
    } else if (after !== before) made.kept.push({ ...entry, at: after })
  }
  return made
}
