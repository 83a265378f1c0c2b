import type { Almanac } from '../../almanac'
import { dayLengthHours, dayOfYear } from '../../brumation'
import type { Day } from '../../chance'
import { waysUp } from '../../places'
import type { House, LightHours } from '../../subjects'

const DAY_HOURS = 24
/** A timer is set to quarters of an hour. */
const toQuarters = (hours: number) => Math.round(hours * 4) / 4

/** Hours of the longest day brought to a day of the year, about their middle: as long as it is light outside. */
function bySun({ on, off }: LightHours, day: Day, latitude: number, least: number): LightHours {
  const longest = off > on ? off - on : off - on + DAY_HOURS
  const hours = Math.min(longest, Math.max(Math.min(least, longest), dayLengthHours(latitude, dayOfYear(day))))
  const middle = on + longest / 2
  const around = (hour: number) => ((toQuarters(hour) % DAY_HOURS) + DAY_HOURS) % DAY_HOURS
  return { on: around(middle - hours / 2), off: around(middle + hours / 2) }
}

/**
 * Hours of light of a place on a day: its own, those of what it stands in, or those of the almanac.
 * @param latitude of the house, degrees; null where it is not said: hours by the sun are then those of the longest day
 */
export function lightHoursOf(
  house: Pick<House, 'places'>,
  almanac: Almanac,
  placeId: string,
  day: Day,
  latitude: number | null,
): LightHours {
  const { lightOn, lightOff, lightLeast } = almanac.common
  for (const { light } of waysUp(house.places, placeId)) {
    if (!light) continue
    return light.bySun && latitude !== null ? bySun(light, day, latitude, lightLeast!.value) : light
  }
  return { on: lightOn!.value, off: lightOff!.value }
}

/** Whether lamps are on at an hour of the clock, 0 up to 24; over midnight when they go off before they go on. */
export const isLightAt = ({ on, off }: LightHours, clock: number): boolean =>
  on < off ? clock >= on && clock < off : clock >= on || clock < off

/** An hour of the clock as it is said: 7:45. */
export const tellHour = (hour: number): string =>
  `${Math.floor(hour)}:${String(Math.round((hour % 1) * 60)).padStart(2, '0')}`
