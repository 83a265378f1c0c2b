import type { BreedingEvent } from '../../almanac'
import type { Day } from '../../chance'
import type { Observed } from '../../log'

export interface PairingState {
  id: string
  tag: string
  speciesId: string
  damId: string
  sireId: string | null
  startDay: Day
  /** Every time an event was seen, oldest first; those before the latest laying belong to earlier clutches. */
  seen: Partial<Record<BreedingEvent, Observed[]>>
  clutchIds: string[]
  /** The male is with her since; null when they are apart. */
  together: Observed | null
  /** Locks confirmed, lying together without one, and refusals, oldest first. */
  locks: Observed[]
  layTogether: Observed[]
  rejections: Observed[]
  injuries: (Observed & { who: 'dam' | 'sire' })[]
  /** Visits that are over, oldest first. */
  visits: { from: Day; to: Day }[]
  /** Largest follicle seen, oldest first. */
  follicles: { day: Day; mm: number; entryId: string }[]
  ended: Observed | null
}

declare module '../../log/house' {
  interface StateOf {
    pairing: PairingState
  }
  interface House {
    pairings: Record<string, PairingState>
  }
}
