import type { ColdTrouble } from '../../brumation'
import type { House } from '../../subjects'
import type { Alarm, ColdPlaceView } from '../contracts'
import { tellSome } from './tellSome'

const TROUBLE: Record<ColdTrouble, { text: (hours: number, tempC: number | null) => string; todo: string }> = {
  tooCold: {
    text: (_, t) => `fell to ${t!.toFixed(1)} °C`,
    todo: 'Raise it or move them now; look at each. Frozen tissue does not come back.',
  },
  tooWarm: {
    text: (h, t) => `is too warm, up to ${t!.toFixed(1)} °C over ${h} hours`,
    todo: 'Look at the cooling and the door. Warm and unfed they burn reserves: cool it today, or wake them.',
  },
  silent: {
    text: (h, t) => `sends no reading since ${h} hours${t === null ? '' : `; last ${t.toFixed(1)} °C`}`,
    todo: 'Look at the probe and its battery, and at a second thermometer; what happens in there is not known.',
  },
}

export function coldPlaceAlarms(place: ColdPlaceView, house: House): Alarm[] {
  if (!place.animalIds.length) return []
  const tags = place.animalIds.map(id => house.animals[id]!.tag).sort()
  const who = tellSome(tags)
  return place.troubles.map((trouble): Alarm => ({
    id: `climate:${trouble.kind}:${place.placeId}`,
    level: trouble.level,
    subject: { type: 'place', id: place.placeId },
    text: `${place.name} ${TROUBLE[trouble.kind].text(trouble.hours, trouble.tempC)}; in it ${who}`,
    todo: TROUBLE[trouble.kind].todo,
    reasons: place.reasons,
  }))
}
