import { calendarOf, dayFromIso } from '#core/units'

/** Hours that a demonstration let pass. */
let passedHours = 0

/**
 * The present of the house: noon of the day held by MANTEL_TODAY, else the real present; with the hours that were let
 * pass in a demonstration.
 * @returns milliseconds since 1970
 */
export function houseNow(): number {
  const held = process.env.MANTEL_TODAY
  return (held ? dayFromIso(held) * 86_400_000 + 12 * 3_600_000 : Date.now()) + passedHours * 3_600_000
}

/** Moves the present of a demonstration ahead. */
export function letTimePass(hours: number): void {
  passedHours += hours
}

/**
 * The calendar day of the house in its time zone; a held day is that day in every zone. `fixed` when it does not run by
 * itself.
 */
export function currentDay(timeZone: string): { today: number; fixed: boolean } {
  const held = process.env.MANTEL_TODAY
  return held
    ? { today: dayFromIso(held) + Math.floor((12 + passedHours) / 24), fixed: true }
    : { today: calendarOf(timeZone)(houseNow()), fixed: false }
}
