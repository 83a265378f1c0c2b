import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { HourlyLog } from '../channels'
import { calendarOf, dayFromIso } from '../units'
import { dailyOf, watchSpan } from '.'

const kings = { limits: { low: 10, high: 15 }, hold: 12 }
const log = (temps: (number | null)[], from = 0): HourlyLog => {
  const mean = temps.map(t => t ?? Number.NaN)
  return { from, mean, min: mean.map(t => t - 0.2), max: mean.map(t => t + 0.2) }
}
const hours = (n: number, t: number | null) => new Array<number | null>(n).fill(t)

describe('watching a span of a log', () => {
  it('counts hours outside the band, runs, extremes and degree-hours above the hold', () => {
    const w = watchSpan(log([...hours(10, 12), ...hours(3, 9), ...hours(5, 16), ...hours(6, 13)]), 0, 24, kings)
    expect(w).toMatchObject({
      hours: 24,
      read: 24,
      hoursBelow: 3,
      hoursAbove: 5,
      longestBelow: { fromHour: 10, hours: 3 },
      longestAbove: { fromHour: 13, hours: 5 },
      silentHours: 0,
    })
    expect([w.lowest, w.highest]).toEqual([8.8, 16.2])
    expect(w.hoursTimesAbove).toBeCloseTo(5 * 4 + 6 * 1, 9)
  })

  it('fills nothing in: missing hours are told and end a run', () => {
    const w = watchSpan(log([...hours(4, 16), ...hours(6, null), ...hours(4, 16), ...hours(3, null)]), -5, 17, kings)
    expect(w).toMatchObject({
      hours: 22,
      read: 8,
      hoursAbove: 8,
      longestAbove: { hours: 4 },
      longestMissing: { fromHour: 4, hours: 6 },
      silentHours: 3,
    })
    expect(watchSpan(log([]), 0, 5, kings)).toMatchObject({ read: 0, lowest: null, latest: null, silentHours: 5 })
  })
})

it('days of a log in the house’s own time, also where summer time ends', () => {
  const l = log([...hours(24, 10), ...hours(24, 14)], 48)
  expect(dailyOf(l, 1, 4, hour => Math.floor(hour / 24)).map(d => [d.day, d.mean, d.read])).toEqual([
    [2, 10, 24],
    [3, 14, 24],
  ])
  // an hour east: the first hour of the log is in its day, and the last is in the next
  expect(dailyOf(l, 2, 4, hour => Math.floor((hour + 1) / 24)).map(d => d.read)).toEqual([23, 24, 1])
  const calendar = calendarOf('Europe/Berlin')
  const day = dayFromIso('2026-10-25')
  const autumn = dailyOf(log(hours(96, 12), (day - 1) * 24), day - 1, day + 1, hour => calendar(hour * 3_600_000))
  expect(autumn.find(d => d.day === day)!.read).toBe(25)
})

/** Logs of up to four days with gaps, from any hour. */
const anyLog = fc
  .tuple(
    fc.integer({ min: -30, max: 30 }),
    fc.array(fc.option(fc.double({ min: -10, max: 50, noNaN: true }), { freq: 4 }), { maxLength: 96 }),
  )
  .map(([from, temps]) => log(temps, from))

describe('a span against a plain sum', () => {
  it('says what one adds up by hand, over any log, span and limits', () => {
    fc.assert(
      fc.property(
        anyLog,
        fc.integer({ min: -40, max: 120 }),
        fc.integer({ min: -40, max: 120 }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.integer({ min: 1, max: 23 }),
        (l, from, to, low, dusk) => {
          const limits = { low, high: low + 6 }
          const isLight = (hour: number) => ((hour % 24) + 24) % 24 < dusk
          const w = watchSpan(l, from, to, { limits, hold: low, isLight })
          const all: { hour: number; t: number }[] = []
          for (let hour = from; hour < to; hour++) {
            const t = l.mean[hour - l.from]
            if (t !== undefined && !Number.isNaN(t)) all.push({ hour, t })
          }
          const sum = (list: { t: number }[]) => list.reduce((s, x) => s + x.t, 0)
          const meanOf = (list: { t: number }[]) => (list.length ? sum(list) / list.length : null)
          expect([w.hours, w.read]).toEqual([Math.max(0, to - from), all.length])
          expect(w.hoursBelow).toBe(all.filter(x => x.t < limits.low).length)
          expect(w.hoursAbove).toBe(all.filter(x => x.t > limits.high).length)
          const close = (a: number | null, b: number | null) =>
            b === null ? expect(a).toBeNull() : expect(a).toBeCloseTo(b, 9)
          close(w.mean, meanOf(all))
          close(w.lightMean, meanOf(all.filter(x => isLight(x.hour))))
          close(w.darkMean, meanOf(all.filter(x => !isLight(x.hour))))
          expect(w.hoursTimesAbove).toBeCloseTo(sum(all.map(x => ({ t: Math.max(0, x.t - low) }))), 6)
          expect(w.latest?.hour ?? null).toBe(all.at(-1)?.hour ?? null)
          expect(w.silentHours).toBe(Math.max(0, to - from) - (all.length ? all.at(-1)!.hour - from + 1 : 0))
          // runs hold together what is outside without a gap
          let longest = 0
          let run = 0
          for (let hour = from; hour < to; hour++) {
            const x = all.find(y => y.hour === hour)
            run = x && x.t > limits.high ? run + 1 : 0
            longest = Math.max(longest, run)
          }
          expect(w.longestAbove?.hours ?? 0).toBe(longest)
        },
      ),
      { numRuns: 2500 },
    )
  })
})
