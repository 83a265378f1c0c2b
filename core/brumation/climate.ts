import type { HourlyLog, House } from '../subjects'

/** Noon of a calendar day, in hours since 1970 UTC: a weighing has no hour, so its day is counted from noon to noon. */
export const noonOf = (day: number): number => day * 24 + 12

/** The log of the nearest place on the way up that has one: a tub shares the chest's probe. */
export function climateAt(
  house: Pick<House, 'places' | 'climate'>,
  placeId: string | null,
): { log: HourlyLog; placeId: string } | null {
  const met = new Set<string>()
  for (let id = placeId; id && !met.has(id); id = house.places[id]?.parentId ?? null) {
    met.add(id)
    const log = house.climate[id]
    if (log) return { log, placeId: id }
  }
  return null
}

/** The cold place (chest, fridge) that a tub stands in; for want of one, the room it stands in. */
export function coldPlaceOf(house: Pick<House, 'places'>, placeId: string | null): string | null {
  const met = new Set<string>()
  let room = placeId
  for (let id = placeId; id && !met.has(id); id = house.places[id]?.parentId ?? null) {
    met.add(id)
    room = id
    if (house.places[id]?.kind === 'cold') return id
  }
  return room
}
