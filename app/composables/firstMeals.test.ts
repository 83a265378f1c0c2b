import { describe, expect, it } from 'vitest'
import { shippedAlmanac } from '#core/almanac'
import { defaultSettings, houseOf, season } from '#core/season'
import { HouseBuilder } from '../../tests/fixtures/records'
import { firstMealsOf } from './firstMeals'

const today = 20_560

function listed(count: number, more: (b: HouseBuilder) => void = () => undefined) {
  const b = new HouseBuilder(today)
  for (let i = 0; i < count; i++) b.animal(`A-${i}`, i % 3 ? 'corn-snake' : 'leopard-gecko')
  more(b)
  const records = b.records()
  return firstMealsOf(season(records, shippedAlmanac, defaultSettings, today).season.tasks, houseOf(records))
}

describe('animals that came without a meal written', () => {
  it('are asked about once, by species, the most first', () => {
    expect(listed(30).map(g => [g.speciesId, g.tasks.length])).toEqual([
      ['corn-snake', 20],
      ['leopard-gecko', 10],
    ])
  })

  it('a few are simply fed, and one whose meal is written is not asked about', () => {
    expect(listed(3)).toEqual([])
    expect(
      listed(
        6,
        b => void b.write('fed', { type: 'animal', id: 'A-1' }, -30, { prey: 'mouse.adult', offered: 1, taken: 1 }),
      ).flatMap(g => g.tasks.map(t => t.tag)),
    ).not.toContain('A-1')
  })
})
