import type { Reason } from '../judgement'

/** Days after the first meal in which losses are counted. */
export const OVER_DAYS = 90

/** Share of a species' young alive at 90 days: the usual one, drawn to what the house has seen. */
export interface YoungSurvival {
  share: number
  reasons: Reason[]
}

/** How the losses of one clutch stand against those of others. */
export interface Losses {
  lost: number
  of: number
  /** Days since the first of them was out. */
  day: number
  /** As many would be usual by now. */
  usual: number
  /** Chance of so many or more, were it as others are. */
  chance: number
}
