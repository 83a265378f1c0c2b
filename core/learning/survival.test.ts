import { describe, expect, it } from 'vitest'
import { seededRandom } from '../chance'
import { chanceOfLosing, learntSurvival } from '.'

describe('share of young alive at 90 days', () => {
  it('is the usual one where nothing was watched, and losses over time where much was', () => {
    expect(learntSurvival(0.9, 10, { lost: 0, youngDays: 0, young: 0 })).toBeCloseTo(0.9, 12)
    // 1,000 young watched for 90 days at the exponential rate of 80 %
    const lost = -1000 * Math.log(0.8)
    expect(learntSurvival(0.9, 1e-9, { lost, youngDays: 90_000, young: 1000 })).toBeCloseTo(0.8, 9)
    expect(learntSurvival(0.9, 10, { lost, youngDays: 90_000, young: 1000 })).toBeCloseTo(0.801, 3)
  })

  it('by hand: ten young of the usual 90 %, and ten that lost five of 700 young-days', () => {
    // gamma posterior: (0.10536 · 10 + 5) / (900 + 700) a day
    const rate = (-Math.log(0.9) * 10 + 5) / 1600
    expect(learntSurvival(0.9, 10, { lost: 5, youngDays: 700, young: 10 })).toBeCloseTo(Math.exp(-90 * rate), 12)
  })

  it('more losses never leave more, longer without a loss never fewer; none and all are no trouble', () => {
    const of = (lost: number, youngDays: number) => learntSurvival(0.8, 10, { lost, youngDays, young: 10 })
    for (let lost = 0; lost < 20; lost++) expect(of(lost + 1, 500)).toBeLessThan(of(lost, 500))
    for (let days = 0; days < 3000; days += 300) expect(of(0, days + 300)).toBeGreaterThan(of(0, days))
    expect(learntSurvival(1, 10, { lost: 0, youngDays: 100, young: 2 })).toBe(1)
    expect(learntSurvival(0, 10, { lost: 1, youngDays: 100, young: 2 })).toBeGreaterThanOrEqual(0)
  })

  it('over 400 houses is in the mean what was true: rates drawn as gamma of shape 2 over 900 young-days', () => {
    const random = seededRandom(11)
    let [learnt, truth] = [0, 0]
    for (let house = 0; house < 400; house++) {
      const rate = -Math.log(random() * random()) / 900
      let [lost, youngDays] = [0, 0]
      for (let young = 0; young < 30; young++) {
        const died = -Math.log(random()) / rate
        lost += died < 90 ? 1 : 0
        youngDays += Math.min(90, died)
      }
      // the usual rate of ten young is the mean of that gamma distribution
      learnt += -Math.log(learntSurvival(Math.exp(-0.2), 10, { lost, youngDays, young: 30 })) / 90
      truth += rate
    }
    // three standard errors: about √8 losses in 3,600 young-days each
    expect(Math.abs(learnt - truth) / 400).toBeLessThan((3 * Math.sqrt(8)) / 3600 / Math.sqrt(400))
  })
})

describe('whether a litter loses more than usual', () => {
  it('is the tail of a binomial distribution, by adding up (textbook)', () => {
    // of 10 at 50 % each: 2 or more in 1 − 11/1024
    expect(chanceOfLosing(2, 10, 0.5, 90)).toBeCloseTo(1 - 11 / 1024, 12)
    expect(chanceOfLosing(10, 10, 0.5, 90)).toBeCloseTo(1 / 1024, 12)
    // half of the time at the same rate
    expect(chanceOfLosing(1, 1, 0.81, 45)).toBeCloseTo(0.1, 12)
    expect(chanceOfLosing(0, 10, 0.5, 90)).toBe(1)
  })

  it('where litters differ, is of one young the Laplace transform of their rates (closed form)', () => {
    // 1 − (1 + λ / k)^−k for a gamma distribution of shape k and mean 1
    const rate = -Math.log(0.8) / 3
    for (const alike of [1, 2, 5])
      expect(chanceOfLosing(1, 1, 0.8, 30, alike)).toBeCloseTo(1 - (1 + rate / alike) ** -alike, 3)
  })

  it('is larger for many losses the less litters are alike, as in 20,000 that are played through', () => {
    const of = (alike: number) => chanceOfLosing(6, 20, 0.9, 90, alike)
    expect(of(2)).toBeGreaterThan(of(5))
    expect(of(5)).toBeGreaterThan(of(Infinity))
    const random = seededRandom(3)
    let many = 0
    for (let litter = 0; litter < 20_000; litter++) {
      // gamma of shape 2 and mean 1
      const times = -Math.log(random() * random()) / 2
      const p = 1 - 0.9 ** times
      let lost = 0
      for (let young = 0; young < 20; young++) if (random() < p) lost++
      if (lost >= 6) many++
    }
    expect(Math.abs(many / 20_000 - of(2))).toBeLessThan(3 * Math.sqrt((of(2) * (1 - of(2))) / 20_000))
  })

  it('of 5,000 young is a number as well', () => {
    expect(chanceOfLosing(500, 5000, 0.9, 90)).toBeGreaterThan(0.4)
    expect(chanceOfLosing(700, 5000, 0.9, 90)).toBeLessThan(1e-6)
  })
})
