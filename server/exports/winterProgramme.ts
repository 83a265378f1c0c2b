import ical, { ICalEventTransparency } from 'ical-generator'
import { lightHoursAt, setpointAt, type Programme } from '#core/brumation'
import { dayToIso } from '#core/units'
import { csvOf } from '#shared/csv'

const two = (n: number): string => String(n).padStart(2, '0')

/** A line of a calendar file ends at a line break: names from before that rule may hold some. */
const oneLine = (text: string): string => text.replaceAll(/\p{Cc}+/gu, ' ')

/** Hourly setpoints of a programme, by the clock of the house, as CSV (RFC 4180). */
export function programmeCsv(programme: Programme, latitude: number | null): string {
  const rows: { time: string; setpoint_c: string; light_hours: string }[] = []
  for (let hour = (programme.coolDay - 1) * 24; hour <= (programme.warmDay + 1) * 24; hour++) {
    const day = Math.floor(hour / 24)
    rows.push({
      time: `${dayToIso(day)}T${two(hour - day * 24)}:00`,
      setpoint_c: setpointAt(programme, hour).toFixed(2),
      light_hours: lightHoursAt(programme, day, latitude).toFixed(2),
    })
  }
  return csvOf(rows)
}

/** The days of a programme that one acts on. */
export function programmeDays(programme: Programme): { day: number; what: string }[] {
  const rest = programme.kind === 'dormancy'
  return [
    { day: programme.lastMealDay, what: 'Last meal' },
    ...programme.bathDays.map(day => ({ day, what: 'Bathe' })),
    { day: programme.coolDay, what: rest ? 'Begin the rest' : 'Begin to cool down' },
    { day: programme.holdDay, what: `Hold at ${programme.holdC} °C` },
    ...(programme.maleDay === null ? [] : [{ day: programme.maleDay, what: 'Put the male with the female' }]),
    { day: programme.wakeDay, what: rest ? 'End the rest' : 'Warm up; separate those that share a tub' },
    ...(programme.warmDay > programme.wakeDay
      ? [{ day: programme.warmDay, what: `Full warmth, ${programme.warmC} °C` }]
      : []),
    { day: programme.firstMealDay, what: rest ? 'Meals as usual' : 'First meal, smaller than usual' },
  ].sort((a, b) => a.day - b.day)
}

/** The programme as calendar entries (RFC 5545), each a whole day. */
export function programmeCalendar(
  groupId: string,
  title: string,
  programme: Programme,
  houseName: string,
  stamp: Date,
): string {
  const calendar = ical({
    name: oneLine(`${houseName}: ${title}`),
    prodId: { company: 'Mantel', product: 'Mantel', language: 'EN' },
  })
  programmeDays(programme).forEach(({ day, what }, i) => {
    calendar.createEvent({
      id: `${groupId}-${i}@mantel`,
      stamp,
      start: new Date(day * 86_400_000),
      end: new Date((day + 1) * 86_400_000),
      allDay: true,
      timezone: null,
      summary: oneLine(`${title}: ${what}`),
      transparency: ICalEventTransparency.TRANSPARENT,
    })
  })
  return calendar.toString()
}
