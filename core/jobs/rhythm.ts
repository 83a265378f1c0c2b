import type { Fact } from '../almanac'

/** How often a job comes round at a place, and why. */
export interface JobRhythm {
  job: string
  /** Half a day is twice a day. */
  everyDays: number
  toleranceDays: number
  /** The species that wants it most often, with its row; null where the house says so itself. */
  speciesId: string | null
  fact: Fact | null
}
