import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import { normal, seededRandom } from '../chance'
import { UnitError } from '../units'
import {
  daysToGrow,
  floorOf,
  homeNeed,
  isEnough,
  massAfter,
  outgrows,
  paceOf,
  readHomeSize,
  tellHomeSize,
  tellNeed,
  type Grower,
} from '.'

const { common } = shippedAlmanac
const king = speciesOf(shippedAlmanac, 'california-kingsnake')
const gecko = speciesOf(shippedAlmanac, 'leopard-gecko')
const ids = Object.keys(shippedAlmanac.species)
const someSpecies = fc.constantFrom(...ids).map(id => speciesOf(shippedAlmanac, id))

describe('growth', () => {
  it('is 0.7 of full length at maturity, as in snakes and lizards (Shine & Charnov 1992, from memory)', () => {
    const mature = massAfter(king, king.youngMassG.value, king.matureDays.value, common)
    expect(Math.cbrt(mature / king.adultMassG.value)).toBeCloseTo(0.7, 6)
  })

  it('is what a sum of small steps gives: each day a share of the length that is missing', () => {
    fc.assert(
      fc.property(someSpecies, fc.integer({ min: 1, max: 2500 }), (species, days) => {
        const [young, grown] = [species.youngMassG.value, species.adultMassG.value]
        let length = Math.cbrt(young / grown)
        const mature = Math.max(0.7, length + 0.3 * (1 - length))
        const k = Math.log((1 - length) / (1 - mature)) / species.matureDays.value
        for (let n = 0; n < days * 20; n++) length += ((1 - length) * k) / 20
        const reached = massAfter(species, young, days, common)
        expect(reached / (grown * length ** 3)).toBeCloseTo(1, 2)
      }),
      { numRuns: 60 },
    )
  })

  it('takes as many days to a weight as bring it to that weight', () => {
    fc.assert(
      fc.property(
        someSpecies,
        fc.double({ min: 0.02, max: 0.9, noNaN: true }),
        fc.integer({ min: 1, max: 900 }),
        (s, share, days) => {
          const from = share * s.adultMassG.value
          const to = massAfter(s, from, days, common)
          fc.pre(to < 0.98 * s.adultMassG.value && to > from * 1.001)
          expect(daysToGrow(s, from, to, common)).toBeCloseTo(days, 3)
        },
      ),
    )
  })

  it('ends at full size: what weighs more stays as it is, and more than that is never reached', () => {
    expect(massAfter(king, 800, 500, common)).toBe(800)
    expect(daysToGrow(king, 300, 900, common)).toBe(Infinity)
    expect(daysToGrow(king, 300, 200, common)).toBe(0)
  })

  it('knows the pace of one by its weights, and next to nothing by weights near full size', () => {
    const quick = paceOf(
      king,
      { day: 0, massG: 11 },
      { day: 300, massG: massAfter(king, 11, 450, common) },
      300,
      common,
    )
    expect(quick.likely).toBeGreaterThan(1.35)
    expect(quick.likely).toBeLessThan(1.5)
    expect(quick.sd).toBeLessThan(0.15)
    const grown = paceOf(king, { day: 0, massG: 560 }, { day: 60, massG: 575 }, 60, common)
    expect(grown.sd).toBeGreaterThan(0.35)
    expect(paceOf(king, { day: 9, massG: 50 }, { day: 9, massG: 60 }, 0, common)).toEqual({ likely: 1, sd: 0.4 })
    // one that lost weight is slow, not backward
    const thin = paceOf(king, { day: 0, massG: 200 }, { day: 200, massG: 150 }, 200, common)
    expect(thin.likely).toBeGreaterThan(0)
    expect(thin.likely).toBeLessThan(1)
  })
})

describe('the need of a home', () => {
  it('a young leopard gecko has enough in 38 L, a grown one in 75 L long and not in 38 L (common practice, no source)', () => {
    const [small, long] = [
      { widthCm: 51, depthCm: 26, heightCm: 30 },
      { widthCm: 76, depthCm: 32, heightCm: 31 },
    ]
    const needs = (massG: number) =>
      homeNeed([{ home: gecko.home!, share: massG / gecko.adultMassG.value }], 1, common)!
    expect(isEnough(small, needs(25), common)).toBe(true)
    expect(isEnough(small, needs(60), common)).toBe(false)
    expect(isEnough(long, needs(60), common)).toBe(true)
    // fat needs no floor
    expect(needs(95)).toEqual(needs(65))
  })

  it('half the length needs a quarter of the floor and half the height', () => {
    const crested = speciesOf(shippedAlmanac, 'crested-gecko').home!
    const [grown, half] = [1, 1 / 8].map(share => homeNeed([{ home: crested, share }], 1, common)!)
    expect(half!.floorM2).toBeCloseTo(grown!.floorM2 / 4, 9)
    expect(half!.heightM).toBeCloseTo(grown!.heightM! / 2, 9)
  })

  it('the one that needs most counts whole, each other by its share; height binds only where it is said', () => {
    const mourning = speciesOf(shippedAlmanac, 'mourning-gecko').home!
    const need = homeNeed(new Array(20).fill({ home: mourning, share: 1 }), 1, common)!
    expect(need.floorM2).toBeCloseTo(0.09 * (1 + 19 * 0.1), 9)
    expect(isEnough({ widthCm: 60, depthCm: 45, heightCm: null }, need, common)).toBe(true)
    expect(isEnough({ widthCm: 60, depthCm: 45, heightCm: 20 }, need, common)).toBe(false)
    expect(homeNeed([], 1, common)).toBeNull()
  })
})

const grower = (massG: number, from: number, likely = 1, sd = 0.4): Grower => ({
  species: king,
  home: king.home!,
  massG,
  grown: day => Math.max(0, day - from),
  pace: { likely, sd },
})

describe('the day a home is outgrown', () => {
  it('is the first on which a walk day by day finds it too small', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 5, max: 600, noNaN: true }), fc.double({ min: 0.4, max: 2, noNaN: true })), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.integer({ min: 10, max: 130 }),
        fc.integer({ min: 0, max: 60 }),
        (animals, widthCm, ago) => {
          const growers = animals.map(([massG, pace]) => grower(massG, 1000 - ago, pace))
          const size = { widthCm, depthCm: 40, heightCm: null }
          const told = outgrows(growers, size, 1000, 1000 - ago, 1240, 0.5, common)
          const walked = (over: number) => {
            for (let day = 1000 - ago; day <= 1240; day++) {
              const floors = growers
                .map(g => {
                  const days = (day - (1000 - ago)) * g.pace.likely * Math.exp(over * 0.4)
                  const share = Math.min(1, massAfter(king, g.massG, days, common) / 600)
                  return Math.max(0.01, 0.54 * 0.5 * share ** (2 / 3))
                })
                .sort((a, b) => b - a)
              const need = floors.reduce((sum, f, i) => sum + (i ? f * 0.5 : f), 0)
              if (floorOf(size) < need * 0.9) return day
            }
            return null
          }
          expect([told.low, told.mid, told.high]).toEqual([walked(1.2816), walked(0), walked(-1.2816)])
        },
      ),
      { numRuns: 150 },
    )
  })

  it('stays as it was while days pass and nothing is written', () => {
    const size = { widthCm: 40, depthCm: 30, heightCm: null }
    const on = (today: number) => outgrows([grower(60, 1000)], size, today, 1000, 1600, 0.5, common)
    const days = [on(1000), on(1100), on(1400)].map(({ low, mid, high }) => [low, mid, high])
    expect(days[1]).toEqual(days[0])
    expect(days[2]).toEqual(days[0])
    expect(on(1400).need.floorM2).toBeGreaterThan(on(1000).need.floorM2)
  })

  it('is as sure as it says: of 800 snakes that grow at their own pace, about 8 in 10 outgrow it within the range', () => {
    const random = seededRandom(41)
    const size = { widthCm: 45, depthCm: 35, heightCm: null }
    let [within, early, n] = [0, 0, 0]
    for (let i = 0; i < 800; i++) {
      const pace = Math.exp(normal(random) * 0.4)
      const weigh = (day: number) => massAfter(king, 11, day * pace, common) * (1 + 0.05 * normal(random))
      const age = 60 + Math.floor(random() * 200)
      const last = { day: age, massG: weigh(age) }
      const known = paceOf(king, { day: 0, massG: 11 }, last, age, common)
      const told = outgrows([{ ...grower(last.massG, age), pace: known }], size, age, age, 9000, 0.5, common)
      let out = 0
      const small = (day: number) => {
        const share = massAfter(king, 11, day * pace, common) / 600
        return floorOf(size) < 0.54 * 0.5 * share ** (2 / 3) * 0.9
      }
      while (!small(out) && out < 9000) out++
      if (out <= age || told.low === null || told.mid === null) continue
      n++
      if (told.low <= out && (told.high === null || out <= told.high)) within++
      if (out < told.mid) early++
    }
    expect(n).toBeGreaterThan(600)
    expect(within / n).toBeGreaterThan(0.72)
    expect(within / n).toBeLessThan(0.92)
    expect(early / n).toBeGreaterThan(0.4)
    expect(early / n).toBeLessThan(0.6)
  })
})

describe('the size of a home as it is written', () => {
  it('is read in cm, inches and feet, and told again (NIST SP 811: 1 in = 2.54 cm)', () => {
    expect(readHomeSize('120 × 60 × 60 cm', 'cm')).toEqual({ widthCm: 120, depthCm: 60, heightCm: 60 })
    expect(readHomeSize('30x12 in', 'cm')).toEqual({ widthCm: 76.2, depthCm: 30.5, heightCm: null })
    expect(readHomeSize('4 ft x 24 in x 60cm', 'cm')).toEqual({ widthCm: 121.9, depthCm: 61, heightCm: 60 })
    expect(readHomeSize('1,2 m by 0,6 m', 'cm')).toEqual({ widthCm: 120, depthCm: 60, heightCm: null })
    expect(readHomeSize('30 x 18', 'in')).toEqual({ widthCm: 76.2, depthCm: 45.7, heightCm: null })
    expect(tellHomeSize({ widthCm: 76.2, depthCm: 45.7, heightCm: null }, 'in')).toBe('30 × 18 in')
  })

  it.each(['75 L', '60', '60 × wide cm', '60 × 40 kg', '', '1 × 2 × 3 × 4 cm'])(
    '“%s” is refused with a reason',
    text => {
      expect(() => readHomeSize(text, 'cm')).toThrow(UnitError)
    },
  )

  it('what is needed comes with a home that has it', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.005, max: 20, noNaN: true }), floorM2 => {
        const told = tellNeed({ floorM2, heightM: null }, 'cm')
        expect(floorOf(readHomeSize(told.split('such as ')[1]!, 'cm'))).toBeGreaterThanOrEqual(floorM2 * 0.9999)
      }),
    )
  })
})

describe('what is shipped', () => {
  it('every species of its own has a home', () => {
    expect(ids.filter(id => !speciesOf(shippedAlmanac, id).home)).toEqual([])
  })
})
