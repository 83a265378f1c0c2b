import SunCalc from 'suncalc'
import { describe, expect, it } from 'vitest'
import { dayFromIso } from '../units'
import { dayLengthHours, dayOfYear } from '.'

const hoursBySuncalc = (latitude: number, day: number): number => {
  const { sunrise, sunset } = SunCalc.getTimes(new Date(day * 86_400_000 + 12 * 3_600_000), latitude, 0)
  return (sunset.valueOf() - sunrise.valueOf()) / 3_600_000
}

describe('day length (Forsythe et al. 1995)', () => {
  it.each([0, 35, 52])('agrees with suncalc at %d° within 8 minutes all year', latitude => {
    for (let day = dayFromIso('2026-01-01'); day < dayFromIso('2027-01-01'); day += 5) {
      expect(Math.abs(dayLengthHours(latitude, dayOfYear(day)) - hoursBySuncalc(latitude, day)), `${day}`).toBeLessThan(
        8 / 60,
      )
    }
  })

  it.each([
    // US Naval Observatory, Duration of Daylight tables; values from memory
    [0, '2026-03-20', 12 + 7 / 60],
    [40, '2026-06-21', 15 + 1 / 60],
    [40, '2026-12-21', 9 + 20 / 60],
    [60, '2026-06-21', 18 + 53 / 60],
    [60, '2026-12-21', 5 + 52 / 60],
  ])('at %d° on %s is %d h by the published table', (latitude, date, hours) => {
    expect(Math.abs(dayLengthHours(latitude, dayOfYear(dayFromIso(date))) - hours)).toBeLessThan(9 / 60)
  })

  it('knows polar day and night, the poles, and leap years', () => {
    expect(dayLengthHours(75, 172)).toBe(24)
    expect(dayLengthHours(75, 355)).toBe(0)
    expect(dayLengthHours(90, 172)).toBe(24)
    expect(dayLengthHours(-75, 172)).toBe(0)
    expect(dayOfYear(dayFromIso('2028-12-31'))).toBe(366)
    expect(dayOfYear(dayFromIso('2026-01-01'))).toBe(1)
  })
})
