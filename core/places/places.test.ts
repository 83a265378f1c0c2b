import { describe, expect, it } from 'vitest'
import type { Place } from '../subjects'
import { compareRoutes, routeTo, temperatureAt } from '.'

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
