import type { Day } from '../../chance'
import type { Observed } from '../../log'

export interface CultureState {
  id: string
  tag: string
  feederId: string
  startDay: Day
  /** Ordered, on that day, as a culture that is about to yield. */
  bought?: true
  placeId: string | null
  producing: Observed | null
  failed: Observed | null
  finished: Observed | null
  harvested: number
  lastHarvest: Observed | null
  lastLook: Observed | null
}

declare module '../../log/house' {
  interface StateOf {
    culture: CultureState
  }
  interface House {
    cultures: Record<string, CultureState>
  }
}
