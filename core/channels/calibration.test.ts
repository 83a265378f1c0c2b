import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CHANNEL_IDS, calibrationProblem, corrected, offsetAt, saltHumidityPct, type Correction } from '.'

describe('the salt test', () => {
  it('is 75.47 % at 20 °C and 75.29 % at 25 °C (Greenspan 1977, J. Res. Natl. Bur. Stand. 81A:89–96)', () => {
    expect(saltHumidityPct(20)).toBe(75.47)
    expect(saltHumidityPct(25)).toBe(75.29)
    expect(saltHumidityPct(22.5)).toBeCloseTo((75.47 + 75.29) / 2, 9)
    expect(saltHumidityPct(2)).toBe(75.67)
    expect(saltHumidityPct(40)).toBe(75.09)
  })
})

describe('a correction', () => {
  it('holds from its calibration on until the next, whatever order they were written in', () => {
    const list = fc.array(fc.record({ at: fc.integer({ min: 0, max: 50 }), offset: fc.integer({ min: -4, max: 4 }) }))
    fc.assert(
      fc.property(list, fc.integer({ min: -5, max: 60 }), (all, at) => {
        const once = [...new Map(all.map(c => [c.at, c])).values()]
        const before = once.filter(c => c.at <= at).sort((a: Correction, b: Correction) => b.at - a.at)
        expect(offsetAt(once, at)).toBe(before[0]?.offset ?? 0)
      }),
    )
  })

  it('never leads out of what can be: 99 % and 4 more is 100 %', () => {
    expect(corrected('humidity', 99, 4)).toBe(100)
    expect(corrected('uvIndex', 0.2, -1)).toBe(0)
    expect(corrected('temperature', 31.2, -0.7)).toBeCloseTo(30.5, 9)
  })

  it('is refused where the instrument is beyond it, and for what cannot be read', () => {
    expect(calibrationProblem('temperature', 0.8, 0, 5)).toBeNull()
    expect(calibrationProblem('temperature', 32, 0, 5)).toMatch(/off by 32\.0 °C: such an instrument is replaced/)
    expect(calibrationProblem('humidity', 55, 75.3, 15)).toMatch(/replaced/)
    expect(calibrationProblem('humidity', 120, 75, 15)).toMatch(/not believable/)
    for (const channel of CHANNEL_IDS) expect(calibrationProblem(channel, Number.NaN, 1, 5)).toMatch(/not a number/)
  })
})
