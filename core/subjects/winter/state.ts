import type { Day } from '../../chance'
import type { Observed } from '../../log'

/** What a group or one animal does differently from its species in winter. Days and °C; null falls back. */
export interface WinterWays {
  gutClearDays?: number | null
  stepDownDays?: number | null
  holdC?: number | null
  holdDays?: number | null
  lightHours?: number | null
  /** Schools of this group or animal: see the almanac. */
  warmUp?: string | null
  pairAfterCold?: string | null
}

/** Animals that go through the winter together. */
export interface WinterGroup {
  id: string
  tag: string
  speciesId: string
  placeId: string | null
  /** Day on which the temperature begins to fall. */
  coolDay: Day
  ways: WinterWays
  members: Record<string, WinterWays>
  ended: Observed | null
}

declare module '../../log/house' {
  interface StateOf {
    winter: WinterGroup
  }
  interface House {
    winters: Record<string, WinterGroup>
  }
}
