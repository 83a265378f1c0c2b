import type { Day } from '../chance'

const MS_PER_DAY = 86_400_000
const MS_PER_SLOT = 15 * 60_000

export class CalendarError extends Error {
  override name = 'CalendarError'
}

/**
 * `2026-11-25` → days since 1970-01-01. Calendar days have no hours, so daylight saving cannot touch them.
 * @throws CalendarError for a day that no calendar has
 */
export function dayFromIso(iso: string): Day {
  // parsed as text: years below 100 would be taken for 19xx as numbers
  const ms = /^\d{4}-\d{2}-\d{2}$/.test(iso) ? Date.parse(`${iso}T00:00:00Z`) : Number.NaN
  if (Number.isNaN(ms) || new Date(ms).toISOString().slice(0, 10) !== iso)
    throw new CalendarError(`“${iso}” is not a day of the calendar.`)
  return ms / MS_PER_DAY
}

export function dayToIso(day: Day): string {
  return new Date(day * MS_PER_DAY).toISOString().slice(0, 10)
}

/** 0 = Sunday … 6 = Saturday. 1970-01-01 was a Thursday. */
export function weekday(day: Day): number {
  return (((day + 4) % 7) + 7) % 7
}

/** The first day on or after `from` that falls on the weekday (0 = Sunday). */
export function nextWeekday(from: Day, wanted: number): Day {
  return from + ((wanted - weekday(from) + 7) % 7)
}

export function isTimeZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}

/** Milliseconds that the clocks of a zone are ahead of UTC, remembered per quarter of an hour (the finest step). */
function offsetsOf(zone: string): (ms: number) => number {
  if (!isTimeZone(zone)) throw new CalendarError(`The time zone “${zone}” is not known.`)
  const format = new Intl.DateTimeFormat('en-US', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    second: 'numeric',
  })
  const offsets = new Map<number, number>()
  return instant => {
    const slot = Math.floor(instant / MS_PER_SLOT)
    const known = offsets.get(slot)
    if (known !== undefined) return known
    const ms = slot * MS_PER_SLOT
    const parts = Object.fromEntries(format.formatToParts(ms).map(p => [p.type, Number(p.value)]))
    const offset = Date.UTC(parts.year!, parts.month! - 1, parts.day!, parts.hour!, parts.minute!, parts.second!) - ms
    offsets.set(slot, offset)
    return offset
  }
}

/**
 * A function from instants to calendar days of one time zone; half a million entries cost little.
 * @param zone IANA name such as `Europe/Berlin`
 * @throws CalendarError for an unknown zone
 */
export function calendarOf(zone: string): (instant: string | number) => Day {
  const offsetAt = offsetsOf(zone)
  return instant => {
    const ms = typeof instant === 'number' ? instant : Date.parse(instant)
    if (Number.isNaN(ms)) throw new CalendarError(`“${instant}” is not an instant.`)
    return Math.floor((ms + offsetAt(ms)) / MS_PER_DAY)
  }
}

/**
 * A function from instants (ms since 1970) to the hour on the clocks of a zone, 0 up to 24; summer time moves them.
 * @throws CalendarError for an unknown zone
 */
export function clockOf(zone: string): (ms: number) => number {
  const offsetAt = offsetsOf(zone)
  return ms => {
    const local = ms + offsetAt(ms)
    return (local - Math.floor(local / MS_PER_DAY) * MS_PER_DAY) / 3_600_000
  }
}

/**
 * A function from what the clocks of a zone show to the instant, both in ms (the clock as if it were of UTC). An hour
 * that comes twice at the end of summer counts as its first time; one that is left out counts as the clocks before it.
 * @throws CalendarError for an unknown zone
 */
export function instantsOf(zone: string): (clockMs: number) => number {
  const offsetAt = offsetsOf(zone)
  return clock => {
    const before = offsetAt(clock - MS_PER_DAY)
    const after = offsetAt(clock + MS_PER_DAY)
    const tries = [clock - Math.max(before, after), clock - Math.min(before, after)]
    return tries.find(ms => ms + offsetAt(ms) === clock) ?? clock - before
  }
}

/** Hours tried for the middle of a day, in UTC: noon there is another day already where clocks are far ahead. */
const NEAR_NOON = [12, 6, 0, 18, 23]

/**
 * The instant that stands for a day on which the hour is not known: about its noon, and on that day in the time zone.
 * @throws CalendarError for an unknown zone
 */
export function noonOf(day: Day, zone: string): string {
  const dayOf = calendarOf(zone)
  const instants = NEAR_NOON.map(hour => day * MS_PER_DAY + hour * 3_600_000)
  return new Date(instants.find(ms => dayOf(ms) === day) ?? instants[0]!).toISOString()
}

/** Days of the week, Sunday first. */
export const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const
/** `Sun` */
export const shortWeekday = (day: number): string => WEEKDAYS[day]!.slice(0, 3)
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

function partsOf(day: Day) {
  const date = new Date(day * MS_PER_DAY)
  return { year: date.getUTCFullYear(), month: date.getUTCMonth(), date: date.getUTCDate() }
}

/** `12 Jun`, with the year when it is not that of `today`. */
export function formatDay(day: Day, today?: Day): string {
  const { year, month, date } = partsOf(day)
  const sameYear = today === undefined || Math.abs(day - today) < 300 || partsOf(today).year === year
  return `${date} ${MONTHS[month]}${sameYear ? '' : ` ${year}`}`
}

/** `12 Jun 2026`, for what is read long after. */
export function formatFullDay(day: Day): string {
  const { year, month, date } = partsOf(day)
  return `${date} ${MONTHS[month]} ${year}`
}

/** `Tue 9 Jun` */
export function formatWeekday(day: Day): string {
  return `${shortWeekday(weekday(day))} ${formatDay(day)}`
}

/**
 * A day with its 80 % range: `12 Jun (8–17)`, `30 Jun (26 Jun–4 Jul)`, `28 Dec (20 Dec–8 Jan 2027)` over New Year, or
 * `12 Jun` when it is certain.
 */
export function formatRange({ median, low, high }: { median: Day; low: Day; high: Day }): string {
  if (low === high) return formatDay(median)
  const [from, middle, to] = [low, median, high].map(partsOf) as [
    ReturnType<typeof partsOf>,
    ReturnType<typeof partsOf>,
    ReturnType<typeof partsOf>,
  ]
  const months = [from, middle, to].map(d => d.month)
  // over New Year the first day of the new year names it
  if (from.year !== to.year)
    return middle.year === to.year
      ? `${formatDay(median)} ${to.year} (${formatDay(low)}–${formatDay(high)})`
      : `${formatDay(median)} (${formatDay(low)}–${formatDay(high)} ${to.year})`
  const short = months.every(m => m === months[1])
  return short
    ? `${formatDay(median)} (${partsOf(low).date}–${partsOf(high).date})`
    : `${formatDay(median)} (${formatDay(low)}–${formatDay(high)})`
}

/** How long ago or ahead: `today`, `3 days ago`, `in 2 weeks`. */
export function formatDistance(day: Day, today: Day): string {
  const days = day - today
  if (days === 0) return 'today'
  if (days === 1) return 'tomorrow'
  if (days === -1) return 'yesterday'
  const size = Math.abs(days)
  const text =
    size < 14 ? `${size} days` : size < 70 ? `${Math.round(size / 7)} weeks` : `${Math.round(size / 30.44)} months`
  return days < 0 ? `${text} ago` : `in ${text}`
}
