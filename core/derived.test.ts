import { describe, expect, it } from 'vitest'
import { derived, derivedBy } from './derived'

describe('what follows from an object', () => {
  it('is worked out once for each', () => {
    let made = 0
    const size = derived((list: readonly number[]) => (made++, list.length))
    const [a, b] = [
      [1, 2],
      [1, 2],
    ]
    expect([size(a), size(a), size(b)]).toEqual([2, 2, 2])
    expect(made).toBe(2)
  })

  it('and from values is worked out anew when one of these is another, left out, or added', () => {
    let made = 0
    const sum = derivedBy((list: readonly number[], ...more: readonly number[]) => {
      made++
      return [...list, ...more].reduce((a, b) => a + b, 0)
    })
    const list = [1, 2]
    expect([sum(list, 3), sum(list, 3)]).toEqual([6, 6])
    expect(made).toBe(1)
    expect([sum(list, 3, 4), sum(list, 3), sum(list), sum(list, 3)]).toEqual([10, 6, 3, 6])
    expect(sum([5], 3)).toBe(8)
  })
})
