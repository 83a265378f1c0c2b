import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { HourlyLog } from '../channels'
import { fatPerHour, metabolicLoss, oxygenPerHour } from '.'

const logOf = (temps: number[], from = 0): HourlyLog => ({ from, min: temps, mean: temps, max: temps })

describe('metabolism at rest (Andrews & Pough 1985, Physiol. Zool. 58:214–231), worked by hand', () => {
  // masses that are powers of ten make the law a single power: 0.013 · 10^(0.8·log M + 0.038·T)
  it.each([
    [100, 20, 0.013 * 229.0868], // 10^(1.6 + 0.76) = 10^2.36
    [1000, 10, 0.013 * 602.5596], // 10^(2.4 + 0.38) = 10^2.78
    [10, 30, 0.013 * 87.09636], // 10^(0.8 + 1.14) = 10^1.94
    [600, 12, 0.013 * 477.0025], // log 600 = 2.7781513; 10^(2.2225210 + 0.456) = 10^2.6785210
    [1, 0, 0.013],
  ])('%d g at %d °C uses %f mL of oxygen an hour', (massG, tempC, mlPerHour) => {
    expect(oxygenPerHour(massG, tempC)).toBeCloseTo(mlPerHour, 4)
  })

  it('turns oxygen into fat: 19.8 J/mL and 39.3 kJ/g; 600 g at 12 °C for 60 days burns 4.5 g, under one percent', () => {
    // 6.2010 mL/h · 19.8 / 39300 = 0.0031242 g/h; × 1440 h = 4.4988 g
    expect(fatPerHour(600, 12)).toBeCloseTo(0.0031242, 6)
    const loss = metabolicLoss(600, logOf(new Array(1440).fill(12)), 0, 1440, 99)
    expect(loss.grams).toBeCloseTo(4.4988, 3)
    expect(loss).toMatchObject({ hours: 1440, read: 1440 })
  })

  it('counts hours without a reading at the assumed temperature, and tells them apart', () => {
    const log = logOf([12, Number.NaN, Number.NaN, 12], 100)
    const loss = metabolicLoss(600, log, 98, 106, 12)
    expect(loss).toMatchObject({ hours: 8, read: 2, assumedC: 12 })
    expect(loss.grams).toBeCloseTo(8 * fatPerHour(600, 12), 9)
    expect(metabolicLoss(600, undefined, 0, 24, 12)).toMatchObject({ hours: 24, read: 0 })
    expect(metabolicLoss(600, log, 106, 98, 12).grams).toBe(0)
  })

  it('a colder log never raises the expected loss', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -5, max: 40, noNaN: true }), { minLength: 1, maxLength: 200 }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.integer({ min: 1, max: 5000 }),
        (temps, colder, massG) => {
          const warm = metabolicLoss(massG, logOf(temps), 0, temps.length, 12).grams
          const cold = metabolicLoss(massG, logOf(temps.map(t => t - colder)), 0, temps.length, 12).grams
          expect(cold).toBeLessThanOrEqual(warm * (1 + 1e-9))
        },
      ),
    )
  })
})
