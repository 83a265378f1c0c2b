import type { Day } from '../../chance'

/** Stock of prey: the last count, what came in since, and what was offered since, to animals and to groups. */
export interface StockState {
  prey: string
  counted: { day: Day; at: string; count: number; entryId: string } | null
  received: number
  /** Deliveries since the last count. */
  arrivals: { day: Day; at: string; count: number }[]
  /** Thrown away since the last count: dead, too large by now, gone off. */
  discards: { day: Day; at: string; count: number }[]
  /** Offered since the last count (or the first delivery), by meal. */
  used: { day: Day; count: number }[]
  lastReceived: { day: Day; count: number; entryId: string } | null
  onOrder: { day: Day; count: number; entryId: string }[]
  /** Counted and received less offered; what has gone off since is not taken off (see `usableStock`). */
  left: number
}

declare module '../../log/house' {
  interface StateOf {
    prey: StockState
  }
  interface House {
    stocks: Record<string, StockState>
  }
}
