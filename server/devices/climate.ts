import type { HourlyLog } from '#core/subjects'

/** Readings of one hour, by count and sum, so that they can be joined in any order. */
export interface HourSums {
  n: number
  sumC: number
  minC: number
  maxC: number
}

export const joined = (a: HourSums | undefined, b: HourSums): HourSums =>
  a ? { n: a.n + b.n, sumC: a.sumC + b.sumC, minC: Math.min(a.minC, b.minC), maxC: Math.max(a.maxC, b.maxC) } : b

/** Hours kept in memory: a winter and what led to it. */
const KEPT_HOURS = 24 * 400

/** Hourly temperatures of all places, held in memory beside the database. */
export class Climate {
  private readonly places = new Map<string, Map<number, HourSums>>()
  private logs: { hour: number; logs: Record<string, HourlyLog> } | null = null

  add(placeId: string, hour: number, sums: HourSums): void {
    let hours = this.places.get(placeId)
    if (!hours) this.places.set(placeId, (hours = new Map()))
    hours.set(hour, joined(hours.get(hour), sums))
    this.logs = null
  }

  /**
   * One log a place, to the hour that runs: hours without a reading are NaN, those at the end too, so that silence
   * shows. The same objects as before, until something was added or an hour has passed.
   */
  upTo(hour: number): Record<string, HourlyLog> {
    if (this.logs?.hour === hour) return this.logs.logs
    const logs: Record<string, HourlyLog> = {}
    for (const [placeId, hours] of this.places) {
      const from = Math.max(Math.min(...hours.keys()), hour - KEPT_HOURS)
      const n = Math.max(0, hour + 1 - from)
      const [minC, meanC, maxC] = [0, 1, 2].map(() => new Float64Array(n).fill(Number.NaN)) as [
        Float64Array,
        Float64Array,
        Float64Array,
      ]
      for (const [h, s] of hours) {
        if (h < from || h > hour) continue
        minC[h - from] = s.minC
        meanC[h - from] = s.sumC / s.n
        maxC[h - from] = s.maxC
      }
      // the hour that runs has hardly begun: no reading in it yet is no silence
      const end = Number.isNaN(meanC[n - 1]!) ? n - 1 : n
      logs[placeId] = { from, minC: minC.subarray(0, end), meanC: meanC.subarray(0, end), maxC: maxC.subarray(0, end) }
    }
    this.logs = { hour, logs }
    return logs
  }
}
