import type { SeasonContext } from '../context'
import type { Alarm, ColdPlaceView } from '../contracts'
import { tellColdPlace } from './coldPlaceWording'

/** A cold place that is too cold or too warm for those in it, or is no longer read. */
export function coldPlaceAlarms(place: ColdPlaceView, { house, settings }: SeasonContext): Alarm[] {
  if (!place.animalIds.length) return []
  const tags = place.animalIds.map(id => house.animals[id]!.tag).sort()
  return place.troubles.map(trouble => ({
    id: `climate:${trouble.kind}:${place.placeId}`,
    level: trouble.level,
    subject: { type: 'place', id: place.placeId },
    ...tellColdPlace({ name: place.name, trouble, tags, tempUnit: settings.tempUnit }),
    reasons: place.reasons,
  }))
}
