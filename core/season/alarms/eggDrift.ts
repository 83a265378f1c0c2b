import { speciesOf } from '../../almanac'
import { DAY_READ, degreesAbove, endOf, watchSpan } from '../../climate'
import type { HourlyLog } from '../../channels'
import { developmentOf } from '../../incubation'
import { temperatureAt } from '../../places'
import type { ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { eggPhase } from '../eggs'
import { tellSwing, tellTooWarm } from './eggDriftWording'

const lastDay = (log: HourlyLog) => watchSpan(log, endOf(log) - 24, endOf(log))

/** A day that was warmer than what is set, and by how much it moves each clutch: a thermostat that drifts. */
export function offAlarm(
  placeId: string,
  log: HourlyLog,
  all: readonly ClutchState[],
  context: SeasonContext,
): Alarm[] {
  const { house, almanac, settings } = context
  const clutches = all.filter(c => !eggPhase(c, context)?.phase)
  const place = house.places[placeId]
  const setC = temperatureAt(house.places, placeId)
  const day = lastDay(log)
  const id = `eggOff:${placeId}`
  if (!place || place.answered?.[id] || setC === null || !clutches.length || day.read < DAY_READ) return []
  const mean = day.mean!
  // a day that was colder is told by the hour, as a heat that may be off
  if (mean - setC < almanac.common.eggsOff!.value) return []
  const gained = clutches.map(({ tag, speciesId }) => {
    const development = developmentOf(speciesOf(almanac, speciesId).incubation!, almanac)
    const whole = degreesAbove(setC, development)
    return { tag, days: whole > 0 ? degreesAbove(mean, development) / whole - 1 : null }
  })
  const found = { name: place.name, mean, read: day.read, setC, gained, tempUnit: settings.tempUnit }
  return [
    { id, level: 'watch', subject: { type: 'place', id: placeId }, ...tellTooWarm(found, almanac), answerable: true },
  ]
}

/** A day whose warmest hour is far from its coldest: the thermostat hunts, or the lid stands open. */
export function swingAlarm(
  placeId: string,
  log: HourlyLog,
  clutches: readonly ClutchState[],
  { house, almanac, settings: { tempUnit } }: SeasonContext,
): Alarm[] {
  const place = house.places[placeId]
  const day = lastDay(log)
  const id = `eggSwing:${placeId}`
  if (!place || place.answered?.[id] || day.read < DAY_READ) return []
  const [lowest, highest] = [day.lowest!, day.highest!]
  if (highest - lowest <= almanac.common.eggsSwing!.value) return []
  const found = { name: place.name, lowest, highest, tags: clutches.map(c => c.tag).sort(), tempUnit }
  return [
    { id, level: 'watch', subject: { type: 'place', id: placeId }, ...tellSwing(found, almanac), answerable: true },
  ]
}
