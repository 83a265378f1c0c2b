import { z } from 'zod'
import { seen, type DatedEntry } from '../log'
import type { Care, CareDone } from './care'

/** Times of a job that are kept in mind: the log has all of them. */
const KEPT = 16

export const jobId = z.string().min(1).max(80)

/** What was done with one more time of a job. */
export function withCare(
  done: CareDone | undefined,
  job: string,
  entry: DatedEntry,
  but: readonly string[] = [],
  found?: readonly unknown[],
): CareDone {
  const once: Care = { ...seen(entry), at: Date.parse(entry.at), but, ...(found && { found: found.length > 0 }) }
  const before = done?.[job] ?? []
  return { ...done, [job]: [...before, once].slice(-KEPT) }
}
