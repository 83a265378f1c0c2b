import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { foldHouse } from '../subjects'
import { usableStock } from '.'

const today = 20_000
const fold = (b: HouseBuilder) => foldHouse(b.records())

describe('what is left of a stock', () => {
  it('by hand: 100 counted, half kept a day, 10 came in and 8 were offered on the second day', () => {
    const at = (day: number, count: number) => ({ day, at: '', count })
    const stock = {
      counted: { ...at(today - 3, 100), entryId: 'c' },
      arrivals: [at(today - 2, 10)],
      used: [{ day: today - 2, count: 8 }],
      discards: [],
    }
    // 100 → 50 + 10 − 8 = 52 → 26 → 13
    expect(usableStock(stock, 0.5, today)).toBeCloseTo(13, 12)
    expect(usableStock(stock, 1, today)).toBe(102)
    expect(usableStock({ counted: null, arrivals: [], used: [], discards: [] }, 0.5, today)).toBe(0)
    // more offered than there was is none left, not less than none
    expect(usableStock({ ...stock, used: [{ day: today - 2, count: 500 }] }, 1, today)).toBe(0)
  })

  it('what is thrown away is among those that did not keep; only more than that is taken off', () => {
    const at = (day: number, count: number) => ({ day, at: '', count })
    const left = (thrown: number) =>
      usableStock(
        { counted: { ...at(today - 1, 100), entryId: 'c' }, arrivals: [], used: [], discards: [at(today, thrown)] },
        0.5,
        today,
      )
    // half of 100 had to be expected to be dead
    expect([0, 30, 50, 80, 100].map(left)).toEqual([50, 50, 50, 20, 0])
  })

  it('every meal since the count is taken off, however many, of animals and of groups', () => {
    const b = new HouseBuilder(today)
      .animal('A', 'leopard-gecko')
      .animal('K-1', 'corn-snake', { sex: 'female' })
      .animal('K-2', 'corn-snake', { sex: 'male' })
    const prey = { type: 'prey' as const, id: 'cricket.half' }
    b.write('preyCounted', prey, -100, { count: 2000 })
    for (let d = -150; d <= 0; d++)
      b.write('fed', { type: 'animal', id: 'A' }, d, { prey: 'cricket.half', offered: 5, taken: 3 })
    const pair = b.pair('K-1', 'K-2', -300)
    const laid = b.write('laid', { type: 'pairing', id: pair }, -200, {
      tag: 'C-1',
      eggs: 12,
      slugs: 0,
      tempC: null,
      placeId: null,
    })
    b.write('hatched', { type: 'clutch', id: laid }, -120, { count: 10 })
    b.write('youngLost', { type: 'clutch', id: laid }, -60, { count: 4 })
    for (const d of [-110, -90, -50])
      b.write('groupFed', { type: 'clutch', id: laid }, d, { prey: 'cricket.half', each: 2 })
    // after the count: 100 meals of five, one of ten mouths by two, one of six mouths by two
    expect(fold(b).stocks['cricket.half']!.left).toBe(2000 - 100 * 5 - 20 - 12)
    b.write('preyReceived', prey, -1, { count: 50 })
    expect(fold(b).stocks['cricket.half']!.left).toBe(2000 - 500 - 32 + 50)
    b.write('preyCounted', prey, 0, { count: 30 })
    expect(fold(b).stocks['cricket.half']!.left).toBe(30)
  })
})
