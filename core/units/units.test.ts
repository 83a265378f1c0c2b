import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  UNITS,
  calendarOf,
  convert,
  dayFromIso,
  dayToIso,
  formatDay,
  formatDistance,
  formatQuantity,
  formatRange,
  formatWeekday,
  isTimeZone,
  nextWeekday,
  parseAs,
  parseQuantity,
  unitNamed,
  weekday,
  unbrokenParts,
  type Unit,
} from '.'

describe('conversion factors of NIST SP 811, Appendix B.8', () => {
  it.each<[number, Unit, Unit, number]>([
    [1, 'lb', 'g', 453.59237],
    [1, 'oz', 'g', 28.349523125],
    [1, 'in', 'mm', 25.4],
    [1, 'ft', 'm', 0.3048],
    [1, 'gal', 'L', 3.785411784],
    [1, 'qt', 'mL', 946.352946],
    [1, 'cup', 'mL', 236.5882365],
    [1, 'fl oz', 'mL', 29.5735295625],
    [1, 'tbsp', 'mL', 14.78676478125],
    [1, 'tsp', 'mL', 4.92892159375],
    [32, '°F', '°C', 0],
    [212, '°F', '°C', 100],
    [-40, '°C', '°F', -40],
  ])('%d %s in %s', (value, from, to, expected) => {
    expect(convert(value, from, to)).toBeCloseTo(expected, 9)
  })

  it('there and back is the same, in every unit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(UNITS) as Unit[])),
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        (unit, value) => {
          const base = { mass: 'g', length: 'mm', temperature: '°C', volume: 'L' }[UNITS[unit].dimension] as Unit
          expect(convert(convert(value, unit, base), base, unit)).toBeCloseTo(value, 6)
        },
      ),
    )
  })

  it('refuses grams as inches', () => {
    expect(() => convert(1, 'g', 'in')).toThrow(/cannot be turned/)
  })
})

describe('reading and writing quantities', () => {
  it.each([
    ['312 g', 312, 'g'],
    ['11 oz', 11, 'oz'],
    ['84.5 °F', 84.5, '°F'],
    ['2/3 cup', 2 / 3, 'cup'],
    ['1 1/2 in', 1.5, 'in'],
    ['½ in', 0.5, 'in'],
    ['4,5 kg', 4.5, 'kg'],
    ['−2 °C', -2, '°C'],
    ['3 tablespoons', 3, 'tbsp'],
    ['32 fl oz', 32, 'fl oz'],
  ])('%s', (text, value, unit) => {
    expect(parseQuantity(text)).toEqual({ value, unit })
  })

  it.each(['', 'abc', '12 parsecs', '3/0 cup', '1.2.3 g', 'g'])('asks back for “%s”', text => {
    expect(() => parseQuantity(text)).toThrow(/number|unit/)
  })

  it('takes the house unit when none is written, and checks the dimension', () => {
    expect(parseAs('mass', '12', 'oz')).toBeCloseTo(340.194, 3)
    expect(() => parseAs('mass', '12 in', 'g')).toThrow(/does not measure mass/)
    expect(unitNamed('OZ.')).toBe('oz')
  })

  it('the fly recipe of the trade: 2/3 cup is about 160 mL, 3 tablespoons about 45 mL (common practice, no source)', () => {
    expect(Math.abs(parseAs('volume', '2/3 cup', 'L') * 1000 - 160)).toBeLessThan(5)
    expect(Math.abs(parseAs('volume', '3 tbsp', 'L') * 1000 - 45)).toBeLessThan(2)
  })

  it('shows sensible digits', () => {
    expect(formatQuantity(312.4, 'g')).toBe('312 g')
    expect(formatQuantity(4.256, 'g')).toBe('4.26 g')
    expect(formatQuantity(29.1667, '°F')).toBe('84.5 °F')
    expect(formatQuantity(-0.001, 'g')).toBe('0 g')
  })
})

describe('calendar days', () => {
  it('round-trips and knows weekdays', () => {
    fc.assert(
      fc.property(fc.integer({ min: -20000, max: 40000 }), day => {
        expect(dayFromIso(dayToIso(day))).toBe(day)
      }),
    )
    expect(weekday(dayFromIso('2026-11-25'))).toBe(3)
    expect(dayToIso(nextWeekday(dayFromIso('2026-11-25'), 0))).toBe('2026-11-29')
    expect(nextWeekday(dayFromIso('2026-11-29'), 0)).toBe(dayFromIso('2026-11-29'))
  })

  it.each(['2026-02-30', '2025-02-29', '26-01-01', '2026-13-01', ''])('refuses %s', iso => {
    expect(() => dayFromIso(iso)).toThrow(/not a day/)
  })

  it('the same instant is two days in two zones', () => {
    const instant = '2026-03-01T23:30:00Z'
    expect(dayToIso(calendarOf('UTC')(instant))).toBe('2026-03-01')
    expect(dayToIso(calendarOf('Europe/Berlin')(instant))).toBe('2026-03-02')
    expect(dayToIso(calendarOf('America/Denver')(instant))).toBe('2026-03-01')
  })

  it('daylight-saving days have 23 or 25 hours and stay one day each', () => {
    const day = calendarOf('Europe/Berlin')
    // clocks go forward on 2026-03-29 at 01:00 UTC and back on 2026-10-25 at 01:00 UTC
    expect(day('2026-03-28T23:00:00Z')).toBe(dayFromIso('2026-03-29'))
    expect(day('2026-03-29T21:59:59Z')).toBe(dayFromIso('2026-03-29'))
    expect(day('2026-03-29T22:00:00Z')).toBe(dayFromIso('2026-03-30'))
    expect(day('2026-10-24T22:00:00Z')).toBe(dayFromIso('2026-10-25'))
    expect(day('2026-10-25T22:59:59Z')).toBe(dayFromIso('2026-10-25'))
  })

  it('refuses nonsense', () => {
    expect(isTimeZone('Moon/Crater')).toBe(false)
    expect(() => calendarOf('Moon/Crater')).toThrow(/not known/)
    expect(() => calendarOf('UTC')('yesterday')).toThrow(/not an instant/)
  })

  it('writes dates as the screens show them', () => {
    const day = dayFromIso('2026-06-12')
    expect(formatRange({ median: day, low: day - 4, high: day + 5 })).toBe('12 Jun (8–17)')
    expect(formatRange({ median: day + 18, low: day + 14, high: day + 22 })).toBe('30 Jun (26 Jun–4 Jul)')
    expect(formatRange({ median: day, low: day, high: day })).toBe('12 Jun')
    const silvester = dayFromIso('2026-12-31')
    expect(formatRange({ median: silvester - 3, low: silvester - 11, high: silvester + 8 })).toBe(
      '28 Dec (20 Dec–8 Jan 2027)',
    )
    expect(formatRange({ median: silvester + 3, low: silvester - 11, high: silvester + 8 })).toBe(
      '3 Jan 2027 (20 Dec–8 Jan)',
    )
    expect(formatWeekday(dayFromIso('2026-06-09'))).toBe('Tue 9 Jun')
    expect(formatDay(dayFromIso('2024-06-09'), day)).toBe('9 Jun 2024')
    expect(formatDistance(day + 1, day)).toBe('tomorrow')
    expect(formatDistance(day - 5, day)).toBe('5 days ago')
    expect(formatDistance(day + 21, day)).toBe('in 3 weeks')
  })
})

describe('a sentence over many lines', () => {
  it.each([
    ['M-09 lost 9.0 % and loses 1.4 % a week', ['9.0 %', '1.4 %']],
    ['under its band for 3 h, at 18 °C; in it O-01', ['3 h', '18 °C']],
    ['from 1,200 mL over 25–30 days', ['1,200 mL', '25–30 days']],
    ['28 Nov, 2 males and 4 garages; 3 meters', []],
  ])('keeps numbers and units of “%s” together', (text, kept) => {
    const parts = unbrokenParts(text)
    expect(parts.join('')).toBe(text)
    expect(parts.filter((_, i) => i % 2)).toEqual(kept)
  })
})
