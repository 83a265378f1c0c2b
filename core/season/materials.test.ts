import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac as almanac } from '../almanac'
import { boxes } from '../almanac/data/boxes'
import { checkEntry, foldHouse, materialId } from '../subjects'
import { houseOf, materialTasks, materialsAhead, tellAmount, type FeederPlan } from '.'

const today = 20_000
const MIX = { type: 'material' as const, id: materialId('dry mix', 'mL') }
const mL = almanac.feeders['fly.small']!.recipe!.parts.find(p => p.what === 'dry mix')!.amount.value
/** Cups of small flies on these days. */
const plan = (starts: [day: number, count: number][], prey = 'fly.small'): FeederPlan =>
  ({
    prey,
    verb: 'Start',
    starts: starts.map(([day, count]) => ({ day: today + day, count })),
  }) as unknown as FeederPlan
const mixOf = (b: HouseBuilder, plans: FeederPlan[], on = today) =>
  materialsAhead(plans, { house: houseOf(b.records()), almanac, today: on }).find(m => m.id === MIX.id)!

describe('what cultures are made of', () => {
  it('never counted it says what is taken, and no day', () => {
    // 45 mL a cup: PRACTICE §8, common practice
    expect(mL).toBe(45)
    expect(
      mixOf(new HouseBuilder(today), [
        plan([
          [4, 2],
          [11, 3],
          [40, 9],
        ]),
      ]),
    ).toMatchObject({
      left: null,
      soon: 5 * 45,
      shortOn: null,
      getBy: null,
    })
  })

  it('lasts until the first start that it does not suffice for, and is got a week before', () => {
    const b = new HouseBuilder(today)
    b.write('materialCounted', MIX, -3, { amount: 5 * 45 })
    expect(
      mixOf(b, [
        plan([
          [4, 2],
          [11, 3],
        ]),
      ]),
    ).toMatchObject({ left: 225, shortOn: null, getBy: null })
    expect(
      mixOf(b, [
        plan([
          [4, 2],
          [11, 4],
        ]),
      ]),
    ).toMatchObject({ shortOn: today + 11, getBy: today + 4 })
    // large flies take of the same
    expect(mixOf(b, [plan([[4, 2]]), plan([[2, 4]], 'fly.large')])).toMatchObject({ shortOn: today + 4, getBy: today })
  })

  it('is taken by cultures started after the count, as their recipe says; what came is added, with its price', () => {
    const b = new HouseBuilder(today)
    b.culture('F-1', 'fly.small', -5)
    b.write('materialCounted', MIX, -5, { amount: 400 })
    b.culture('F-2', 'fly.small', -2)
    b.culture('F-3', 'fly.large', 0)
    b.write('materialBought', MIX, -1, { amount: 500, price: 6 })
    expect(mixOf(b, [])).toMatchObject({ left: 400 + 500 - 2 * 45, unitPrice: 6 / 500 })
    b.write('materialCounted', MIX, 0, { amount: 90 }, 'z-count')
    expect(mixOf(b, []).left).toBe(90)
  })

  it('is a line of the round from the day on which it is got, with what came to be written; none that nobody counts', () => {
    const b = new HouseBuilder(today)
    b.write('materialCounted', MIX, -1, { amount: 100 })
    const tasks = (starts: [number, number][], on = today) =>
      materialTasks(materialsAhead([plan(starts)], { house: houseOf(b.records()), almanac, today: on }), on)
    // 90 mL are taken on day 4, and a third cup of day 11 is short: got a week before
    const starts: [number, number][] = [
      [4, 2],
      [11, 1],
    ]
    expect(tasks(starts)).toEqual([])
    expect(tasks(starts, today + 3)).toEqual([])
    const [task, ...others] = tasks(starts, today + 4)
    expect(others).toEqual([])
    expect(task).toMatchObject({ tag: 'Dry mix', due: today + 4, subject: MIX, kind: 'material' })
    expect(task!.what).toMatch(/^Get more: 100 mL left, short for the starts of /)
    expect(task!.actions.map(a => [a.kind, a.ask!.field])).toEqual([
      ['materialBought', 'amount'],
      ['materialCounted', 'amount'],
    ])
    expect(tasks([[4, 2]], today + 4)).toEqual([])
  })

  it('is never less than nothing, and only what a recipe asks for', () => {
    const b = new HouseBuilder(today)
    b.write('materialCounted', MIX, -9, { amount: 20 })
    b.culture('F-1', 'fly.small', -1)
    expect(mixOf(b, [])).toMatchObject({ left: 0 })
    const records = b.records()
    const problem = (id: string, amount: number) =>
      checkEntry(
        {
          ...{ id: 'n', at: new Date(today * 86_400_000).toISOString(), day: today, source: 'keeper' as const },
          ...{ kind: 'materialCounted', subject: { type: 'material' as const, id }, data: { amount } },
        },
        { records, house: foldHouse(records), almanac, today },
      )[0]?.message
    expect(problem(MIX.id, 5)).toBeUndefined()
    expect(problem(MIX.id, -5)).toBe('What is left cannot be negative')
    expect(problem('moon dust|mL', 5)).toBeDefined()
  })
})

describe('an amount', () => {
  it('is told in its unit, one of it or many, never less than there is', () => {
    const told = (amount: number, unit = 'handful') => tellAmount({ amount, unit })
    expect([told(0), told(1), told(2), told(0.25)]).toEqual(['0 handfuls', '1 handful', '2 handfuls', '0.3 handfuls'])
    expect([told(0, 'each'), told(12.2, 'mL'), told(1500, 'mL')]).toEqual(['0', '13 mL', '1,500 mL'])
  })
})

describe('boxes of what is bought alive', () => {
  const { box, supply } = almanac.feeders['cricket.half']!
  const holds = box!.holds.value
  const pack = (supply as { packCount: { value: number } }).packCount.value
  const GUT = { type: 'material' as const, id: materialId('dry gut-load', 'mL') }
  const each = box!.parts.find(p => p.what === 'dry gut-load')!.amount.value
  const gut = (b: HouseBuilder, plans: FeederPlan[] = []) =>
    materialsAhead(plans, { house: houseOf(b.records()), almanac, today }).find(m => m.id === GUT.id)
  const orders = (starts: [day: number, count: number][]): FeederPlan =>
    ({ ...plan(starts, 'cricket.half'), verb: 'Order', kind: 'bought' }) as FeederPlan

  it('take of what cultures are made of by deliveries since the count, on order, and planned, by hand', () => {
    const b = new HouseBuilder(today)
    const crickets = { type: 'prey' as const, id: 'cricket.half' }
    expect(gut(b)).toBeUndefined()
    b.write('preyReceived', crickets, -9, { count: holds })
    b.write('materialCounted', GUT, -5, { amount: 20 * each })
    // a box and a bit of it is two
    b.write('preyReceived', crickets, -2, { count: holds + 1 })
    b.write('preyOrdered', crickets, -1, { count: 3 * holds })
    const packs = 4
    const planned = Math.ceil((packs * pack) / holds)
    expect(gut(b, [orders([[3, packs]])])).toMatchObject({ left: 18 * each, soon: (3 + planned) * each, shortOn: null })
    // what was eaten and counted anew meanwhile still took its boxes
    b.write('preyCounted', crickets, 0, { count: 0 })
    expect(gut(b)).toMatchObject({ left: 18 * each })
    expect(gut(b, [orders([[3, 20 * packs]])])!.shortOn).toBe(today + 3)
  })

  it('each are of a feeder that there is', () => {
    expect(Object.keys(boxes).filter(id => !almanac.feeders[id])).toEqual([])
  })

  it('are asked for by no frozen prey, and by nothing that comes in no box', () => {
    for (const { id, box: kept, supply: how } of Object.values(almanac.feeders))
      if (kept) expect('frozen' in how && how.frozen, id).not.toBe(true)
    const b = new HouseBuilder(today)
    b.write('preyReceived', { type: 'prey', id: 'mouse.adult' }, -2, { count: 25 })
    expect(materialsAhead([], { house: houseOf(b.records()), almanac, today })).toEqual([])
  })
})
