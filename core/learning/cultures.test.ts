import { describe, expect, it } from 'vitest'
import { seededRandom } from '../chance'
import { learntShare, learntWait, learntYield } from '.'

describe('what cultures of the house teach', () => {
  it('by hand: 4 of 10 failed where 1 of 10 is usual and weighs as ten: a quarter', () => {
    expect(learntShare(0.1, 10, 4, 10)).toBeCloseTo(0.25, 12)
    expect(learntShare(0.1, 10, 0, 0)).toBe(0.1)
    expect(learntShare(0.1, 10, 400, 1000)).toBeCloseTo(0.397, 3)
  })

  it('by hand: two cups that gave half, the usual weighing as two: three quarters', () => {
    expect(learntYield(2, [0.5, 0.5])).toBeCloseTo(0.75, 12)
    expect(learntYield(2, [])).toBe(1)
  })

  it('by hand: twice as long and half as long are as usual; four times twice as long, weighing as four: √2', () => {
    expect(learntWait(4, [2, 0.5])).toBeCloseTo(1, 12)
    expect(learntWait(4, [2, 2, 2, 2])).toBeCloseTo(Math.SQRT2, 12)
  })

  it('the share is the mean of its beta posterior: nearest to the truth on average over houses drawn from the prior', () => {
    const random = seededRandom(8)
    // failure of houses: beta(1, 9) by the smallest of nine uniform ones; 12 cups each
    let [learnt, counted, usual] = [0, 0, 0]
    for (let h = 0; h < 4000; h++) {
      const truth = Math.min(...Array.from({ length: 9 }, () => random()))
      const failed = Array.from({ length: 12 }, () => random()).filter(u => u < truth).length
      learnt += (learntShare(0.1, 10, failed, 12) - truth) ** 2
      counted += (failed / 12 - truth) ** 2
      usual += (0.1 - truth) ** 2
    }
    expect(learnt).toBeLessThan(counted)
    expect(learnt).toBeLessThan(usual)
  })
})
