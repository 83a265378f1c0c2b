import type { PlaceLogs } from '../channels'
import type { Day } from '../chance'
import type { Subject } from './entry'

export interface Observed {
  day: Day
  entryId: string
}

/** What readings come to for something that lies under them. Temperatures in °C. */
export interface ToldWarmth {
  tempC: number
  meanC: number | null
  goesOnAtC: number
  hours: number
  read: number
  /** The place that is read; null where none is, and what was written counts. */
  placeId: string | null
  /** Of a place: how damp its air lately was, %; left out where nothing is read. */
  humidityPct?: number
  /** Share of development that is behind it, 0..1. */
  done: number
  /** Of eggs: the last spells in which they lay apart from what was set, and days of development that each won. */
  spells?: { fromDay: Day; toDay: Day; meanC: number; won: number }[]
  /** Of a colony: from which day on it stood at what, °C. */
  stood?: { fromDay: Day; tempC: number }[]
  /** Of eggs whose sex the warmth sets: the constant temperature that does what was, and how far that is over. */
  sex?: { tempC: number | null; pastC: number | null; over: number }
}

/** An entry that a fold could not read. */
export interface Unread {
  entryId: string
  subject: Subject
  message: string
  /** The message is in a keeper's words. */
  told?: boolean
}

/** The state of each sort of subject; a subject adds its own line to it, in its own folder. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface StateOf {}

/**
 * All that can be said of the house, folded from the log: a collection a sort of subject (each adds its own line), and
 * what is said of them together. Plain data: it travels to a worker as it is.
 */
export interface House {
  /** Readings by place. Large, so it stays where it is computed with: the interface gets what follows from it. */
  climate: Readonly<Record<string, PlaceLogs>>
  /**
   * What the readings come to for what lies under them, by its id, where the readings themselves are not told: in a
   * window.
   */
  warmth?: Readonly<Record<string, ToldWarmth>>
  /** Entries that could not be taken into the state of their subject; it stands without them. */
  unread: Unread[]
  /** Entries of a kind, or of a version of it, that a newer program wrote: kept, and left out. */
  newer: Unread[]
}
