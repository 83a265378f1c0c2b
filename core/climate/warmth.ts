import type { HourlyLog } from '../channels'
import { endOf, hourOf } from './span'

/** What readings come to for something that develops with warmth. */
export interface Warmth {
  /** The constant temperature at which it would be just as far, and go on as it now does, °C. */
  tempC: number
  /** Mean of what was read since it began, °C. */
  meanC: number | null
  /** What it is taken to be from now on, °C. */
  goesOnAtC: number
  hours: number
  /** Hours for which something was read; the others are counted at what the place is set to. */
  read: number
}

/** Development per hour in a straight line with warmth: nothing up to `baseC`, no quicker over `bestC`. */
export interface Development {
  baseC: number
  bestC: number
  /** Degree-days from beginning to end. */
  degreeDays: number
  /** Readings of so many hours say what the place does from now on. */
  latelyHours: number
}

/** The mean of the last so many hours, where at least half of them were read. */
export function latelyOf(log: HourlyLog, latelyHours: number): number | null {
  const now = endOf(log)
  let [sum, read] = [0, 0]
  for (let hour = now - latelyHours; hour < now; hour++) {
    const mean = hourOf(log, hour)
    if (!Number.isNaN(mean)) [sum, read] = [sum + mean, read + 1]
  }
  return read >= latelyHours / 2 ? sum / read : null
}

/**
 * Sums development over the log of a place: hours read at what was read, the others at `setC`, and from now on at what
 * the place lately was. Since development is a straight line, this is one constant temperature that gives the same day.
 * O(hours).
 * @param fromHour hour (since 1970, UTC) in which it began
 * @param setC what the place is set to, °C
 */
export function warmthOver(
  log: HourlyLog,
  fromHour: number,
  setC: number,
  { baseC, bestC, degreeDays, latelyHours }: Development,
): Warmth {
  const now = endOf(log)
  const above = (t: number) => Math.max(0, Math.min(t, bestC) - baseC)
  const goesOnAtC = latelyOf(log, latelyHours) ?? setC
  let [done, sum, read] = [0, 0, 0]
  const hours = Math.max(0, now - fromHour)
  for (let hour = fromHour; hour < now; hour++) {
    const mean = hourOf(log, hour)
    const has = !Number.isNaN(mean)
    if (has) [sum, read] = [sum + mean, read + 1]
    done += above(has ? mean : setC)
  }
  const goesOn = above(goesOnAtC)
  const leftDegreeHours = degreeDays * 24 - done
  // past its end already: as quick as it was; standing still: never
  const totalHours =
    leftDegreeHours <= 0 ? (hours * degreeDays * 24) / done : goesOn > 0 ? hours + leftDegreeHours / goesOn : Infinity
  return {
    tempC: baseC + (degreeDays * 24) / totalHours,
    meanC: read ? sum / read : null,
    goesOnAtC,
    hours,
    read,
  }
}
