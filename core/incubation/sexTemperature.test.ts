import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import type { HourlyLog } from '../channels'
import { warmthAlong } from '../climate'
import { femaleShareAt } from '../sexing'
import { constantEquivalentC, developmentOf, sexTemperature } from '.'

const DEVELOPMENT = { baseC: 16, bestC: 40, degreeDays: 600, latelyHours: 24 }

/**
 * The equivalent of a sine wave by its closed form (Georges 1989): half of development lies above it when
 * A·cos θ = (mean − base)·θ, with θ the phase at which the wave passes it. Solved by bisection.
 */
function ofSine(meanC: number, amplitudeC: number, baseC: number): number {
  let [low, high] = [0, Math.PI / 2]
  for (let i = 0; i < 60; i++) {
    const theta = (low + high) / 2
    if (amplitudeC * Math.cos(theta) > (meanC - baseC) * theta) low = theta
    else high = theta
  }
  return meanC + amplitudeC * Math.sin((low + high) / 2)
}

const sine = (meanC: number, amplitudeC: number, baseC: number, steps = 2400) =>
  Array.from({ length: steps }, (_, i) => {
    const tempC = meanC + amplitudeC * Math.sin((2 * Math.PI * (i + 0.5)) / steps)
    return { tempC, development: Math.max(0, tempC - baseC) }
  })

const logOf = (mean: number[], from = 0): HourlyLog =>
  ({ from, mean: Float64Array.from(mean), min: Float64Array.from(mean), max: Float64Array.from(mean) }) as never

describe('the constant temperature equivalent', () => {
  it('of a constant temperature is that temperature; of nothing there is none', () => {
    expect(constantEquivalentC([{ tempC: 29.3, development: 7 }])).toBe(29.3)
    expect(constantEquivalentC([])).toBeNull()
    expect(constantEquivalentC([{ tempC: 12, development: 0 }])).toBeNull()
  })

  it.each([
    [28, 4, 16],
    [26, 6, 16],
    [30, 2, 14],
    [24, 7, 15],
  ])('of a sine wave of %d ± %d °C over base %d agrees with its closed form', (mean, amplitude, base) => {
    expect(constantEquivalentC(sine(mean, amplitude, base))).toBeCloseTo(ofSine(mean, amplitude, base), 1)
    // more development happens in the warm half, so it lies over the mean
    expect(ofSine(mean, amplitude, base)).toBeGreaterThan(mean)
  })

  it('of a day half at 24 and half at 34 °C over 16 °C is 34 °C: 18 of 26 degree-hours happen there', () => {
    const day = [
      { tempC: 24, development: 12 * 8 },
      { tempC: 34, development: 12 * 18 },
    ]
    expect(constantEquivalentC(day)).toBe(34)
  })

  it('lies between the coldest and the warmest, whatever the order (any parts)', () => {
    const part = fc.record({
      tempC: fc.double({ min: 15, max: 36, noNaN: true }),
      development: fc.double({ min: 0.01, max: 50, noNaN: true }),
    })
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 40 }), parts => {
        const equivalent = constantEquivalentC(parts)!
        expect(equivalent).toBeGreaterThanOrEqual(Math.min(...parts.map(p => p.tempC)) - 1e-9)
        expect(equivalent).toBeLessThanOrEqual(Math.max(...parts.map(p => p.tempC)) + 1e-9)
        expect(constantEquivalentC([...parts].reverse())).toBeCloseTo(equivalent, 9)
      }),
    )
  })
})

describe('the time that sets the sex', () => {
  const span = { from: 1 / 3, to: 2 / 3 }
  // 50 days at 28 °C over 16: 600 degree-days
  const days = (list: [days: number, tempC: number][]) =>
    logOf(list.flatMap(([n, t]) => new Array<number>(n * 24).fill(t)))
  const of = (log: HourlyLog, goesOnAtC = 28, end: number | null = null) =>
    sexTemperature([{ log, fromHour: 0, setC: 28 }], log.mean.length, { ...DEVELOPMENT, goesOnAtC }, span, end)

  it('is the middle third of development: warmth before and after changes nothing', () => {
    expect(
      of(
        days([
          [16, 28],
          [18, 31],
          [20, 25],
        ]),
      ).equivalentC,
    ).toBeCloseTo(31, 1)
    expect(
      of(
        days([
          [10, 33],
          [1, 34],
          [15, 28],
        ]),
      ).equivalentC,
    ).toBeCloseTo(28, 1)
  })

  it('counts what is to come at what it goes on at, and says how much is over', () => {
    const start = of(days([[5, 28]]), 31)
    expect(start).toMatchObject({ over: 0, pastC: null })
    expect(start.equivalentC).toBeCloseTo(31, 6)
    const half = of(days([[25, 28]]), 31)
    expect(half.over).toBeCloseTo(0.5, 2)
    expect(half.pastC).toBeCloseTo(28, 6)
    expect(of(days([[40, 28]]), 31)).toMatchObject({ over: 1 })
    expect(of(days([[40, 28]]), 31).equivalentC).toBeCloseTo(28, 6)
  })

  it('is a share of the development that was, when they hatched early or late by the table', () => {
    // 12 days at 28 °C, 9 at 32 and 12 at 28 are 144 degree-days each: the middle third is the warm ones
    const log = days([
      [12, 28],
      [9, 32],
      [12, 28],
    ])
    expect(of(log, 28, 33 * 24).equivalentC).toBeCloseTo(32, 6)
    // by the table they would go on to 600 degree-days, and the sex be set later
    expect(of(log).equivalentC).toBeLessThan(31.5)
  })

  it('agrees with the sum of development over a random log, hour by hour', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 14, max: 36 }), { minLength: 48, maxLength: 1200 }), temps => {
        const log = logOf(temps)
        const warmth = warmthAlong([{ log, fromHour: 0, setC: 28 }], temps.length, DEVELOPMENT)
        const plain = temps.reduce((sum, t) => sum + Math.max(0, Math.min(t, 40) - 16), 0) / (600 * 24)
        expect(warmth.done).toBeCloseTo(Math.min(1, plain), 9)
        const { over } = of(log)
        expect(over).toBeCloseTo(Math.max(0, Math.min(1, (plain - 1 / 3) * 3)), 6)
      }),
      { numRuns: 60 },
    )
  })

  it('with the table of Viets et al. 1993 (Eublepharis): a swing about 29 °C makes more males than its mean would', () => {
    const leopard = speciesOf(shippedAlmanac, 'leopard-gecko')
    const { baseC } = developmentOf(leopard.incubation!, shippedAlmanac)
    const equivalent = constantEquivalentC(sine(29, 3, baseC))!
    const table = leopard.sexByTemperature!
    expect(femaleShareAt(table, equivalent)).toBeLessThan(femaleShareAt(table, 29))
  })
})
