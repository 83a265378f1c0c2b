import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shippedAlmanac } from '../almanac'
import {
  cultureDay,
  defaultSettings,
  houseOf,
  mixOf,
  orderRows,
  orderSheet,
  planFeeders,
  seasonOfHouse,
  tellOrderLine,
  troubleOf,
} from '.'

const today = 20_000
const solve = solverFrom(await highsLoader())
const planned = (b: HouseBuilder) => {
  const house = houseOf(b.records())
  const { season, scenarios } = seasonOfHouse(house, shippedAlmanac, defaultSettings, today)
  const plans = planFeeders(season, scenarios, house, shippedAlmanac, defaultSettings, solve)
  const context = { house, almanac: shippedAlmanac, settings: defaultSettings, today }
  return { plans, ...cultureDay(plans, season.tasks, context) }
}
const sheetOf = (b: HouseBuilder) => {
  const { plans: _, ...sheet } = planned(b)
  return sheet
}
const flies = feederOf(shippedAlmanac, 'fly.small')

describe('the mix of a culture day', () => {
  it('four cups of flies: 640 mL of boiling water on 180 mL of mix (common practice, no source)', () => {
    const mix = mixOf([{ feeder: flies, count: 4 }])
    const of = (what: string) => mix.find(m => m.what === what)
    expect(of('boiling water')).toMatchObject({ amount: 640, unit: 'mL' })
    expect(of('dry mix')).toMatchObject({ amount: 180, unit: 'mL' })
  })

  it('of two sorts of flies is one mix; what has no recipe adds nothing', () => {
    const both = mixOf([
      { feeder: flies, count: 2 },
      { feeder: feederOf(shippedAlmanac, 'fly.large'), count: 3 },
      { feeder: feederOf(shippedAlmanac, 'locust.small'), count: 1 },
    ])
    expect(both.find(m => m.what === 'boiling water')!.amount).toBe(800)
    expect(both).toHaveLength(4)
  })
})

describe('the worksheet of a culture day', () => {
  const frogs = () => {
    const b = new HouseBuilder(today)
    for (let i = 0; i < 8; i++) b.animal(`N-${i}`, 'golden-mantella', { bornDay: today - 150 })
    return b
  }

  it('says how many founders are wanted and from which cup, or that none of its own gives them', () => {
    const b = frogs()
    b.culture('F-1', 'fly.small', -18)
    b.write('producing', { type: 'culture', id: 'F-1' }, -3)
    const start = sheetOf(b).starts.find(s => s.feeder.id === 'fly.small')!
    expect(start.founders).toBe(75 * start.count)
    expect(start.from).toContain('F-1')
    const none = sheetOf(frogs())
    for (const s of none.starts.filter(s => s.feeder.id === 'fly.small')) {
      expect(s.from).toEqual([])
      expect(s.lacking).toBe(s.founders)
    }
  })

  it('says once how all are made that are made alike', () => {
    const b = frogs()
    for (let i = 0; i < 8; i++) b.animal(`P-${i}`, 'panther-chameleon', { bornDay: today - 30 })
    const { starts, how } = sheetOf(b)
    const flies = starts.filter(s => s.feeder.id.startsWith('fly.')).map(s => s.feeder.name)
    expect(flies.length).toBe(2)
    const cups = how.filter(h => h.feeders.some(f => f.id.startsWith('fly.')))
    expect(cups.map(h => h.feeders.map(f => f.name))).toEqual([flies])
  })

  it('takes out what is over or failed, until that is written', () => {
    const b = frogs()
    b.culture('F-1', 'fly.small', -60)
    b.write('producing', { type: 'culture', id: 'F-1' }, -40)
    b.culture('F-2', 'fly.small', -20)
    b.write('cultureFailed', { type: 'culture', id: 'F-2' }, -2)
    expect(sheetOf(b).takeOut.map(t => t.tag)).toEqual(['F-2', 'F-1'])
    b.write('cultureFinished', { type: 'culture', id: 'F-2' }, -1)
    expect(sheetOf(b).takeOut.map(t => t.tag)).toEqual(['F-1'])
  })

  it('lists the orders of the sheet, as a message and as a table', () => {
    const b = new HouseBuilder(today)
    for (let i = 0; i < 6; i++) b.animal(`L-${i}`, 'ocellated-lizard', { bornDay: today - 900 })
    const { orders, plans } = planned(b)
    const lines = orderSheet(plans, shippedAlmanac, today)
    expect(lines.length).toBe(orders.length)
    expect(lines.map(l => l.feeder.name).sort()).toEqual(orders.map(o => o.tag).sort())
    const bought = lines.find(l => l.feeder.supply.kind === 'bought')!
    const { supply } = bought.feeder
    expect(bought.pieces).toBe(supply.kind === 'bought' ? bought.count * supply.packCount.value : null)
    expect(tellOrderLine(bought, today)).toContain(`${bought.count} × ${bought.unit}, ${bought.feeder.name}`)
    expect(orderRows([bought], day => `day ${day}`)).toEqual([
      {
        'Supplier': '',
        'Feeder': bought.feeder.name,
        'Latin name': bought.feeder.latin ?? '',
        'Packs': String(bought.count),
        'Pack': bought.unit,
        'Animals': String(bought.pieces),
        'Price': '',
        'By': `day ${bought.by}`,
      },
    ])
  })

  it('of an empty house is empty', () => {
    expect(sheetOf(new HouseBuilder(today))).toMatchObject({
      starts: [],
      orders: [],
      mix: [],
      takeOut: [],
      deliveries: [],
    })
  })
})

describe('mites in a culture from which others were founded', () => {
  it('name those to look at; in one whose parents had none they hardly came with its founders', () => {
    const b = new HouseBuilder(today)
    for (const [tag, day, parents] of [
      ['F-1', -30, undefined],
      ['F-2', -14, ['F-1']],
      ['F-3', -14, undefined],
      ['F-4', -7, ['F-2']],
    ] as const)
      b.write(
        'cultureStarted',
        { type: 'culture', id: tag },
        day,
        { tag, feederId: 'fly.small', placeId: null, ...(parents && { parentIds: parents }) },
        tag,
      )
    b.write('cultureFound', { type: 'culture', id: 'F-2' }, -1, { what: 'mites' })
    const view = () => {
      const house = houseOf(b.records())
      const culture = house.cultures['F-2']!
      return troubleOf(culture, culture.troubles[0]!, { house, almanac: shippedAlmanac, today })
    }
    const chance = () => view().causes.find(c => c.id === 'founders')?.chance ?? 0
    expect(view().carriedTo).toEqual(['F-4'])
    const clean = chance()
    b.write('cultureFound', { type: 'culture', id: 'F-1' }, -1, { what: 'mites' })
    expect(chance()).toBeGreaterThan(2 * clean)
    expect(view().reasons[0]!.inputs.find(i => i.label === 'What it was founded from, F-1')?.value).toBe('mites in F-1')
  })
})

describe('what is delivered', () => {
  it('has its boxes in the mix, as many as it takes, and how they are made', () => {
    const b = new HouseBuilder(today)
    const crickets = feederOf(shippedAlmanac, 'cricket.half')
    const holds = crickets.box!.holds.value
    b.write('preyOrdered', { type: 'prey', id: crickets.id }, -3, { count: 2 * holds + 5 })
    const { deliveries, mix, how, starts } = planned(b)
    expect([deliveries.length, starts.length]).toEqual([1, 0])
    for (const { what, amount } of crickets.box!.parts)
      expect(mix.find(m => m.what === what)).toMatchObject({ amount: 3 * amount.value, unit: amount.unit })
    expect(how).toEqual([{ feeders: [crickets], how: crickets.box!.how }])
    // cups and boxes that take of the same are mixed together
    const flies = feederOf(shippedAlmanac, 'fly.small')
    const alike = { ...flies, box: { ...crickets.box!, parts: flies.recipe!.parts } }
    expect(mixOf([{ feeder: alike, count: 2 }], [{ feeder: alike, count: 1 }])).toEqual(
      mixOf([{ feeder: flies, count: 3 }]),
    )
  })
})
