import type { Day } from '../../chance'
import type { Observed } from '../../log'

export interface LampState {
  id: string
  tag: string
  placeId: string | null
  lamp: string
  fittedDay: Day
  lifeDays: number
  replaced: Observed | null
}

declare module '../../log/house' {
  interface StateOf {
    lamp: LampState
  }
  interface House {
    lamps: Record<string, LampState>
  }
}
