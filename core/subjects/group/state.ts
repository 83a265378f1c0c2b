import type { Day } from '../../chance'
import type { Observed } from '../../log'
import type { Sex } from '../sexes'

/** Animals of a group by sex; `unknown` are those of which nobody knows. */
export type GroupNumbers = Record<Sex, number>

/** Animals of one species that live together and bear no tags of their own: a colony, a tank of froglets. */
export interface GroupState {
  id: string
  tag: string
  name: string | null
  speciesId: string
  placeId: string | null
  /** The day it came to where it lives now. */
  placedDay: Day | null
  /** When those in it were born, about; null = grown, or not known. */
  bornDay: Day | null
  /** Those that belong to it, the missing among them. */
  numbers: GroupNumbers
  /** Not found when they were counted last. */
  missing: (Observed & { count: number }) | null
  /** Last look where they lay, or the last laying. */
  lastNest: Observed | null
  lastCounted: Observed | null
  lastFed: Observed | null
  /** How many were seen eating, of those that were there, oldest first. */
  seenEating?: readonly (Observed & { ate: number; of: number })[]
  /** The latest meals, oldest first: how many were offered to all together. */
  meals: { day: Day; at: string; prey: string; count: number; entryId: string }[]
  /** Weighed together, oldest first. */
  weighings: { day: Day; count: number; massG: number; entryId: string }[]
  lost: (Observed & { count: number; cause: string | null })[]
  /** Those that came to it later; of the young of a clutch, which one. */
  joined: { day: Day; at: string; count: number; clutchId: string | null; entryId: string }[]
  clutchIds: string[]
}

/** Of a group of which nothing is written yet. */
export const nothingWritten = () => ({
  missing: null,
  lastNest: null,
  lastCounted: null,
  lastFed: null,
  meals: [],
  weighings: [],
  lost: [],
  joined: [],
  clutchIds: [],
})

declare module '../../log/house' {
  interface StateOf {
    group: GroupState
  }
  interface House {
    groups: Record<string, GroupState>
  }
}
