import type { Day } from '../../chance'
import type { Observed } from '../../log'

export interface ClutchState {
  id: string
  tag: string
  /** The pair it is of; null for one of a group without tags. */
  pairingId: string | null
  groupId: string | null
  speciesId: string
  /** 1 for the first clutch of the pairing. */
  number: number
  kind: 'eggs' | 'litter' | 'spawn'
  startDay: Day
  eggs: number
  slugs: number
  tempC: number | null
  placeId: string | null
  /** Good eggs by the latest candling. */
  good: number | null
  eggsLost: number
  hatched: { day: Day; count: number; entryId: string }[]
  metamorphosed: { day: Day; count: number; entryId: string }[]
  youngLost: number
  tagged: number
  sold: number
  /** Young that were put with a group without tags. */
  grouped: readonly { at: string; count: number }[]
  firstFed: Observed | null
  lastFed: (Observed & { prey: string; each: number }) | null
  /** What the group was offered in all, by meal. */
  meals: { day: Day; at: string; prey: string; count: number }[]
  lastCheck: Observed | null
  lastCandled: Observed | null
  /** Young counted by look at a locus, without cards of their own. */
  looksCounted: (Observed & { locusId: string; counts: { look: string; count: number }[] })[]
  ended: Observed | null
}

declare module '../../log/house' {
  interface StateOf {
    clutch: ClutchState
  }
  interface House {
    clutches: Record<string, ClutchState>
  }
}
