import type { Day } from '../../chance'

/** What cultures are made of, as far as it is kept count of. */
export interface MaterialState {
  /** Name and unit, as a recipe says them. */
  id: string
  counted: { day: Day; amount: number; entryId: string } | null
  /** What came in since. */
  bought: { day: Day; amount: number; price?: number }[]
  /** The last price that was said, for so much of it, in the money of the house. */
  price: { amount: number; price: number } | null
}

/** How a material is named in the log: by what it is and its unit. */
export const materialId = (what: string, unit: string): string => `${what}|${unit}`

declare module '../../log/house' {
  interface StateOf {
    material: MaterialState
  }
  interface House {
    materials: Record<string, MaterialState>
  }
}
