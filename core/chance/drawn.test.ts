import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cumulative, drawn, fromWeights, neverHappens, summarise } from '.'

const dists = fc
  .tuple(
    fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 300 }),
    fc.double({ min: 0, max: 0.99, noNaN: true }),
  )
  .filter(([weights]) => weights.some(w => w > 1e-6))
  .map(([weights, never]) => fromWeights(20_000, weights, never))

describe('a distribution as it is drawn', () => {
  it('has every sum where it was, to a hundred-thousandth', () => {
    fc.assert(
      fc.property(dists, dist => {
        const told = drawn(dist)
        for (let day = dist.start - 1; day <= dist.start + dist.p.length; day++)
          expect(Math.abs(cumulative(told, day) - cumulative(dist, day))).toBeLessThan(1.1e-5)
      }),
    )
  })

  it('is written as the same days, unless a share is reached within the last step of a day', () => {
    fc.assert(
      fc.property(dists, dist => {
        const [was, told] = [summarise(dist)!, summarise(drawn(dist))!]
        for (const [key, share] of [
          ['low', 0.1],
          ['median', 0.5],
          ['high', 0.9],
        ] as const) {
          const near = (day: number) => Math.abs(cumulative(dist, day) / (1 - dist.never) - share) < 1e-3
          expect(was[key] === told[key] || near(was[key]) || near(was[key] - 1) || near(told[key])).toBe(true)
        }
      }),
    )
  })

  it('is short: a normal of 20 days of spread is told in less than half the letters', () => {
    const weights = Array.from({ length: 301 }, (_, i) => Math.exp(-(((i - 150) / 20) ** 2) / 2))
    const dist = fromWeights(20_000, weights)
    expect(JSON.stringify(drawn(dist)).length).toBeLessThan(JSON.stringify(dist).length / 2)
  })

  it('what does not happen stays so', () => {
    expect(drawn(neverHappens())).toEqual(neverHappens())
  })
})
