import { waysUp, type Place } from '../subjects'

/** Where a thing stands, from the room down, and its rank in the walk through the house. */
export interface Route {
  /** Names from the room down. */
  names: string[]
  roomId: string | null
  /** Compares by room, rack, tub in the keeper's own order; nothing known comes last. */
  rank: number[]
}

const NOWHERE: Route = { names: ['No place'], roomId: null, rank: [Number.MAX_SAFE_INTEGER] }

/**
 * The way to a place. A place that contains itself by mistake ends the way instead of running on.
 */
export function routeTo(places: Readonly<Record<string, Place>>, placeId: string | null): Route {
  const names: string[] = []
  const rank: number[] = []
  let roomId: string | null = null
  for (const place of waysUp(places, placeId)) {
    names.unshift(place.name)
    rank.unshift(place.order)
    roomId = place.id
  }
  return names.length ? { names, roomId, rank } : NOWHERE
}

/** Negative when `a` is walked before `b`. */
export function compareRoutes(a: Route, b: Route): number {
  for (let i = 0; i < Math.max(a.rank.length, b.rank.length); i++) {
    const step = (a.rank[i] ?? -1) - (b.rank[i] ?? -1)
    if (step) return step
  }
  return 0
}

/** The temperature of the nearest place on the way up that has one, °C. */
export function temperatureAt(places: Readonly<Record<string, Place>>, placeId: string | null): number | null {
  for (const { tempC } of waysUp(places, placeId)) if (tempC !== null) return tempC
  return null
}
