/** How far a young one is on its way to thawed prey that is left in; `unsaid` where it eats and nobody wrote what. */
export const WEANING_STAGES = ['notStarted', 'unsaid', 'live', 'freshKilled', 'thawed', 'weaned'] as const
export type WeaningStage = (typeof WEANING_STAGES)[number]

export interface WeaningRecord {
  stage: WeaningStage
  /** Meals of live prey taken by itself. */
  liveTaken: number
  /** Offers of thawed prey until it first took one, that one included; struck and let go is a part of one. */
  offers: number
  /** Thawed prey taken in a row up to now. */
  inRow: number
  /** Offers of dead prey that were refused in a row up to now. */
  refusedDead: number
}

/** What the next offer goes by. */
export type WeaningCause =
  | 'weaned'
  | 'takesThawed'
  | 'thawedRefused'
  | 'firstLive'
  | 'firstLosing'
  | 'firstThawed'
  | 'losing'
  | 'liveMeals'
  | 'deadRefused'
  | 'between'
  | 'toThawed'
