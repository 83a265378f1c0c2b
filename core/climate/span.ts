import type { HourlyLog } from '../channels'
import type { Day } from '../chance'

/** What a value should lie between. */
export interface Limits {
  low: number
  high: number
}

export interface Run {
  fromHour: number
  hours: number
}

/**
 * What the readings of a place say over a span of hours. Nothing is filled in: hours without a reading are counted as
 * such.
 */
export interface SpanWatch {
  hours: number
  read: number
  mean: number | null
  lowest: number | null
  highest: number | null
  hoursBelow: number
  hoursAbove: number
  longestBelow: Run | null
  longestAbove: Run | null
  longestMissing: Run | null
  /** Degree-hours (or percent-hours) over the hold: each hour's mean above it, added up. */
  hoursTimesAbove: number
  /** Means of the hours with and without light; null where none was read. */
  lightMean: number | null
  darkMean: number | null
  /** Latest reading, and hours since without one. */
  latest: { hour: number; mean: number } | null
  silentHours: number
}

export interface SpanWays {
  /** Limits of every hour, or of each; null: none holds then. */
  limits?: Limits | null | ((hour: number) => Limits | null)
  /** What hours are counted above, as degree-hours. */
  hold?: number
  /** Whether it is light at an hour; all are, where it is not said. */
  isLight?: (hour: number) => boolean
}

function longest(best: Run | null, from: number, hours: number): Run | null {
  return hours > 0 && (!best || hours > best.hours) ? { fromHour: from, hours } : best
}

/** The mean of an hour of a log; NaN where nothing was read. */
export function hourOf(log: HourlyLog, hour: number): number {
  const i = hour - log.from
  return i >= 0 && i < log.mean.length ? log.mean[i]! : Number.NaN
}

/** The hour after the last of a log: the present, since logs run on to it. */
export const endOf = (log: HourlyLog): number => log.from + log.mean.length

/** Hours since the last that was read, where they are so many at least, or nothing ever was; else null. */
export function silentFor({ mean }: HourlyLog, atLeast: number): number | null {
  for (let hour = mean.length - 1; hour >= 0; hour--) {
    const silent = mean.length - 1 - hour
    if (!Number.isNaN(mean[hour]!)) return silent >= atLeast ? silent : null
  }
  return mean.length
}

/**
 * Watches a span of a log. O(hours).
 * @param fromHour first hour since 1970, UTC, included; `toHour` is not
 */
export function watchSpan(log: HourlyLog, fromHour: number, toHour: number, ways: SpanWays = {}): SpanWatch {
  const { limits = null, hold, isLight } = ways
  const limitsAt = typeof limits === 'function' ? limits : () => limits
  const w: SpanWatch = {
    hours: Math.max(0, toHour - fromHour),
    read: 0,
    mean: null,
    lowest: null,
    highest: null,
    hoursBelow: 0,
    hoursAbove: 0,
    longestBelow: null,
    longestAbove: null,
    longestMissing: null,
    hoursTimesAbove: 0,
    lightMean: null,
    darkMean: null,
    latest: null,
    silentHours: 0,
  }
  const run = { below: 0, above: 0, missing: 0 }
  const sums = { light: 0, dark: 0, lightHours: 0 }
  for (let hour = fromHour; hour < toHour; hour++) {
    const mean = hourOf(log, hour)
    if (Number.isNaN(mean)) {
      run.missing++
      w.longestMissing = longest(w.longestMissing, hour - run.missing + 1, run.missing)
      // whether it went on is not known, so a run ends here
      run.below = run.above = 0
      continue
    }
    const i = hour - log.from
    const held = limitsAt(hour)
    run.missing = 0
    w.read++
    w.latest = { hour, mean }
    w.lowest = Math.min(w.lowest ?? Infinity, log.min[i]!)
    w.highest = Math.max(w.highest ?? -Infinity, log.max[i]!)
    run.below = held && mean < held.low ? run.below + 1 : 0
    run.above = held && mean > held.high ? run.above + 1 : 0
    if (run.below) w.hoursBelow++
    if (run.above) w.hoursAbove++
    w.longestBelow = longest(w.longestBelow, hour - run.below + 1, run.below)
    w.longestAbove = longest(w.longestAbove, hour - run.above + 1, run.above)
    if (hold !== undefined) w.hoursTimesAbove += Math.max(0, mean - hold)
    if (isLight?.(hour) ?? true) {
      sums.light += mean
      sums.lightHours++
    } else sums.dark += mean
  }
  w.silentHours = run.missing
  if (w.read) w.mean = (sums.light + sums.dark) / w.read
  if (sums.lightHours) w.lightMean = sums.light / sums.lightHours
  if (w.read > sums.lightHours) w.darkMean = sums.dark / (w.read - sums.lightHours)
  return w
}

export interface ClimateDay {
  day: Day
  min: number
  mean: number
  max: number
  /** Hours read, and those among them that were outside what holds then. */
  read: number
  outside: number
}

/**
 * A log by calendar days: lowest, mean, highest and hours read; days without a reading are left out.
 * @param dayOf calendar day in which an hour (since 1970, UTC) begins, in the house's own zone
 * @param limitsAt what holds in an hour; null: nothing does
 */
export function dailyOf(
  log: HourlyLog,
  fromDay: Day,
  toDay: Day,
  dayOf: (hour: number) => Day,
  limitsAt: (hour: number) => Limits | null = () => null,
): ClimateDay[] {
  const days = new Map<Day, ClimateDay>()
  // a day of any zone begins within a day of the UTC one
  const last = Math.min(endOf(log), (toDay + 2) * 24)
  for (let hour = Math.max(log.from, (fromDay - 1) * 24); hour < last; hour++) {
    const i = hour - log.from
    const mean = log.mean[i]!
    if (Number.isNaN(mean)) continue
    const day = dayOf(hour)
    if (day < fromDay || day > toDay) continue
    const held = limitsAt(hour)
    const outside = held && (mean < held.low || mean > held.high) ? 1 : 0
    const known = days.get(day)
    if (!known) days.set(day, { day, min: log.min[i]!, mean, max: log.max[i]!, read: 1, outside })
    else {
      known.mean = (known.mean * known.read + mean) / (known.read + 1)
      known.read++
      known.outside += outside
      known.min = Math.min(known.min, log.min[i]!)
      known.max = Math.max(known.max, log.max[i]!)
    }
  }
  return [...days.values()]
}
