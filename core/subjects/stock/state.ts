import type { Day } from '../../chance'
import type { CareDone } from '../care'
import type { CultureApart } from '../cultureSorts'

/** Pieces that came together and age together. */
export interface StockLot {
  /** The delivery, or the count that found more than was known. */
  entryId: string
  day: Day
  count: number
  /** Its own date, where one stands on the box. */
  useBy?: Day
}

/** Stock of prey: the last count, what came in since, and what was offered since, to animals and to groups. */
export interface StockState {
  prey: string
  counted: { day: Day; at: string; count: number; entryId: string } | null
  received: number
  /** Of which deliveries the last count was, oldest first: what is left is of the latest, since older ones go first. */
  lots: StockLot[]
  /** Deliveries since the last count. */
  arrivals: (StockLot & { at: string })[]
  /** Taken out since the last count: dead, gone off, or grown into the next size. */
  discards: { day: Day; at: string; count: number; grown?: true }[]
  /** Offered since the last count (or the first delivery), by meal. */
  used: { day: Day; count: number }[]
  /** Units that are decided to be started or ordered, by day, whatever the plan would be. */
  decided: { day: Day; units: number; entryId: string; on: Day }[]
  /** Deliveries of the last year, whatever became of them. */
  came: { day: Day; count: number }[]
  lastReceived: { day: Day; count: number; entryId: string } | null
  /** What came round for it and was done, and own rhythms of it: days, or null for what is not done. */
  care?: CareDone
  rhythms?: Readonly<Record<string, number | null>>
  /** Where it is kept, if that was said. */
  placeId?: string
  /** Its cultures of one shelf, strain, recipe or quarter that are counted apart from the others. */
  apart?: readonly CultureApart[]
  /** Oldest first; with the day that the supplier has confirmed, where it has. */
  onOrder: { day: Day; count: number; entryId: string; supplierId?: string; due?: Day }[]
  /** Counted and received less offered; what has gone off since is not taken off (see `usableStock`). */
  left: number
}

declare module '../../log/house' {
  interface StateOf {
    prey: StockState
  }
  interface House {
    stocks: Record<string, StockState>
  }
}
