import fc from 'fast-check'
import { TheilSenRegression } from 'ml-regression-theil-sen'
import { describe, expect, it } from 'vitest'
import { cumulative, summarise, normalCdf } from '../chance'
import { crossing, lossTrend, theilSen } from './trend'

describe('the robust line of Theil and Sen', () => {
  it('agrees with an independent library (ml-regression-theil-sen) on any points', () => {
    const points = fc.array(
      fc.record({ x: fc.integer({ min: 0, max: 120 }), y: fc.double({ min: -0.05, max: 0.3, noNaN: true }) }),
      { minLength: 3, maxLength: 20 },
    )
    fc.assert(
      fc.property(points, raw => {
        const list = [...new Map(raw.map(p => [p.x, p])).values()]
        // of an even number of slopes the library takes one of the middle two, so only odd numbers compare
        fc.pre(list.length >= 3 && ((list.length * (list.length - 1)) / 2) % 2 === 1)
        const own = theilSen(list)!
        const other = new TheilSenRegression(
          list.map(p => p.x),
          list.map(p => p.y),
        )
        expect(own.slope).toBeCloseTo(other.slope, 9)
      }),
      { numRuns: 200 },
    )
  })

  it('is not moved by one bad weighing', () => {
    const clean = [0, 10, 20, 30, 40].map(x => ({ x, y: 0.001 * x }))
    expect(theilSen(clean)).toEqual({ slope: expect.closeTo(0.001, 9), intercept: expect.closeTo(0, 9) })
    const bad = clean.map((p, i) => (i === 2 ? { ...p, y: 0.2 } : p))
    expect(theilSen(bad)!.slope).toBeCloseTo(0.001, 3)
  })

  it('says nothing when all lies on one day', () => {
    expect(
      theilSen([
        { x: 3, y: 1 },
        { x: 3, y: 2 },
      ]),
    ).toBeNull()
  })
})

describe('the normal distribution (Abramowitz & Stegun 1964, table 26.1)', () => {
  it.each([
    [0, 0.5],
    [1, 0.8413447],
    [1.96, 0.9750021],
    [-1, 0.1586553],
    [3, 0.9986501],
  ])('P(z < %d) = %d', (z, p) => {
    expect(normalCdf(z)).toBeCloseTo(p, 6)
  })
})

describe('the trend of loss', () => {
  const line = (n: number, perDay: number, every = 20) =>
    lossTrend(
      Array.from({ length: n }, (_, i) => ({ day: i * every, lost: perDay * i * every })),
      0.006,
      0.0004,
      0.25,
    )

  it('two weighings far apart already give a day on which a limit is crossed, with its range', () => {
    const trend = line(2, 0.001, 40)
    const out = summarise(crossing(trend, 0.1, 40))!
    expect(out.median).toBeGreaterThanOrEqual(97)
    expect(out.median).toBeLessThanOrEqual(103)
    expect(out.low).toBeLessThan(out.median)
    expect(out.high).toBeGreaterThan(out.median)
  })

  it('is surer with more weighings, and less sure further ahead', () => {
    expect(line(6, 0.001).sd(130)).toBeLessThan(line(2, 0.001).sd(130))
    const trend = line(4, 0.001)
    expect(trend.sd(120)).toBeGreaterThan(trend.sd(60))
  })

  it('a limit that is crossed already is crossed by today', () => {
    expect(cumulative(crossing(line(5, 0.002), 0.1, 80), 80)).toBeGreaterThan(0.95)
    expect(cumulative(crossing(line(5, 0), 0.1, 80), 200)).toBeLessThan(0.2)
  })
})
