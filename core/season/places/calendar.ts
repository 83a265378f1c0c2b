import type { Day } from '../../chance'
import { calendarOf } from '../../units'
import type { SeasonContext } from '../context'

const CALENDARS = Symbol('calendars')

/** Calendar day of an hour in a zone; kept by zone, since the calendar remembers what it worked out. */
export function calendarFor(zone: string, { memory }: SeasonContext): (hour: number) => Day {
  const calendars = memory?.room(CALENDARS, () => new Map<string, (hour: number) => Day>()) ?? new Map()
  let dayOf: ((hour: number) => Day) | undefined = calendars.get(zone)
  if (!dayOf) {
    const calendar = calendarOf(zone)
    calendars.set(zone, (dayOf = hour => calendar(hour * 3_600_000)))
  }
  return dayOf
}
