import type { Place } from './place/state'

/** A place and those it stands in, from the inside out; a place that contains itself by mistake ends the way. */
export function* waysUp(places: Readonly<Record<string, Place>>, placeId: string | null): Generator<Place> {
  const met = new Set<string>()
  for (let place = placeId ? places[placeId] : undefined; place && !met.has(place.id);) {
    met.add(place.id)
    yield place
    place = place.parentId ? places[place.parentId] : undefined
  }
}

/** Whether a place is quarantine, by itself or by what it stands in. */
export function isQuarantine(places: Readonly<Record<string, Place>>, placeId: string | null): boolean {
  for (const { quarantine } of waysUp(places, placeId)) if (quarantine) return true
  return false
}
