import { z } from 'zod'
import type { Day } from '../chance'
import { seen, type DatedEntry } from '../log'

/** What one may find while caring for a place. */
export const FINDINGS = [
  'smell',
  'mould',
  'mites',
  'wet',
  'dry',
  'droppings',
  'shed',
  'eggs',
  'deadPrey',
  'damage',
  'out',
] as const
export type Finding = (typeof FINDINGS)[number]
export const FINDING_WORDS: Record<Finding, string> = {
  smell: 'smell',
  mould: 'mould',
  mites: 'mites',
  wet: 'wet bedding',
  dry: 'too dry',
  droppings: 'odd droppings',
  shed: 'shed pieces left',
  eggs: 'eggs',
  deadPrey: 'dead prey',
  damage: 'damage',
  out: 'somebody out',
}

/** A job that was done once. */
export interface Care {
  day: Day
  entryId: string
  /** Milliseconds since 1970. */
  at: number
  /** Places left out of it. */
  but: readonly string[]
}

/** What was done, by job, oldest first. */
export type CareDone = Readonly<Record<string, readonly Care[]>>

/** Times of a job that are kept in mind: the log has all of them. */
const KEPT = 16

export const jobId = z.string().min(1).max(80)

/** What was done with one more time of a job. */
export function withCare(
  done: CareDone | undefined,
  job: string,
  entry: DatedEntry,
  but: readonly string[] = [],
): CareDone {
  const once: Care = { ...seen(entry), at: Date.parse(entry.at), but }
  const before = done?.[job] ?? []
  return { ...done, [job]: [...before, once].slice(-KEPT) }
}
