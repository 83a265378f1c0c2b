import { describe, expect, it } from 'vitest'
import { seededRandom } from '../chance'
import { countBySquares } from '.'

describe('a count by squares', () => {
  it('is the mean of a square times the squares, with its range worked by hand', () => {
    // five squares of 4 cm² on 400 cm²: mean 10, variance 10 (2.5 + …), t(4) = 1.533
    const counts = [6, 8, 10, 12, 14]
    const error = 100 * Math.sqrt((10 / 5) * (1 - 5 / 100))
    const { estimate, low, high } = countBySquares(counts, 4, 400)
    expect(estimate).toBe(1000)
    expect(low).toBe(Math.round(1000 - 1.533 * error))
    expect(high).toBe(Math.round(1000 + 1.533 * error))
  })

  it('of every square is certain, and never under what was seen', () => {
    expect(countBySquares([5, 9], 10, 20)).toEqual({ estimate: 14, low: 14, high: 14 })
    expect(countBySquares([0, 40], 1, 100).low).toBeGreaterThanOrEqual(40)
  })

  it('refuses what cannot be', () => {
    expect(() => countBySquares([5], 1, 100)).toThrow(/two squares/)
    expect(() => countBySquares([5, 6], 0, 100)).toThrow(/size/)
    expect(() => countBySquares([5, 6], 60, 100)).toThrow(/smaller than the squares/)
  })

  it('holds the truth about four times of five (simulated spawn, 600 counts of 8 squares)', () => {
    const random = seededRandom(11)
    let held = 0
    const tries = 600
    for (let i = 0; i < tries; i++) {
      const squares = new Array<number>(100).fill(0)
      const eggs = 400 + Math.floor(random() * 800)
      for (let e = 0; e < eggs; e++) squares[Math.floor(random() * 100)]!++
      const picked = [...squares.keys()].sort(() => random() - 0.5).slice(0, 8)
      const { low, high } = countBySquares(
        picked.map(p => squares[p]!),
        1,
        100,
      )
      if (low <= eggs && eggs <= high) held++
    }
    // the Poisson floor widens it a little
    expect(held / tries).toBeGreaterThan(0.76)
    expect(held / tries).toBeLessThan(0.93)
  })
})
