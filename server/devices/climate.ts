import {
  corrected,
  offsetAt,
  seriesOf,
  type Channel,
  type Correction,
  type HourlyLog,
  type PlaceLogs,
  type Series,
  type Zone,
} from '#core/channels'

/** Readings of one hour, by count and sum, so that they can be joined in any order. */
export interface HourSums {
  n: number
  sum: number
  min: number
  max: number
}

export const joined = (a: HourSums | undefined, b: HourSums): HourSums =>
  a ? { n: a.n + b.n, sum: a.sum + b.sum, min: Math.min(a.min, b.min), max: Math.max(a.max, b.max) } : b

/** Where and by what an hour was read. */
export interface ReadAt {
  placeId: string
  deviceNo: number
  channel: Channel
  zone: Zone
}

type Hours = Map<number, HourSums>

/** Hours kept in memory: a winter and what led to it. */
const KEPT_HOURS = 24 * 400
const HOUR_MS = 3_600_000

/** Hours of one series, by device. */
class SeriesHours {
  private readonly byDevice = new Map<number, Hours>()
  private log: HourlyLog | null = null

  constructor(
    private readonly channel: Channel,
    private readonly correctionsOf: (deviceNo: number) => readonly Correction[],
  ) {}

  /** An instrument of it was calibrated: its hours are read anew. */
  forget(deviceNo: number): boolean {
    if (!this.byDevice.has(deviceNo)) return false
    this.log = null
    return true
  }

  add(deviceNo: number, hour: number, sums: HourSums): void {
    let hours = this.byDevice.get(deviceNo)
    if (!hours) this.byDevice.set(deviceNo, (hours = new Map()))
    hours.set(hour, joined(hours.get(hour), sums))
    this.log = null
  }

  /** The log to the hour that runs; the same object as before until something was added or an hour has passed. */
  upTo(hour: number): HourlyLog {
    const end = this.log ? this.log.from + this.log.mean.length : null
    if (this.log && (end === hour + 1 || (end === hour && !this.has(hour)))) return this.log
    const first = Math.min(...[...this.byDevice.values()].map(hours => Math.min(...hours.keys())))
    const from = Math.max(first, hour - KEPT_HOURS)
    // the hour that runs has hardly begun: no reading in it yet is no silence
    const n = Math.max(0, hour + (this.has(hour) ? 1 : 0) - from)
    const filled = () => new Float64Array(n).fill(Number.NaN)
    const [min, mean, max, count] = [filled(), filled(), filled(), new Float64Array(n)]
    const apart: Record<string, Float64Array> = {}
    for (const [deviceNo, hours] of this.byDevice) {
      const own = this.byDevice.size > 1 ? (apart[deviceNo] = filled()) : null
      const corrections = this.correctionsOf(deviceNo)
      for (const [h, raw] of hours) {
        const i = h - from
        if (i < 0 || i >= n) continue
        const s = corrections.length ? this.inTruth(raw, offsetAt(corrections, h * HOUR_MS)) : raw
        if (own) own[i] = s.sum / s.n
        mean[i] = count[i] ? (mean[i]! * count[i]! + s.sum) / (count[i]! + s.n) : s.sum / s.n
        count[i]! += s.n
        min[i] = Number.isNaN(min[i]!) ? s.min : Math.min(min[i]!, s.min)
        max[i] = Number.isNaN(max[i]!) ? s.max : Math.max(max[i]!, s.max)
      }
    }
    this.log = { from, min, mean, max, ...(this.byDevice.size > 1 && { apart }) }
    return this.log
  }

  private inTruth({ n, sum, min, max }: HourSums, offset: number): HourSums {
    const of = (value: number) => corrected(this.channel, value, offset)
    return { n, sum: n * of(sum / n), min: of(min), max: of(max) }
  }

  private has(hour: number): boolean {
    for (const hours of this.byDevice.values()) if (hours.has(hour)) return true
    return false
  }
}

const NONE: readonly Correction[] = []

/** Hourly readings of all places, held in memory beside the database. */
export class Climate {
  private readonly places = new Map<string, Map<Series, SeriesHours>>()
  private readonly corrections = new Map<string, readonly Correction[]>()
  private logs: { hour: number; logs: Record<string, PlaceLogs> } | null = null
  /** Places to which something was added since the logs were made. */
  private readonly changed = new Set<string>()

  /** From an instant on, what a channel of a device reads is that much higher in truth. What was read stays as it was. */
  correct(deviceNo: number, channel: Channel, correction: Correction): void {
    const key = `${deviceNo}:${channel}`
    const others = (this.corrections.get(key) ?? NONE).filter(c => c.at !== correction.at)
    this.corrections.set(key, [...others, correction])
    for (const [placeId, place] of this.places)
      for (const hours of place.values()) if (hours.forget(deviceNo)) this.changed.add(placeId)
  }

  /** The offset of a channel of a device at an instant. */
  offsetAt(deviceNo: number, channel: Channel, at: number): number {
    return offsetAt(this.corrections.get(`${deviceNo}:${channel}`) ?? NONE, at)
  }

  add({ placeId, deviceNo, channel, zone }: ReadAt, hour: number, sums: HourSums): void {
    let place = this.places.get(placeId)
    if (!place) this.places.set(placeId, (place = new Map()))
    const series = seriesOf(channel, zone)
    let hours = place.get(series)
    if (!hours)
      place.set(series, (hours = new SeriesHours(channel, no => this.corrections.get(`${no}:${channel}`) ?? NONE)))
    hours.add(deviceNo, hour, sums)
    this.changed.add(placeId)
  }

  /**
   * The logs of each place, to the hour that runs: hours without a reading are NaN, those at the end too, so that
   * silence shows. The same objects as before, place by place, until something was added or an hour has passed.
   */
  upTo(hour: number): Record<string, PlaceLogs> {
    if (this.logs?.hour === hour && !this.changed.size) return this.logs.logs
    const before = this.logs?.hour === hour ? this.logs.logs : {}
    const logs: Record<string, PlaceLogs> = {}
    for (const [placeId, place] of this.places)
      logs[placeId] =
        (this.changed.has(placeId) ? undefined : before[placeId]) ??
        Object.fromEntries([...place].map(([series, hours]) => [series, hours.upTo(hour)]))
    this.changed.clear()
    this.logs = { hour, logs }
    return logs
  }
}
