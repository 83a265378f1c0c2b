import type { TookReadings } from '#shared/contracts/devices'
import { CHANNELS, CHANNEL_IDS, implausible, type Channel } from '#core/channels'
import type { RawReading } from '../db/repositories/devices'

const MINUTE = 60_000
const DAY = 86_400_000
/** How far a clock may run ahead, and how late a reading may come. */
export const AHEAD_MS = 10 * MINUTE
export const KEPT_RAW_MS = 30 * DAY

/** A reading as it came: an instant, and a value for each channel that the device has. */
export type SentReading = { at?: unknown } & Partial<Record<(typeof CHANNELS)[Channel]['field'], unknown>>

export interface Sorted {
  fresh: RawReading[]
  known: number
  setAside: (TookReadings['setAside'][number] & { payload: string })[]
}

/** Readings kept already: of each channel, by instant. */
export type Stored = Partial<Record<Channel, ReadonlyMap<number, number>>>

function problemOfInstant(at: number | null, nowMs: number, oldestMs: number): string | null {
  if (at === null) return 'No instant: write it as 2026-11-25T08:00:00Z'
  if (at > nowMs + AHEAD_MS) return 'Lies in the future: the clock of the device runs ahead'
  if (at < oldestMs) return 'Older than 30 days: the clock of the device may have jumped'
  return null
}

function problemOfValue(channel: Channel, value: unknown): string | null {
  if (typeof value !== 'number') return `The ${CHANNELS[channel].label.toLowerCase()} is not a number`
  return implausible(channel, value)
}

/**
 * Tells readings that can be taken from those that are known and those that must be set aside. Nothing is dropped: each
 * value is in exactly one of the three; a reading without any value counts as a temperature that is missing.
 * @param readings as they came
 * @param stored readings of the device that are kept already
 * @param nowMs present of the house
 * @param oldestMs what is older is set aside: of a device its clock has jumped, of a file it is what the file is for
 */
export function sortReadings(
  readings: readonly SentReading[],
  stored: Stored,
  nowMs: number,
  oldestMs = nowMs - KEPT_RAW_MS,
): Sorted {
  const sorted: Sorted = { fresh: [], known: 0, setAside: [] }
  const seen = Object.fromEntries(CHANNEL_IDS.map(id => [id, new Map(stored[id])])) as Record<
    Channel,
    Map<number, number>
  >
  readings.forEach((reading, index) => {
    const aside = (reason: string) =>
      sorted.setAside.push({ index, reason, payload: JSON.stringify(reading).slice(0, 500) })
    const at = instantOf(reading.at)
    const wrong = problemOfInstant(at, nowMs, oldestMs)
    if (wrong || at === null) return void aside(wrong ?? 'No instant')
    const told = CHANNEL_IDS.filter(id => reading[CHANNELS[id].field] !== undefined)
    for (const channel of told.length ? told : (['temperature'] as const)) {
      const value = reading[CHANNELS[channel].field]
      const problem = problemOfValue(channel, value)
      const before = seen[channel].get(at)
      if (problem) aside(problem)
      else if (before === undefined) {
        seen[channel].set(at, value as number)
        sorted.fresh.push({ channel, at, value: value as number })
      } else if (Math.abs(before - (value as number)) < 1e-9) sorted.known++
      else aside('Says something else than an earlier reading of the same instant')
    }
  })
  return sorted
}

/** Milliseconds of an instant written with its offset, or null. */
export function instantOf(at: unknown): number | null {
  if (typeof at !== 'string' || !/T.*(Z|[+-]\d{2}:?\d{2})$/.test(at)) return null
  const ms = Date.parse(at)
  return Number.isNaN(ms) ? null : ms
}
