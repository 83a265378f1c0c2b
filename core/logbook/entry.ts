import { z } from 'zod'
import type { Day } from '../chance'

/** What an entry can be about. Pairings, clutches (litters, spawn), cultures, lamps, winter groups and loci are named by their founding entry. */
export const SUBJECT_TYPES = [
  'animal',
  'pairing',
  'clutch',
  'culture',
  'prey',
  'lamp',
  'winter',
  'locus',
  'entry',
] as const
export type SubjectType = (typeof SUBJECT_TYPES)[number]

export const Subject = z.strictObject({ type: z.enum(SUBJECT_TYPES), id: z.string().min(1).max(80) })
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
  data: z.record(z.string(), z.unknown()),
  source: z.enum(ENTRY_SOURCES).default('keeper'),
  note: z.string().max(2000).optional(),
})
export type Entry = z.infer<typeof Entry>

/** An entry with its calendar day in the house's time zone. */
export interface DatedEntry extends Entry {
  day: Day
}

/** Why an entry cannot be written, with the field it concerns (JSON path from the entry). */
export interface Problem {
  path: string
  message: string
}

export class LogbookError extends Error {
  override name = 'LogbookError'
}
