import type { Day } from '../chance'
import type { Weighing } from '../subjects'

/** What decides her load, for loadWording.ts to tell. A share is her latest weight of the one before the season. */
export type LoadFinding =
  | { code: 'noClutch' }
  | { code: 'unwell' }
  | { code: 'spent'; share: number }
  | { code: 'refuses'; times: number }
  | { code: 'oneASeason' }
  | { code: 'most'; clutches: number }
  /** Whether she was weighed since laying, so that the weight before is the one that is missing. */
  | { code: 'notWeighed'; since: boolean }
  | { code: 'thin'; share: number }
  | { code: 'usual'; clutches: number }
  | { code: 'strong'; share: number }

/** What is known of her since her first clutch of the season. */
export interface LoadSeen {
  clutches: number
  /** Day of the last clutch. */
  last: Day
  before: Weighing | null
  after: Weighing | null
  /** Her latest weight, where it is of after the last clutch. */
  now: Weighing | null
  ofBefore: number | null
  mealsSince: number
  refusedSince: number
}
