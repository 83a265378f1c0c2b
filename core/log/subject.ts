import type { Day } from '../chance'
import type { DatedEntry, Problem, Subject } from './entry'
import type { House, StateOf } from './house'
import type { CheckContext, EntryKind } from './kind'
import type { LineRule } from './line'
import type { FoldMemory } from './memory'
import type { Records } from './records'

/** How a species bears its young, in a house as far as it is folded; null for one that is not known. */
export type ModeOf = (speciesId: string, house: House) => 'egg' | 'live' | 'larval' | null

/** What a founding may look at: what was folded before it, and what is known of species. */
export interface Base {
  /** Subjects of the sorts that stand before this one in the list. */
  house: House
  records: Records
  /** How a species bears its young; null for one that the almanac does not have. */
  modeOf: (speciesId: string) => 'egg' | 'live' | 'larval' | null
  /** Of subjects that another brings into being: that one, and how many came before. */
  founderId: string | null
  number: number
}

/**
 * One sort of subject: what it is, how it begins, what is written of it and in which words. Everything that goes over
 * the sorts of subjects reads these, so that a new sort is one more folder.
 */
export interface SubjectModule<S extends keyof StateOf = keyof StateOf> {
  type: S
  /** Where the house keeps its states, by id. */
  collection: keyof House
  /** As it is called in a sentence. */
  noun: { one: string; many: string }
  kinds: readonly EntryKind[]
  /** The sorts of subjects whose entries bring it into being, when they are not its own; its own sort, if one divides. */
  foundedBy?: readonly (keyof StateOf)[]
  /**
   * What its beginning follows from beside its own entry, as plain values; null when something that it stands on is
   * missing, and it cannot be told. The state is made anew when one of them changes.
   */
  standsOn?: (founding: DatedEntry, base: Base) => readonly unknown[] | null
  /** Its state at the beginning, before its own entries. */
  found?: (founding: DatedEntry, base: Base) => StateOf[S]
  /** It is there without a founding entry, and begins like this. */
  implied?: (id: string) => StateOf[S]
  /** Others follow from it without naming it, or it from others: a change of one folds the house anew. */
  foldsAll?: true
  /** A tag that is printed on labels and may begin a line of the log: no two things have the same. */
  tagOf?: (state: StateOf[S]) => string
  /** Whether a line of the log may begin with its tag. */
  inLogLine?: boolean
  /** Names of several words by which a line of the log may begin, for what has no tag: shortest first. */
  namesOf?: (state: StateOf[S], house: House) => string[]
  /** What is understood of it in a line of the log; after all others, what could be part of many lines. */
  lines?: readonly LineRule[]
  lastLines?: readonly LineRule[]
  /** The kind of entry that a free note about it is. */
  noteKind?: string
  /** The first day on which something can be said of it. */
  began?: (state: StateOf[S]) => { day: Day; tag: string; what: string } | null
  /** Why nothing more is said of it by a day: it has died, or left. */
  left?: (state: StateOf[S], day: Day) => string | null
  /** Whether it may be implied: there is such a thing to speak of. */
  canBe?: (id: string, context: Omit<CheckContext, 'today'>) => boolean
  /** What is meant when something that is said of these is said of another sort of subject. */
  meantBy?: (subject: Subject, house: House) => Subject | Problem | null
  /** What follows from all subjects together, after the fold. Changes only what the fold has just made. */
  settle?: (house: House, records: Records, memory: FoldMemory) => void
  /** The same of one of them, where only its own entries have changed; without it all are settled anew. */
  settleOne?: (house: House, id: string, memory: FoldMemory) => void
}

/** Keeps the types of one sort of subject together while it is written. */
export function defineSubject<S extends keyof StateOf>(subject: SubjectModule<S>): SubjectModule {
  return subject as unknown as SubjectModule
}
