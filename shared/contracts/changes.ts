import { z } from 'zod'
import type { Delta } from '../delta'
import type { HouseSnapshot, PlansSnapshot, SeasonSnapshot } from './house'

/** The house and what follows from it at once, of one version. */
export interface Told {
  house: HouseSnapshot
  season: SeasonSnapshot
}

/** What has changed since a state that was told before: a delta on it, or the whole where that one is no longer known. */
export type Changes<T> = { token: string } & ({ from: string; delta: Delta } | { whole: T })

export type HouseChanges = Changes<Told>
export type PlanChanges = Changes<PlansSnapshot>

/** Names a state that was told: which run of the server, which version, which day. */
export const Token = z.string().min(1).max(120)

/** GET /api/changes and /api/plans/changes */
export const ReadChanges = z.strictObject({ since: Token.optional() })
