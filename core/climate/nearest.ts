import { seriesOf, type Channel, type HourlyLog, type Zone } from '../channels'
import { waysUp } from '../places'
import type { House, Place } from '../subjects'

type Standing = Pick<House, 'places' | 'climate'>

/** Places that make their own climate: what a room around them reads says nothing of them. */
const CLOSED: readonly Place['kind'][] = ['incubator', 'cold']

export interface NearestLog {
  log: HourlyLog
  /** The place whose log it is: the place itself, or one that it stands in. */
  placeId: string
  zone: Zone
}

/**
 * The log of the nearest place on the way up that has one of these zones, the first of them before the others. A tub
 * shares the probe of its rack; an incubator or a cold place does not share that of the room around it.
 */
export function nearestLog(
  { places, climate }: Standing,
  placeId: string | null,
  channel: Channel,
  zones: readonly Zone[] = ['air'],
): NearestLog | null {
  for (const place of waysUp(places, placeId)) {
    const logs = climate[place.id]
    for (const zone of zones) {
      const log = logs?.[seriesOf(channel, zone)]
      if (log) return { log, placeId: place.id, zone }
    }
    if (CLOSED.includes(place.kind)) return null
  }
  return null
}

/** The temperature log that a place stands under: of its air. */
export const climateAt = (house: Standing, placeId: string | null): NearestLog | null =>
  nearestLog(house, placeId, 'temperature')

/** The log that eggs lie under: of their own box before that of the air around it. */
export const eggLogAt = (house: Standing, placeId: string | null): NearestLog | null =>
  nearestLog(house, placeId, 'temperature', ['box', 'air'])

/** The cold place (chest, fridge) that a tub stands in; for want of one, the room it stands in. */
export function coldPlaceOf({ places }: Pick<House, 'places'>, placeId: string | null): string | null {
  let room = placeId
  for (const place of waysUp(places, placeId)) {
    room = place.id
    if (place.kind === 'cold') return place.id
  }
  return room
}
