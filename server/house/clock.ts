import { calendarOf, dayFromIso } from '#core/units'

/** The calendar day of the house: held by MANTEL_TODAY for demonstrations, else today in its time zone. */
export function currentDay(timeZone: string): { today: number, fixed: boolean } {
  const held = process.env.MANTEL_TODAY
  return held ? { today: dayFromIso(held), fixed: true } : { today: calendarOf(timeZone)(Date.now()), fixed: false }
}
