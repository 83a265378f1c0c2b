import type { Cold, Fact, Species } from '../almanac'
import type { DayDist } from '../chance'
import type { Observed, Weighing } from '../subjects'

export type Wintering = Species & { cold: Cold }

/** What must be there before it is paired, for readinessWording.ts to tell; each with the entry where it was seen. */
export type ReadinessFinding =
  | { code: 'warmth'; warmed: Observed | null }
  | { code: 'meal'; taken: Observed | null }
  | { code: 'shed'; shed: Observed | null }
  /** Its weight of then, or the share of the starting weight that is missing. */
  | { code: 'weight'; back: Weighing }
  | { code: 'weight'; back: null; missing: number }

/** One of them, with the day on which it is expected or was seen. */
export interface ReadinessCondition {
  finding: ReadinessFinding
  dist: DayDist
  /** Set where it was seen. */
  seen: Observed | null
}

/** How the school of the house came to say which of them count. */
export type SchoolFinding =
  | { code: 'school'; name: string; reason: string }
  /** Chosen by what it lost in the cold; null when that is not known. */
  | { code: 'byLoss'; lostShare: number | null; limit: Fact; means: string }
