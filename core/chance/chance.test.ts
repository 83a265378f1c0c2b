import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  certain,
  conditionBetween,
  conditionFrom,
  convolve,
  cumulative,
  fromWeights,
  mean,
  mixture,
  neverHappens,
  pert,
  quantile,
  sample,
  seededRandom,
  shift,
  normalQuantile,
  stratified,
  summarise,
  triangular,
  withLateTail,
  withNever,
  type DayDist,
} from '.'

const total = (d: DayDist) => d.p.reduce((a, b) => a + b, 0) + d.never

const anyDist = fc
  .record({
    start: fc.integer({ min: -500, max: 500 }),
    weights: fc.array(fc.double({ min: 0.001, max: 10, noNaN: true }), { minLength: 1, maxLength: 30 }),
    never: fc.double({ min: 0, max: 0.9, noNaN: true }),
  })
  .map(({ start, weights, never }) => fromWeights(start, weights, never))

const anyThree = fc
  .tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 0, max: 80 }), fc.integer({ min: 0, max: 80 }))
  .map(([a, b, c]) => ({ earliest: a, likely: a + b, latest: a + b + c }))

describe('shapes', () => {
  it('PERT has the textbook mean (a + 4m + b) / 6 (Malcolm et al. 1959)', () => {
    expect(mean(pert({ earliest: 35, likely: 48, latest: 65 }))!).toBeCloseTo((35 + 4 * 48 + 65) / 6, 1)
    expect(mean(pert({ earliest: 10, likely: 20, latest: 60 }))!).toBeCloseTo((10 + 80 + 60) / 6, 0)
  })

  it('a symmetric PERT has variance range²/28, the beta(3,3) value', () => {
    const d = pert({ earliest: 0, likely: 50, latest: 100 })
    const m = mean(d)!
    const variance = d.p.reduce((s, p, i) => s + p * (d.start + i - m) ** 2, 0)
    // half a day is added on either side to hold whole days, so the range is 101
    expect(variance / (101 ** 2 / 28)).toBeCloseTo(1, 2)
  })

  it('triangular has mean (a + m + b) / 3', () => {
    expect(mean(triangular({ earliest: 7, likely: 10, latest: 16 }))!).toBeCloseTo(11, 1)
  })

  it('stays inside its bounds and sums to one', () => {
    fc.assert(
      fc.property(anyThree, three => {
        for (const d of [pert(three), triangular(three)]) {
          expect(total(d)).toBeCloseTo(1, 9)
          expect(d.start).toBeGreaterThanOrEqual(three.earliest)
          expect(d.start + d.p.length - 1).toBeLessThanOrEqual(three.latest)
        }
      }),
    )
  })

  it('refuses three points out of order', () => {
    expect(() => pert({ earliest: 10, likely: 5, latest: 20 })).toThrow(/in order/)
    expect(() => pert({ earliest: 10, likely: 50, latest: 1e9 })).toThrow(/no span of days/)
    expect(() => triangular({ earliest: 1, likely: Number.NaN, latest: 2 })).toThrow(/numbers/)
  })
})

describe('combining', () => {
  it('convolution commutes, keeps mass 1 and adds the means', () => {
    fc.assert(
      fc.property(anyDist, anyDist, (a, b) => {
        const ab = convolve(a, b)
        const ba = convolve(b, a)
        expect(total(ab)).toBeCloseTo(1, 9)
        expect(ab.start).toBe(ba.start)
        ab.p.forEach((p, i) => expect(p).toBeCloseTo(ba.p[i]!, 9))
        expect(mean(ab)!).toBeCloseTo(mean(a)! + mean(b)!, 6)
        expect(1 - ab.never).toBeCloseTo((1 - a.never) * (1 - b.never), 9)
      }),
    )
  })

  it('two dice: seven comes with 6/36, textbook', () => {
    const die = fromWeights(1, [1, 1, 1, 1, 1, 1])
    const two = convolve(die, die)
    expect(two.start).toBe(2)
    expect(two.p[5]).toBeCloseTo(6 / 36, 12)
  })

  it('shift moves, never stays never, mixtures weigh', () => {
    expect(shift(certain(5), 3).start).toBe(8)
    expect(convolve(neverHappens(), certain(3)).never).toBe(1)
    const m = mixture([
      { weight: 1, dist: certain(0) },
      { weight: 3, dist: certain(4) },
    ])
    expect(mean(m)).toBeCloseTo(3, 12)
    const half = mixture([
      { weight: 1, dist: certain(0) },
      { weight: 1, dist: neverHappens() },
    ])
    expect(half.never).toBeCloseTo(0.5, 12)
    expect(() => mixture([])).toThrow(/weights/)
    expect(() => shift(certain(1), 0.5)).toThrow(/whole/)
  })
})

describe('conditioning', () => {
  it('never leaves mass before the day, keeps mass 1 and never moves the mean earlier', () => {
    fc.assert(
      fc.property(anyDist, fc.integer({ min: -550, max: 550 }), (d, day) => {
        const after = conditionFrom(d, day)
        expect(total(after)).toBeCloseTo(1, 9)
        expect(cumulative(after, day - 1)).toBe(0)
        if (after.p.length) expect(mean(after)!).toBeGreaterThanOrEqual(mean(d)! - 1e-9)
        expect(after.never).toBeGreaterThanOrEqual(d.never - 1e-9)
      }),
    )
  })

  it('works by Bayes: three equal days and never, the first day passed', () => {
    const d = fromWeights(10, [1, 1, 1], 0.25)
    const after = conditionFrom(d, 11)
    expect(after.p[0]).toBeCloseTo(1 / 3, 12)
    expect(after.never).toBeCloseTo(1 / 3, 12)
  })

  it('between two days, or a contradiction', () => {
    const d = fromWeights(0, [1, 1, 2])
    expect(conditionBetween(d, 1, 9)!.p[1]).toBeCloseTo(2 / 3, 12)
    expect(conditionBetween(d, 5, 9)).toBeNull()
  })

  it('a late tail keeps an overdue event expected', () => {
    const clock = withNever(withLateTail(pert({ earliest: 7, likely: 10, latest: 16 }), 0.04, 4), 0.05)
    expect(total(clock)).toBeCloseTo(1, 9)
    const overdue = conditionFrom(clock, 20)
    expect(overdue.start).toBe(20)
    expect(overdue.never).toBeGreaterThan(0.5)
    expect(overdue.never).toBeLessThan(1)
  })
})

describe('summaries and sampling', () => {
  it('quantiles read the happening part', () => {
    const d = fromWeights(100, [1, 2, 1], 0.5)
    expect(quantile(d, 0.5)).toBe(101)
    expect(summarise(d)).toEqual({ median: 101, low: 100, high: 102, never: 0.5 })
    expect(summarise(neverHappens())).toBeNull()
    expect(() => quantile(d, 1.2)).toThrow(/between 0 and 1/)
  })

  it('quantiles of the normal distribution are those of the tables, on either side', () => {
    // NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7.1, from memory
    const table = { 0.5: 0, 0.75: 0.6745, 0.9: 1.2816, 0.95: 1.6449, 0.975: 1.96, 0.99: 2.3263, 0.995: 2.5758 }
    for (const [q, z] of Object.entries(table)) {
      expect(Math.abs(normalQuantile(Number(q)) - z), q).toBeLessThan(0.01)
      expect(normalQuantile(1 - Number(q))).toBeCloseTo(-normalQuantile(Number(q)), 9)
    }
    expect(normalQuantile(0)).toBeGreaterThan(-6)
  })

  it('stratified sampling gives back the distribution', () => {
    const d = fromWeights(0, [1, 2, 3, 4], 0.2)
    const draws = [...stratified(2000, seededRandom(7))].map(u => sample(d, u))
    expect(draws.filter(x => x === 3).length / 2000).toBeCloseTo(0.32, 2)
    expect(draws.filter(x => x === null).length / 2000).toBeCloseTo(0.2, 2)
  })

  it('the same seed gives the same run', () => {
    const a = seededRandom(42)
    const b = seededRandom(42)
    expect([a(), a(), a()]).toEqual([b(), b(), b()])
    expect(seededRandom(43)()).not.toBe(seededRandom(42)())
  })
})
