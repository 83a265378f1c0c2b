import type { TookReadings } from '#shared/contracts/devices'
import type { RawReading } from '../db/repositories/devices'

const MINUTE = 60_000
const DAY = 86_400_000
/** How far a clock may run ahead, and how late a reading may come. */
export const AHEAD_MS = 10 * MINUTE
export const KEPT_RAW_MS = 30 * DAY
const [LOWEST_C, HIGHEST_C] = [-40, 80]

export interface Sorted {
  fresh: RawReading[]
  known: number
  setAside: (TookReadings['setAside'][number] & { payload: string })[]
}

/**
 * Tells readings that can be taken from those that are known and those that must be set aside. Nothing is dropped: each
 * is in exactly one of the three.
 * @param readings as they came
 * @param stored readings of the device that are kept already, by instant
 * @param nowMs present of the house
 */
export function sortReadings(
  readings: readonly { at?: unknown; tempC?: unknown }[],
  stored: ReadonlyMap<number, number>,
  nowMs: number,
): Sorted {
  const sorted: Sorted = { fresh: [], known: 0, setAside: [] }
  const seen = new Map(stored)
  readings.forEach((reading, index) => {
    const aside = (reason: string) =>
      sorted.setAside.push({ index, reason, payload: JSON.stringify(reading).slice(0, 500) })
    const at = instantOf(reading.at)
    const { tempC } = reading
    if (at === null) aside('No instant: write it as 2026-11-25T08:00:00Z')
    else if (at > nowMs + AHEAD_MS) aside('Lies in the future: the clock of the device runs ahead')
    else if (at < nowMs - KEPT_RAW_MS) aside('Older than 30 days: the clock of the device may have jumped')
    else if (typeof tempC !== 'number' || !Number.isFinite(tempC)) aside('The temperature is not a number')
    else if (tempC < LOWEST_C || tempC > HIGHEST_C)
      aside(`${tempC} °C is not believable: a broken sensor, or another unit`)
    else if (!seen.has(at)) {
      seen.set(at, tempC)
      sorted.fresh.push({ at, tempC })
    } else if (Math.abs(seen.get(at)! - tempC) < 1e-9) sorted.known++
    else aside('Says something else than an earlier reading of the same instant')
  })
  return sorted
}

/** Milliseconds of an instant written with its offset, or null. */
export function instantOf(at: unknown): number | null {
  if (typeof at !== 'string' || !/T.*(Z|[+-]\d{2}:?\d{2})$/.test(at)) return null
  const ms = Date.parse(at)
  return Number.isNaN(ms) ? null : ms
}
