import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Place } from '../subjects'
import { compareRoutes, reordered, routeTo, temperatureAt } from '.'

const place = (id: string, parentId: string | null, order: number, tempC: number | null = null): Place => ({
  id,
  name: id,
  kind: 'tub',
  parentId,
  order,
  tempC,
  capacity: null,
})
const places = Object.fromEntries(
  [
    place('room', null, 1, 24),
    place('rack', 'room', 2),
    place('tub1', 'rack', 1),
    place('tub2', 'rack', 2),
    place('incubator', 'room', 1, 28),
    place('cellar', null, 0),
    place('loop', 'loop2', 0),
    place('loop2', 'loop', 0),
  ].map(p => [p.id, p]),
)

describe('the walk through the house', () => {
  it('goes room, rack, tub in the keeper’s order, what has no place last', () => {
    const order = ['tub2', null, 'rack', 'incubator', 'cellar', 'tub1'].sort((a, b) =>
      compareRoutes(routeTo(places, a), routeTo(places, b)),
    )
    expect(order).toEqual(['cellar', 'incubator', 'rack', 'tub1', 'tub2', null])
    expect(routeTo(places, 'tub2').names).toEqual(['room', 'rack', 'tub2'])
  })

  it('takes the temperature from the nearest place that has one', () => {
    expect(temperatureAt(places, 'incubator')).toBe(28)
    expect(temperatureAt(places, 'tub1')).toBe(24)
    expect(temperatureAt(places, null)).toBeNull()
  })

  it('ends at a loop', () => {
    expect(routeTo(places, 'loop').names).toEqual(['loop2', 'loop'])
    expect(temperatureAt(places, 'loop')).toBeNull()
  })
})

describe('places in another order', () => {
  it('are walked as wished, by writing only what changes, and keep their ranks among others', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 1, maxLength: 12 }).chain(orders =>
          fc.record({
            orders: fc.constant(orders),
            ids: fc.shuffledSubarray(
              orders.map((_, i) => `t${i}`),
              { minLength: orders.length },
            ),
          }),
        ),
        ({ orders, ids }) => {
          const places = orders.map((order, i) => ({ id: `t${i}`, order }))
          const changed = reordered(places, ids)
          const now = new Map([...places, ...changed].map(p => [p.id, p.order]))
          expect([...now].sort((a, b) => a[1] - b[1]).map(([id]) => id)).toEqual(ids)
          expect(changed.every(c => places.find(p => p.id === c.id)!.order !== c.order)).toBe(true)
          // where no two had the same rank, the ranks are those that there were
          if (new Set(orders).size === orders.length)
            expect([...now.values()].sort((a, b) => a - b)).toEqual([...orders].sort((a, b) => a - b))
        },
      ),
    )
    expect(reordered([{ id: 'a', order: 3 }], ['a'])).toEqual([])
  })
})
