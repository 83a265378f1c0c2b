import { z } from 'zod'
import { freeText } from '../reference'
import type { Day } from '../chance'

/** What an entry is about: a sort of subject (see the registry) and its id. */
export const Subject = z.strictObject({ type: z.string().min(1).max(40), id: z.string().min(1).max(200) })
export type Subject = z.infer<typeof Subject>

export const ENTRY_SOURCES = ['keeper', 'device', 'import', 'demo'] as const

/** Nothing that is kept was written down before this; an earlier instant is a slip. */
const EARLIEST = Date.UTC(1900, 0, 1)

/** One line of the logbook. Never edited: a correction voids it and adds another. */
export const Entry = z.strictObject({
  id: z.uuid('An entry needs a UUID made by the sender'),
  at: z.iso
    .datetime({ offset: true, error: 'The time must be an instant such as 2026-06-12T18:30:00Z' })
    .refine(at => !(Date.parse(at) < EARLIEST), 'This lies before 1900: check the year'),
  subject: Subject,
  kind: z.string().min(1).max(40),
  /** Version of the kind; left out it is the first. */
  v: z.number().int().min(1).max(1000).optional(),
  data: z.record(z.string(), z.unknown()),
  source: z.enum(ENTRY_SOURCES).default('keeper'),
  note: freeText(2000).optional(),
})
export type Entry = z.infer<typeof Entry>

/** An entry with its calendar day in the house's time zone. */
export interface DatedEntry extends Entry {
  day: Day
  /** The instant at which it was written down; not known of what was taken over from before. */
  recordedAt?: string
  /** Who wrote it, where that is known. */
  by?: string
}

/** Why an entry cannot be written, with the field it concerns (JSON path from the entry). */
export interface Problem {
  path: string
  message: string
}

export class LogbookError extends Error {
  override name = 'LogbookError'
}
