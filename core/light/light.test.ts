import fc from 'fast-check'
import { linearRegression } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { distanceFor, fadesTo, fergusonZone, judgeLamp, tellLamp, uvAt } from '.'
import { shippedAlmanac } from '../almanac'

describe('zones of basking (Ferguson et al. 2010, limits from memory)', () => {
  it.each([
    [0, 1],
    [0.69, 1],
    [0.7, 2],
    [1, 3],
    [2.5, 3],
    [2.6, 4],
    [3.5, 4],
    [3.6, null],
  ])('a UV index of %d is zone %s', (uv, zone) => expect(fergusonZone(uv)).toBe(zone))
})

describe('distance', () => {
  it('the inverse square, worked by hand: 4 at 20 cm is 1 at 40 cm and 16 at 10 cm', () => {
    expect(uvAt('vapour', 4, 20, 40)).toBeCloseTo(1, 12)
    expect(uvAt('vapour', 4, 20, 10)).toBeCloseTo(16, 12)
    // a tube nearer than its length: half at twice the distance
    expect(uvAt('tube', 4, 20, 40)).toBeCloseTo(2, 12)
  })

  it('there and back again is where one was', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('tube' as const, 'compact' as const),
        fc.double({ min: 0.1, max: 12, noNaN: true }),
        fc.double({ min: 5, max: 100, noNaN: true }),
        fc.double({ min: 0.1, max: 12, noNaN: true }),
        (kind, uv, cm, wanted) => {
          const at = distanceFor(kind, uv, cm, wanted)
          expect(uvAt(kind, uv, cm, at)).toBeCloseTo(wanted, 6)
        },
      ),
    )
    expect(() => uvAt('tube', 1, 0, 10)).toThrow(RangeError)
    expect(() => distanceFor('tube', 1, 10, 0)).toThrow(RangeError)
  })
})

describe('what to do with a lamp', () => {
  const band = { low: 1, high: 2 }
  const read = (...uv: number[]) => uv.map((uvIndex, i) => ({ day: i * 30, uvIndex }))
  const judged = (uv: number[], cm: number | null = 30, kind: 'tube' | 'vapour' = 'tube') =>
    judgeLamp(kind, read(...uv), band, cm, { nearest: 15, furthest: 60, meterNoise: 0.1, meterCounts: 6 })
  const action = (uv: number, cm: number | null = 30) => judged([uv], cm).action

  it('goes by the meter: raise, filter, lower, replace, fine, or measure first', () => {
    expect(action(1.5)).toBe('fine')
    expect(action(2.5)).toBe('raise')
    expect(action(9, 40)).toBe('filter')
    expect(action(0.9)).toBe('lower')
    // so weak that it would burn before it gives enough
    expect(action(0.4)).toBe('replace')
    expect(action(0, 30)).toBe('replace')
    expect(judged([]).action).toBe('unknown')
    expect(judged([2.5], null)).toMatchObject({ action: 'raise', distanceCm: null })
  })

  it('mesh takes 30–50 % (PRACTICE: common practice, no source): what it would leave is told, and no second mesh is advised', () => {
    const lamp = { id: 'l', tag: 'U-1', placeId: 'p', lamp: 'tube', fittedDay: 0, lifeDays: 365, replaced: null }
    const said = (mesh?: number) =>
      tellLamp({ lamp: { ...lamp, mesh }, verdict: judged([9], 40), readDay: 0 }, 10, shippedAlmanac.common)
    // 9 × 0.6 by hand
    expect(said()).toMatch(/Put mesh between: at 60 % let through it would be about 5\.4/)
    expect(said(0.55)).toMatch(/A weaker lamp, or closer mesh: this one lets 55 % through/)
  })

  it('says where it would be right', () => {
    // the middle of the band is 1.5: 3 at 30 cm is 1.5 at 60 cm for a tube
    expect(judged([3]).distanceCm).toBeCloseTo(60, 9)
    expect(judged([3], 30, 'vapour').distanceCm).toBeCloseTo(30 * Math.SQRT2, 9)
  })

  it('fading: a lamp that halves in 100 days is at half after 100', () => {
    const readings = [0, 20, 40, 60].map(day => ({ day, uvIndex: 2 * 0.5 ** (day / 100) }))
    const fades = fadesTo(readings, 1, 0.1, 6)!
    expect(fades.mid).toBeCloseTo(40, 6)
    expect(fades.low).toBeLessThan(40)
    expect(fades.high).toBeGreaterThan(40)
    // the same line as a library's
    const { m, b } = linearRegression(readings.map(r => [r.day, Math.log(r.uvIndex)]))
    expect((Math.log(1) - b) / m - 60).toBeCloseTo(fades.mid, 6)
  })

  it('two readings, or a rising row, say nothing of fading', () => {
    expect(fadesTo(read(2, 1.9), 1, 0.1, 6)).toBeNull()
    expect(fadesTo(read(1.5, 1.6, 1.7), 1, 0.1, 6)).toBeNull()
    expect(judged([2, 1.8, 1.6]).fadesIn!.mid).toBeGreaterThan(0)
  })

  it('80 % of made-up lamps cross within the range that four to seven noisy readings gave', () => {
    // an independent simulation: true lamps fade with a half-life of 250 to 500 days, a meter is out by a tenth
    let seed = 7
    const random = () => {
      seed = (seed * 48271) % 2147483647
      return seed / 2147483647
    }
    const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    let [held, all] = [0, 0]
    for (let i = 0; i < 3000; i++) {
      const half = 250 + 250 * random()
      const n = 4 + Math.floor(4 * random())
      const readings = Array.from({ length: n }, (_, k) => ({
        day: k * 45,
        uvIndex: 3 * 0.5 ** ((k * 45) / half) * Math.exp(0.1 * gauss()),
      }))
      const fades = fadesTo(readings, 0.7, 0.1, 6)
      if (!fades) continue
      const crosses = Math.max(0, half * Math.log2(3 / 0.7) - (n - 1) * 45)
      all++
      if (crosses >= fades.low && crosses <= fades.high) held++
    }
    expect(all).toBeGreaterThan(2000)
    expect(held / all).toBeGreaterThan(0.75)
    expect(held / all).toBeLessThan(0.85)
  })
})
