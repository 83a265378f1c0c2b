import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac, speciesOf } from '../almanac'
import { applyWhatIf, unexpectedFood, defaultSettings, houseOf, planFeeders, seasonOfHouse, type WhatIf } from '.'

const today = 20_000
const solve = solverFrom(await highsLoader())
const made = (b: HouseBuilder, changes: WhatIf = {}) => {
  const house = houseOf(b.records())
  const tried = applyWhatIf(house, shippedAlmanac, defaultSettings, changes, today)
  const { season, scenarios } = seasonOfHouse(tried.house, tried.almanac, tried.settings, today)
  return { season, plans: planFeeders(season, scenarios, tried.house, tried.almanac, tried.settings, solve) }
}
const chameleons = speciesOf(shippedAlmanac, 'panther-chameleon')
const arrived = (b: HouseBuilder, count: number, bornDay = today) =>
  unexpectedFood(
    chameleons,
    bornDay,
    made(b),
    made(b, { arrived: { speciesId: chameleons.id, count, bornDay } }),
    shippedAlmanac,
    today,
  )
const stocked = () => {
  const b = new HouseBuilder(today).animal('D', 'bearded-dragon', { bornDay: today - 900 })
  b.write('preyCounted', { type: 'prey', id: 'fly.small' }, 0, { count: 900 })
  b.write('preyCounted', { type: 'prey', id: 'beanBeetle' }, 0, { count: 300 })
  return b
}

describe('25 chameleons that nobody expected', () => {
  it('live on their yolk first, and eat 18 large flies each a day in the first week (common practice, no source)', () => {
    const { first, last, foods } = arrived(stocked(), 25)
    const days = chameleons.clocks['hatched>firstMeal']!.days
    expect([first, last]).toEqual([today + days.likely, today + days.latest])
    const flies = foods.find(f => f.prey === 'fly.large')!
    // eight days at 18 and eight at 12, then six: 21 days less two of yolk
    expect(flies.wanted).toBeGreaterThan(25 * 8 * 18)
    expect(flies.wanted).toBeLessThan(25 * 19 * 18)
  })

  it('have food in the plan from the first week on: orders, and what stands in, are told with their day', () => {
    const { foods, todo } = arrived(stocked(), 25)
    const wanted = foods.reduce((n, f) => n + f.wanted, 0)
    // an order made today is there in two days; only what falls before that may be short
    expect(foods.reduce((n, f) => n + f.short, 0)).toBeLessThan(0.1 * wanted)
    for (const task of todo) expect(task.due).toBeGreaterThanOrEqual(today)
    expect(todo.some(t => t.due === today)).toBe(true)
    const flies = foods.find(f => f.prey === 'fly.large')!
    // cups ordered today give none for two weeks; what lies in the house is given first
    expect(flies.orders[0]!.day).toBe(today)
    expect(flies.inPlace.map(r => r.prey)).toContain('beanBeetle')
  })

  it('what lies in the house and may stand in is named, with as many as there are', () => {
    const b = new HouseBuilder(today).animal('D', 'bearded-dragon', { bornDay: today - 900 })
    b.write('preyCounted', { type: 'prey', id: 'isopod.dwarf' }, 0, { count: 200 })
    expect(arrived(b, 25).edible).toContainEqual({ prey: 'isopod.dwarf', pieces: expect.closeTo(200, 0) as number })
  })

  it('more of them need more, and none is left of what nobody has', () => {
    const need = (n: number) => arrived(stocked(), n).foods.reduce((sum, f) => sum + f.wanted, 0)
    expect(need(50)).toBeCloseTo(2 * need(25), -1)
    const older = arrived(stocked(), 25, today - 30)
    expect(older.first).toBeLessThan(today)
    expect(older.foods.some(f => f.prey === 'cricket.quarter')).toBe(true)
  })
})
