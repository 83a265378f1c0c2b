import type { ColdTrouble } from '../../brumation'
import { formatReading } from '../../channels'
import type { SeasonContext } from '../context'
import type { Alarm, ColdPlaceView } from '../contracts'
import { tellSome } from './tellSome'

const TROUBLE: Record<ColdTrouble, { text: (hours: number, read: string) => string; todo: string }> = {
  tooCold: {
    text: (_, read) => `fell to ${read}`,
    todo: 'Raise it or move them now; look at each. Frozen tissue does not come back.',
  },
  tooWarm: {
    text: (hours, read) => `is too warm, up to ${read} over ${hours} hours`,
    todo: 'Look at the cooling and the door. Warm and unfed they burn reserves: cool it today, or wake them.',
  },
  silent: {
    text: (hours, read) => `sends no reading since ${hours} hours${read && `; last ${read}`}`,
    todo: 'Look at the probe and its battery, and at a second thermometer; what happens in there is not known.',
  },
}

export function coldPlaceAlarms(place: ColdPlaceView, { house, settings }: SeasonContext): Alarm[] {
  if (!place.animalIds.length) return []
  const tags = place.animalIds.map(id => house.animals[id]!.tag).sort()
  const who = tellSome(tags)
  const shown = (tempC: number | null) => (tempC === null ? '' : formatReading('temperature', tempC, settings.tempUnit))
  return place.troubles.map((trouble): Alarm => ({
    id: `climate:${trouble.kind}:${place.placeId}`,
    level: trouble.level,
    subject: { type: 'place', id: place.placeId },
    text: `${place.name} ${TROUBLE[trouble.kind].text(trouble.hours, shown(trouble.tempC))}; in it ${who}`,
    todo: TROUBLE[trouble.kind].todo,
    reasons: place.reasons,
  }))
}
