import type { Observed } from '../../log'

/** What a supplier sells: so many of a feeder in one pack, at one price. */
export interface Offer {
  prey: string
  pieces: number
  /** In the money of the house. */
  price: number
  /** Taken although another is cheaper by the piece. */
  usual?: true
}

/** Whom feeders are bought from. */
export interface SupplierState {
  id: string
  name: string
  /** Days on the road. */
  leadDays: number
  /** Days of the week on which parcels leave, 0 = Sunday; null: every day. */
  sendsOn: readonly number[] | null
  /** The least that is sent, and what sending costs, in the money of the house. */
  minimum: number | null
  carriage: number | null
  /** Answers by itself, in place of a shop: to try the plan out. */
  simulated?: true
  offers: readonly Offer[]
  ended: Observed | null
}

declare module '../../log/house' {
  interface StateOf {
    supplier: SupplierState
  }
  interface House {
    suppliers: Record<string, SupplierState>
  }
}
