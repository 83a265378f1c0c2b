import type { Reason } from '../judgement'
import type { ApartNumber, CultureApart, CultureSort } from '../subjects'

/** A number of a feeder that the house has seen to be another than the Almanac says. */
export interface Lesson {
  /** What was seen, as one says it. */
  text: string
  /** Own numbers that would be set. */
  numbers: { path: string; value: number }[]
  /** Or which cultures of it would be counted apart from the others. */
  apart?: CultureApart
  reasons: Reason[]
}

/** What one number comes to. */
export type Learnt = {
  /** Cultures that speak for it. */
  of: number
  value: number
  /** What the plan goes by. */
  was: number
} & (
  | { number: 'fails'; failed: number }
  /** What each was in times of what is usual; and all of them, drawn to the usual. */
  | { number: 'waits' | 'yields'; ratios: readonly number[]; factor: number }
)

/** What some of the cultures of a feeder come to, against all of it here. */
export interface LearntApart {
  number: ApartNumber
  by: CultureSort
  /** Which of the sort: a place, a strain, a recipe, a quarter. */
  of: string
  count: number
  /** What each was, in times of what all come to here; and all of them, of what is usual. */
  ratios: readonly number[]
  all: number
  /** As what they would be counted, and are now. */
  value: number
  was: number
  /** How far off the house's, in standard errors; infinite where all others are alike. */
  off: number
}
