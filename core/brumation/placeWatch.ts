import type { HourlyLog } from '../subjects'
import type { Almanac, Cold } from '../almanac'
import type { Day } from '../chance'

export interface Band {
  floorC: number
  lowC: number
  holdC: number
  highC: number
  ceilingC: number
}

export const bandOfCold = (cold: Cold): Band => ({
  floorC: cold.floorC.value,
  lowC: cold.lowC.value,
  holdC: cold.holdC.value,
  highC: cold.highC.value,
  ceilingC: cold.ceilingC.value,
})

/** The band in which all that lie in one place are safe: the tightest of theirs. Null for none. */
export function sharedBand(bands: readonly Band[]): Band | null {
  if (!bands.length) return null
  const most = (pick: (b: Band) => number) => Math.max(...bands.map(pick))
  const least = (pick: (b: Band) => number) => Math.min(...bands.map(pick))
  return {
    floorC: most(b => b.floorC),
    lowC: most(b => b.lowC),
    holdC: bands.reduce((s, b) => s + b.holdC, 0) / bands.length,
    highC: least(b => b.highC),
    ceilingC: least(b => b.ceilingC),
  }
}

export interface Run {
  fromHour: number
  hours: number
}

/**
 * What the readings of a place say over a span of hours. Nothing is filled in: hours without a reading are counted as
 * such.
 */
export interface PlaceWatch {
  hours: number
  read: number
  lowestC: number | null
  highestC: number | null
  hoursBelow: number
  hoursAbove: number
  longestBelow: Run | null
  longestAbove: Run | null
  longestMissing: Run | null
  /** Degree-hours above the hold: reserves burnt for nothing. */
  degreeHoursAbove: number
  /** Latest reading, and hours since without one. */
  latest: { hour: number; meanC: number } | null
  silentHours: number
}

function longest(best: Run | null, from: number, hours: number): Run | null {
  return hours > 0 && (!best || hours > best.hours) ? { fromHour: from, hours } : best
}

/**
 * Watches a span of a log. O(hours).
 * @param fromHour first hour since 1970, UTC, included; `toHour` is not
 */
export function watchPlace(log: HourlyLog, fromHour: number, toHour: number, band: Band): PlaceWatch {
  const w: PlaceWatch = {
    hours: Math.max(0, toHour - fromHour),
    read: 0,
    lowestC: null,
    highestC: null,
    hoursBelow: 0,
    hoursAbove: 0,
    longestBelow: null,
    longestAbove: null,
    longestMissing: null,
    degreeHoursAbove: 0,
    latest: null,
    silentHours: 0,
  }
  const run = { below: 0, above: 0, missing: 0 }
  for (let hour = fromHour; hour < toHour; hour++) {
    const i = hour - log.from
    const mean = i >= 0 && i < log.meanC.length ? log.meanC[i]! : Number.NaN
    if (Number.isNaN(mean)) {
      run.missing++
      w.longestMissing = longest(w.longestMissing, hour - run.missing + 1, run.missing)
      // whether the cold went on is not known, so a run ends here
      run.below = run.above = 0
      continue
    }
    run.missing = 0
    w.read++
    w.latest = { hour, meanC: mean }
    w.lowestC = Math.min(w.lowestC ?? Infinity, log.minC[i]!)
    w.highestC = Math.max(w.highestC ?? -Infinity, log.maxC[i]!)
    run.below = mean < band.lowC ? run.below + 1 : 0
    run.above = mean > band.highC ? run.above + 1 : 0
    if (run.below) w.hoursBelow++
    if (run.above) w.hoursAbove++
    w.longestBelow = longest(w.longestBelow, hour - run.below + 1, run.below)
    w.longestAbove = longest(w.longestAbove, hour - run.above + 1, run.above)
    w.degreeHoursAbove += Math.max(0, mean - band.holdC)
  }
  w.silentHours = run.missing
  return w
}

export type ClimateTrouble = 'tooCold' | 'tooWarm' | 'silent'

/**
 * What is wrong with a place now, from its last day; gravest first.
 * @param common how long silence and warmth may last: `coldSilent`, `coldTooWarm`, hours
 */
export function troubleOf(
  log: HourlyLog,
  band: Band,
  common: Almanac['common'],
): { kind: ClimateTrouble; level: 'harm' | 'watch'; hours: number; tempC: number | null }[] {
  const now = log.from + log.meanC.length
  const day = watchPlace(log, now - 24, now, band)
  const found: { kind: ClimateTrouble; level: 'harm' | 'watch'; hours: number; tempC: number | null }[] = []
  if (day.lowestC !== null && day.lowestC < band.floorC)
    found.push({ kind: 'tooCold', level: 'harm', hours: day.longestBelow?.hours ?? 1, tempC: day.lowestC })
  const recent = day.latest && day.latest.meanC > band.ceilingC
  const warm = watchPlace(log, now - 48, now, { ...band, highC: band.ceilingC })
  if (recent && (warm.longestAbove?.hours ?? 0) >= common.coldTooWarm!.value)
    found.push({ kind: 'tooWarm', level: 'harm', hours: warm.longestAbove!.hours, tempC: day.highestC })
  if (day.silentHours >= common.coldSilent!.value)
    found.push({
      kind: 'silent',
      level: day.silentHours >= 24 ? 'harm' : 'watch',
      hours: watchPlace(log, log.from, now, band).silentHours,
      tempC: day.latest?.meanC ?? null,
    })
  return found
}

export interface ClimateDay {
  day: Day
  minC: number
  meanC: number
  maxC: number
  /** Hours read. */
  read: number
}

/**
 * A log by calendar days: lowest, mean, highest and hours read; days without a reading are left out.
 * @param dayOf calendar day in which an hour (since 1970, UTC) begins, in the house's own zone
 */
export function dailyOf(log: HourlyLog, fromDay: Day, toDay: Day, dayOf: (hour: number) => Day): ClimateDay[] {
  const days = new Map<Day, ClimateDay>()
  // a day of any zone begins within a day of the UTC one
  const last = Math.min(log.from + log.meanC.length, (toDay + 2) * 24)
  for (let hour = Math.max(log.from, (fromDay - 1) * 24); hour < last; hour++) {
    const i = hour - log.from
    const meanC = log.meanC[i]!
    if (Number.isNaN(meanC)) continue
    const day = dayOf(hour)
    if (day < fromDay || day > toDay) continue
    const known = days.get(day)
    if (!known) days.set(day, { day, minC: log.minC[i]!, meanC, maxC: log.maxC[i]!, read: 1 })
    else {
      known.meanC = (known.meanC * known.read + meanC) / (known.read + 1)
      known.read++
      known.minC = Math.min(known.minC, log.minC[i]!)
      known.maxC = Math.max(known.maxC, log.maxC[i]!)
    }
  }
  return [...days.values()]
}
