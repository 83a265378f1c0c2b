export const PLACE_KINDS = ['room', 'rack', 'shelf', 'tub', 'incubator', 'cold'] as const

/** A room, rack, shelf, tub, incubator or cold place; they nest, and `order` is the order in which one walks. */
export interface Place {
  id: string
  name: string
  kind: (typeof PLACE_KINDS)[number]
  parentId: string | null
  order: number
  tempC: number | null
  /** How many animals (or tubs) a cold place takes; null = not said. */
  capacity: number | null
}

declare module '../../log/house' {
  interface StateOf {
    place: Place
  }
  interface House {
    places: Record<string, Place>
  }
}
