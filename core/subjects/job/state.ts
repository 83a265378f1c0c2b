import type { Day } from '../../chance'
import type { Observed } from '../../log'
import type { CareDone } from '../care'

/** A job of the house's own: what comes round, where and how often. */
export interface JobState {
  id: string
  name: string
  /** Where it is done; none: in the house as a whole. */
  placeIds: readonly string[]
  /** Where this species lives, wherever that is. */
  speciesId?: string | null
  everyDays: number
  /** On these days of the week instead, 0 = Sunday. */
  weekdays?: readonly number[] | null
  /** Only in these months, 1 to 12; over the turn of the year when `to` is before `from`. */
  months?: { from: number; to: number } | null
  toleranceDays: number
  /** The first day on which it is due. */
  fromDay: Day
  ended: Observed | null
  /** When it was done in the house as a whole. */
  care?: CareDone
}

declare module '../../log/house' {
  interface StateOf {
    job: JobState
  }
  interface House {
    jobs: Record<string, JobState>
  }
}
