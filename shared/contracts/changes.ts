import { z } from 'zod'
import type { Delta } from '../delta'
import type { HouseSnapshot, PlansSnapshot, SeasonSnapshot } from './house'
import { Token } from './since'

/** The house and what follows from it at once, of one version. */
export interface Told {
  house: HouseSnapshot
  season: SeasonSnapshot
}

/**
 * What has changed since a state that was told before: a delta on it, or the whole where that one is no longer known.
 */
export type Changes<T> = { token: string } & ({ from: string; delta: Delta } | { whole: T })

export type HouseChanges = Changes<Told>
export type PlanChanges = Changes<PlansSnapshot>

/** GET /api/changes and /api/plans/changes */
export const ReadChanges = z.strictObject({ since: Token.optional() })

/** The answer to POST /api/entries. */
export interface WroteEntries {
  written: string[]
  /** Sent before and written then: nothing was done again. */
  known: string[]
  /** Entries written before that are on another day now, since the time zone is another. */
  redated?: number
  changes?: HouseChanges
}
