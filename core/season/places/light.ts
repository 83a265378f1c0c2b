import type { Almanac } from '../../almanac'
import { waysUp } from '../../places'
import type { House, LightHours } from '../../subjects'

/** Hours of light of a place: its own, those of what it stands in, or those of the almanac. */
export function lightHoursOf(house: House, almanac: Almanac, placeId: string): LightHours {
  for (const { light } of waysUp(house.places, placeId)) if (light) return light
  return { on: almanac.common.lightOn!.value, off: almanac.common.lightOff!.value }
}

/** Whether lamps are on at an hour of the clock, 0 up to 24; over midnight when they go off before they go on. */
export const isLightAt = ({ on, off }: LightHours, clock: number): boolean =>
  on < off ? clock >= on && clock < off : clock >= on || clock < off
