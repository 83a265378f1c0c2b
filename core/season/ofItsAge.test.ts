import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac, speciesOf } from '../almanac'
import { normal, seededRandom } from '../chance'
import { massAfter, massAtAge, paceScore, spreadOf } from '../homes'
import { HouseBuilder } from '../../tests/fixtures/records'
import { defaultSettings, houseOf, ofItsAge, usualMass } from '.'

const today = 20_560
const king = speciesOf(almanac, 'california-kingsnake')
const { common } = almanac
const A = { type: 'animal' as const, id: 'A' }
const context = (b: HouseBuilder) => ({ house: houseOf(b.records()), almanac, settings: defaultSettings, today })
function judged(massG: number, age: number, more: (b: HouseBuilder) => void = () => {}) {
  const b = new HouseBuilder(today).animal('A', king.id, { bornDay: today - age })
  more(b)
  b.write('weighed', A, 0, { massG })
  return ofItsAge(context(b).house.animals.A!, context(b))
}

describe('weight for age', () => {
  it('begins at the weight of young, ends under that of grown ones, and is by the curve at maturity', () => {
    expect(massAtAge(king, 0, common).middle).toBe(king.youngMassG.value)
    // a share of full length at maturity, and mass by its cube (Shine & Charnov 1992, from memory)
    expect(massAtAge(king, king.matureDays.value, common).middle / king.adultMassG.value).toBeCloseTo(
      common.lengthAtMaturity!.value ** 3,
      6,
    )
    let before = 0
    for (let age = 0; age < 3000; age += 50) {
      const { low, middle, high } = massAtAge(king, age, common)
      expect(low).toBeLessThanOrEqual(middle)
      expect(middle).toBeLessThanOrEqual(high)
      expect(middle).toBeGreaterThanOrEqual(before)
      before = middle
    }
    expect(before).toBeLessThanOrEqual(king.adultMassG.value)
  })

  it('holds four of five of 2,000 that grow at paces drawn from the spread, a tenth on either side', () => {
    const random = seededRandom(5)
    const age = 300
    const { low, high } = massAtAge(king, age, common)
    const masses = Array.from({ length: 2000 }, () =>
      massAfter(king, king.youngMassG.value, age * Math.exp(spreadOf(king, common) * normal(random)), common),
    )
    // three standard errors of a tenth of 2,000
    const error = 3 * Math.sqrt(0.09 / 2000)
    expect(Math.abs(masses.filter(m => m < low).length / 2000 - 0.1)).toBeLessThan(error)
    expect(Math.abs(masses.filter(m => m > high).length / 2000 - 0.1)).toBeLessThan(error)
    const scores = masses.map(m => paceScore(king, m, age, common)!)
    expect(Math.abs(scores.reduce((a, b) => a + b, 0) / 2000)).toBeLessThan(3 / Math.sqrt(2000))
  })

  it('is judged more loosely where the curve is from memory than where the house has measured it', () => {
    const own = {
      ...king,
      ...Object.fromEntries(
        (['youngMassG', 'adultMassG', 'matureDays'] as const).map(k => [k, { ...king[k], mark: 'own' as const }]),
      ),
    }
    expect(spreadOf(own, common)).toBe(common.growthSpread!.value)
    expect(spreadOf(king, common)).toBeCloseTo(
      Math.sqrt(common.growthSpread!.value ** 2 + common.growthRowUnsure!.value ** 2),
      12,
    )
    const large = massAtAge(king, 200, common).high
    expect(paceScore(own, large, 200, common)!).toBeGreaterThan(paceScore(king, large, 200, common)!)
  })

  it('the middle weight is half-way; a faster grower is never judged smaller', () => {
    const middle = massAtAge(king, 200, common).middle
    expect(judged(middle, 200)!.value).toMatchObject({ is: 'usual', lighter: expect.closeTo(0.5, 3) as number })
    expect(judged(king.youngMassG.value, 200)!.value.is).toBe('small')
    expect(judged(middle * 4, 200)!.value.is).toBe('large')
    let before = -1
    for (let massG = 5; massG < 400; massG += 5) {
      const { lighter } = judged(massG, 200)!.value
      expect(lighter).toBeGreaterThanOrEqual(before)
      before = lighter
    }
  })

  it('days in the cold are no age, and those without a birth, in their first days, or grown are not judged', () => {
    const rested = judged(40, 300, b => {
      b.write('cooledDown', A, -110)
      b.write('warmedUp', A, -20)
    })!
    expect(rested.value.lighter).toBeCloseTo(judged(40, 210)!.value.lighter, 9)
    expect(judged(9, 5)).toBeNull()
    expect(judged(700, 4000)).toBeNull()
    const b = new HouseBuilder(today).animal('A', king.id, { bornDay: null })
    expect(usualMass(context(b).house.animals.A!, today, { almanac })).toBeNull()
  })
})
