import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import type { HourlyLog } from '../subjects'
import { calendarOf, dayFromIso } from '../units'
import { bandOfCold, dailyOf, sharedBand, troubleOf, watchPlace } from '.'

const { common } = shippedAlmanac

const cold = (id: string) => bandOfCold(speciesOf(shippedAlmanac, id).cold!)
const kings = cold('california-kingsnake')
const tortoises = cold('hermanns-tortoise')
const log = (temps: (number | null)[], from = 0): HourlyLog => {
  const meanC = temps.map(t => t ?? Number.NaN)
  return { from, meanC, minC: meanC.map(t => t - 0.2), maxC: meanC.map(t => t + 0.2) }
}
const hours = (n: number, t: number | null) => new Array<number | null>(n).fill(t)

describe('watching a cold place', () => {
  it('counts hours outside the band, runs, extremes and degree-hours above the hold', () => {
    const w = watchPlace(log([...hours(10, 12), ...hours(3, 9), ...hours(5, 16), ...hours(6, 13)]), 0, 24, kings)
    expect(w).toMatchObject({
      hours: 24,
      read: 24,
      hoursBelow: 3,
      hoursAbove: 5,
      longestBelow: { fromHour: 10, hours: 3 },
      longestAbove: { fromHour: 13, hours: 5 },
      silentHours: 0,
    })
    expect([w.lowestC, w.highestC]).toEqual([8.8, 16.2])
    expect(w.degreeHoursAbove).toBeCloseTo(5 * 4 + 6 * 1, 9)
  })

  it('fills nothing in: missing hours are told and end a run', () => {
    const w = watchPlace(log([...hours(4, 16), ...hours(6, null), ...hours(4, 16), ...hours(3, null)]), -5, 17, kings)
    expect(w).toMatchObject({
      hours: 22,
      read: 8,
      hoursAbove: 8,
      longestAbove: { hours: 4 },
      longestMissing: { fromHour: 4, hours: 6 },
      silentHours: 3,
    })
    expect(watchPlace(log([]), 0, 5, kings)).toMatchObject({ read: 0, lowestC: null, latest: null, silentHours: 5 })
  })

  it('several species share the tightest band', () => {
    expect(sharedBand([kings, { ...kings, lowC: 11, highC: 14 }])).toMatchObject({ lowC: 11, highC: 14 })
    expect(sharedBand([])).toBeNull()
  })
})

describe('what is wrong now', () => {
  it('tortoises never under 2 °C, never long over 9 °C (common practice)', () => {
    expect(troubleOf(log([...hours(60, 5), 1.4, 3]), tortoises, common)[0]).toMatchObject({
      kind: 'tooCold',
      level: 'harm',
    })
    expect(troubleOf(log([...hours(60, 5), ...hours(4, 10)]), tortoises, common)[0]).toMatchObject({
      kind: 'tooWarm',
      hours: 4,
    })
    expect(troubleOf(log([...hours(60, 5), 10, 10]), tortoises, common)).toEqual([])
    expect(troubleOf(log([...hours(60, 5), ...hours(4, 10), ...hours(10, 5)]), tortoises, common)).toEqual([])
  })

  it('silence is told after hours, and is grave after a day', () => {
    expect(troubleOf(log([...hours(60, 5), ...hours(3, null)]), tortoises, common)).toEqual([])
    expect(troubleOf(log([...hours(60, 5), ...hours(5, null)]), tortoises, common)[0]).toMatchObject({
      kind: 'silent',
      level: 'watch',
      hours: 5,
      tempC: 5,
    })
    expect(troubleOf(log([...hours(60, 5), ...hours(30, null)]), tortoises, common)[0]).toMatchObject({
      kind: 'silent',
      level: 'harm',
      hours: 30,
    })
  })
})

it('days of a log in the house’s own time, also where summer time ends', () => {
  const l = log([...hours(24, 10), ...hours(24, 14)], 48)
  expect(dailyOf(l, 1, 4, hour => Math.floor(hour / 24)).map(d => [d.day, d.meanC, d.read])).toEqual([
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
