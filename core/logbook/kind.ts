import { z } from 'zod'
import type { DatedEntry, Problem, SubjectType } from './entry'
import type { Almanac } from '../almanac'
import type { House, StateOf } from './states'

/** What a check may look at: the house as it stands, what the almanac knows, and the day. */
export interface CheckContext {
  house: House
  almanac: Pick<Almanac, 'species' | 'feeders'>
  today: number
}

/**
 * One kind of entry: what it is about, what it holds, how it changes the state of its subject, when it is impossible
 * and how it reads in a timeline. A new kind is one more of these in `kinds/`.
 */
export interface EntryKind<S extends SubjectType = SubjectType, D = never> {
  kind: string
  subject: S
  /** Button text: a verb with its object. */
  verb: string
  data: z.ZodType<D>
  /** Changes the (own, fresh) state; entries come in order of time. */
  apply: (state: StateOf[S], data: D, entry: DatedEntry) => void
  /** Why this cannot have happened, or null. */
  check?: (state: StateOf[S], data: D, entry: DatedEntry, context: CheckContext) => Problem | null
  /** It may be found out of an animal that is dead, sold or kept elsewhere. */
  ofGone?: boolean
  /** The sort of subject that this entry brings into being; its id is the entry's. */
  founds?: SubjectType
  tell: (data: D) => string
}

/** Keeps the types of one kind together while it is written. */
export function defineKind<S extends SubjectType, D>(kind: EntryKind<S, D>): EntryKind {
  return kind as unknown as EntryKind
}

export const seen = (entry: DatedEntry) => ({ day: entry.day, entryId: entry.id })

/** A keeper who was asked and says that it is so. */
export const sure = z.literal(true).optional()

/** Asks before the same is written a second time on one day: two windows, or two people, may have done it once. */
export function writtenAgain(sure: true | undefined, entry: DatedEntry, again: boolean, said: string): Problem | null {
  const asked = entry.source === 'keeper' && !sure && again
  return asked ? { path: 'data.sure', message: `${said}. Write it a second time?` } : null
}
