import { z } from 'zod'
import type { Almanac } from '../almanac'
import type { TempUnit } from '../units'
import type { DatedEntry, Problem, Subject } from './entry'
import type { House, StateOf } from './house'
import type { Records } from './records'

/** What stands, and what of it names something. */
export interface Standing {
  find: (id: string) => DatedEntry | undefined
  /**
   * Standing entries, not of these subjects themselves, that name one of them.
   * @param founds the sort of subject that these are; left out, of the house
   */
  naming: (ids: ReadonlySet<string>, founds?: string) => DatedEntry[]
}

/** What a check may look at: the house as it stands, what is written, what the almanac knows, and the day. */
export interface CheckContext {
  house: House
  records: Records
  almanac: Pick<Almanac, 'species' | 'feeders' | 'schools' | 'common'>
  today: number
  /** What carries a tag, and an entry by its id, where they can be found quicker than by looking through everything. */
  tagOwner?: (tag: string) => Subject | null
  find?: (id: string) => DatedEntry | undefined
  /** What stands, where many are taken back one after the other. */
  standing?: () => Standing
}

/** What the check of a kind may look at besides. */
export interface KindContext extends CheckContext {
  /** Whether anything is written whose calendar day counts. */
  daysCount: () => boolean
}

/** What brings a text of an older version to the next one. */
export type Lift = (data: Record<string, unknown>) => Record<string, unknown>

/** How a field of an entry is asked for: a form is made from these and from the schema of its kind. */
export interface FieldHint {
  label: string
  as:
    | 'count'
    | 'number'
    | 'text'
    /** A text of several lines. */
    | 'lines'
    | 'temperature'
    | 'mass'
    | 'money'
    /** A share, asked for in per cent. */
    | 'share'
    | 'place'
    | 'species'
    | 'choice'
    /** One of what the screen offers, such as the males of a species; not asked for where it offers none. */
    | 'one'
    /** Several of the choices, or of what the screen offers; or none. */
    | 'several'
    /** The inside of a home, width × depth × height. */
    | 'size'
    /** So, or nothing is said. */
    | 'flag'
    | 'day'
  /** Beside the label, in a word or two: when it may stay empty. */
  hint?: string
  /** Below the field, in a sentence. */
  help?: string
  /** An example of what is meant. */
  example?: string
  /** Of a number: it may be less than nothing. */
  below?: true
  /** Nothing is written without it. */
  needed?: true
  /** Of a choice or several: what is read, by what is written. */
  choices?: Readonly<Record<string, string>>
  /** Of a day: none after today. */
  past?: true
}

/** In which units a house reads what is written in base units. */
export interface ReadUnits {
  tempUnit: TempUnit
}

/**
 * One kind of entry: what it is about, what it holds, how it changes the state of its subject, when it is impossible
 * and how it reads in a timeline. A new kind is one more of these in the folder of its subject.
 */
export interface EntryKind<S extends keyof StateOf | 'entry' = keyof StateOf | 'entry', D = never> {
  kind: string
  subject: S
  /** Button text: a verb with its object. */
  verb: string
  data: z.ZodType<D>
  /**
   * From each older version to the next: the first lifts version 1 to 2. The kind's own version is one more than these.
   */
  lifts?: readonly Lift[]
  /** Changes the (own, fresh) state; entries come in order of time. */
  apply: (state: S extends keyof StateOf ? StateOf[S] : never, data: D, entry: DatedEntry) => void
  /** Why this cannot have happened, or null. */
  check?: (
    state: S extends keyof StateOf ? StateOf[S] : never,
    data: D,
    entry: DatedEntry,
    context: KindContext,
  ) => Problem | null
  /** Its calendar day says nothing: it may stand before the time zone of the house is set. */
  dayless?: boolean
  /** It may be said of a subject that is no longer here. */
  afterLeaving?: boolean
  /** It may be said of a time before its subject began: what corrects the beginning. */
  beforeBeginning?: boolean
  /** The sort of subject that this entry brings into being; its id is the entry's. */
  founds?: keyof StateOf
  /** It is said of one that is there, and brings another of the same sort into being beside it. */
  dividesOff?: true
  /** A sort of subject that comes with this entry and leaves with it; each names the entry in its founding. */
  brings?: keyof StateOf
  /**
   * What is asked for in a form, in this order: all of it, or, where a button asks for the main thing itself, what else
   * may be said.
   */
  fields?: Readonly<Record<string, FieldHint>>
  /** How it reads in a timeline, in the units that the house reads. */
  wording: (data: D, units: ReadUnits) => string
}

/** Keeps the types of one kind together while it is written. */
export function defineKind<S extends keyof StateOf | 'entry', D>(kind: EntryKind<S, D>): EntryKind {
  return kind as unknown as EntryKind
}

/** Whether an entry of this kind is the beginning of its own subject, whose id is the entry's. */
export const foundsItself = ({ founds, subject, dividesOff }: EntryKind): boolean => founds === subject && !dividesOff

export const seen = (entry: DatedEntry) => ({ day: entry.day, entryId: entry.id })

/** A keeper who was asked and says that it is so. */
export const sure = z.literal(true).optional()

/** Asks before the same is written a second time on one day: two windows, or two people, may have done it once. */
export function writtenAgain(sure: true | undefined, entry: DatedEntry, again: boolean, said: string): Problem | null {
  const asked = entry.source === 'keeper' && !sure && again
  return asked ? { path: 'data.sure', message: `${said}. Write it a second time?` } : null
}
