import type { Almanac, Cold } from '../almanac'
import type { HourlyLog } from '../channels'
import { endOf, silentFor, watchSpan, type Limits } from '../climate'

/** Temperatures of a winter, °C. */
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

export const limitsOfBand = ({ lowC, highC, holdC }: Band): { limits: Limits; hold: number } => ({
  limits: { low: lowC, high: highC },
  hold: holdC,
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

const DAY = 24

export type ColdTrouble = 'tooCold' | 'tooWarm' | 'silent'

/**
 * What is wrong with a cold place now, from its last day; gravest first.
 * @param common how long silence and warmth may last: `coldSilent`, `coldTooWarm`, hours
 */
export function troubleOf(
  log: HourlyLog,
  band: Band,
  common: Almanac['common'],
): { kind: ColdTrouble; level: 'harm' | 'watch'; hours: number; tempC: number | null }[] {
  const now = endOf(log)
  const day = watchSpan(log, now - DAY, now, limitsOfBand(band))
  const found: { kind: ColdTrouble; level: 'harm' | 'watch'; hours: number; tempC: number | null }[] = []
  if (day.lowest !== null && day.lowest < band.floorC)
    found.push({ kind: 'tooCold', level: 'harm', hours: day.longestBelow?.hours ?? 1, tempC: day.lowest })
  const recent = day.latest && day.latest.mean > band.ceilingC
  // as far back as the warmth must have lasted, however long the house lets it
  const back = Math.max(DAY, Math.ceil(common.coldTooWarm!.value))
  const warm = watchSpan(log, now - 2 * back, now, { limits: { low: band.lowC, high: band.ceilingC } })
  if (recent && (warm.longestAbove?.hours ?? 0) >= common.coldTooWarm!.value)
    found.push({ kind: 'tooWarm', level: 'harm', hours: warm.longestAbove!.hours, tempC: day.highest })
  const silent = silentFor(log, common.coldSilent!.value)
  if (silent !== null)
    found.push({
      kind: 'silent',
      level: silent >= DAY ? 'harm' : 'watch',
      hours: silent,
      tempC: day.latest?.mean ?? null,
    })
  return found
}
