import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { feederOf, shippedAlmanac as almanac, type Supply } from '../../almanac'
import {
  WhatIf,
  applyWhatIf,
  cultureTempC,
  defaultSettings,
  houseOf,
  planDifferences,
  planFeeders,
  seasonOfHouse,
  type FeederPlan,
} from '..'
import { nextWeekday } from '../../units'

const today = 20_000
const solve = solverFrom(await highsLoader())
const settings = { ...defaultSettings, cultureWeekday: 0, schools: { cupRhythm: 'asNeeded' } }

/** Frogs on flies, a gecko on crickets, and cups of flies on a board. */
function house() {
  const b = new HouseBuilder(today).place('board', { kind: 'shelf', tempC: 24, capacity: 8 })
  for (let i = 0; i < 16; i++) b.animal(`M-${i}`, 'golden-mantella', { bornDay: today - 160 })
  for (let i = 0; i < 4; i++) b.animal(`G-${i}`, 'fat-tailed-gecko', { bornDay: today - 120 })
  b.write('preyCounted', { type: 'prey', id: 'cricket.half' }, 0, { count: 60 })
  for (const [tag, day] of [
    ['F-1', -24],
    ['F-2', -17],
    ['F-3', -10],
  ] as const) {
    b.culture(tag, 'fly.small', day, 'board')
    if (day < -15) b.write('producing', { type: 'culture', id: tag }, day + 14)
  }
  return houseOf(b.records())
}
function tried(changes: WhatIf): FeederPlan[] {
  const w = applyWhatIf(house(), almanac, settings, WhatIf.parse(changes), today)
  const { season, scenarios } = seasonOfHouse(w.house, w.almanac, w.settings, today)
  return planFeeders(season, scenarios, w.house, w.almanac, w.settings, solve, undefined, w.trial)
}
const now = tried({})
const actsOf = (plans: readonly FeederPlan[]) => plans.flatMap(p => [...p.starts, ...p.orders])
const firstDay = (acts: readonly { day: number }[]) => Math.min(...acts.map(a => a.day))
const shortDays = (plans: readonly FeederPlan[]) => plans.reduce((n, p) => n + p.shortDays, 0)
const flies = (plans: readonly FeederPlan[]) => plans.find(p => p.prey === 'fly.small')!

describe('what if', () => {
  it('nobody starts or orders anything for three weeks: nothing falls on those days, and the rest is planned round them', () => {
    const closed = { from: today, to: today + 20 }
    const within = (plans: readonly FeederPlan[]) =>
      actsOf(plans).filter(a => a.day >= closed.from && a.day <= closed.to)
    expect(firstDay(within(now))).toBe(today)
    const away = tried({ closed })
    expect(within(away)).toEqual([])
    // no later than the first culture day after them
    expect(firstDay(actsOf(away))).toBeLessThanOrEqual(nextWeekday(closed.to + 1, settings.cultureWeekday))
    expect(shortDays(away)).toBeGreaterThan(shortDays(now))
    expect(WhatIf.safeParse({ closed: { from: today + 3, to: today } }).success).toBe(false)
  })

  it('no supplier delivers for a month: crickets are short, and no order is planned before', () => {
    const out = tried({ noOrdersBefore: today + 30 })
    const orders = (plans: readonly FeederPlan[]) =>
      plans.flatMap(p => (p.verb === 'Order' ? p.starts : p.orders)).filter(o => o.day < today + 30)
    expect(firstDay(orders(now))).toBe(today)
    expect(orders(out)).toEqual([])
    const crickets = (plans: readonly FeederPlan[]) => plans.find(p => p.prey === 'cricket.half')!
    expect(crickets(out).runOutChance).toBeGreaterThan(crickets(now).runOutChance)
  })

  it('cups die: so many flies fewer are there, and what is planned makes up for them', () => {
    const without = tried({ lost: ['F-1', 'F-2', 'no such culture'] })
    expect(flies(without).bareStock[10]!).toBeLessThan(flies(now).bareStock[10]!)
    const acts = (plans: readonly FeederPlan[]) => actsOf(plans.filter(p => p.prey === 'fly.small'))
    const units = (plans: readonly FeederPlan[]) => acts(plans).reduce((n, a) => n + a.count, 0)
    expect(units(without)).toBeGreaterThan(units(now))
  })

  it('one more cup each time: as many units more as there are days on which any are started', () => {
    // room for all of them
    const room = { board: 60 }
    const [usual, more] = [tried({ room }), tried({ room, more: { 'fly.small': 1 } })]
    const days = flies(usual).starts.length
    expect(flies(more).units - flies(usual).units).toBeGreaterThan(0.8 * days)
    expect(flies(more).units - flies(usual).units).toBeLessThanOrEqual(days)
    expect(flies(more).shortDays).toBeLessThanOrEqual(flies(usual).shortDays)
  })

  it('a warmer shelf brings the cups that grow sooner, from where they are; a cooler one later', () => {
    const at = (shift: number) => {
      const w = applyWhatIf(house(), almanac, settings, WhatIf.parse({ shelfShiftC: { board: shift, gone: 3 } }), today)
      return cultureTempC(w.house.cultures['F-3']!, { house: w.house, almanac })!
    }
    const way = feederOf(almanac, 'fly.small').supply as Extract<Supply, { kind: 'batch' }>
    const [base, days] = [way.baseTempC.value, way.toProducing.likely * (way.atTempC.value - way.baseTempC.value)]
    // by hand, in degree-days: ten days at 24 °C are behind it, the rest is at what the shelf will be
    const wait = (shift: number) => 10 + (days - 10 * (24 - base)) / (24 + shift - base)
    for (const shift of [-3, 0, 2]) expect(days / (at(shift) - base), `${shift} °C`).toBeCloseTo(wait(shift), 6)
    const [cool, warm] = [tried({ shelfShiftC: { board: -5 } }), tried({ shelfShiftC: { board: 3 } })]
    const comes = (plans: readonly FeederPlan[], day: number) =>
      flies(plans)
        .bareStock.slice(0, day)
        .reduce((a, b) => a + b, 0)
    expect(comes(warm, 10)).toBeGreaterThan(comes(now, 10))
    expect(comes(cool, 10)).toBeLessThan(comes(now, 10))
    expect(planDifferences(now, tried({ shelfShiftC: { board: 0 } }))).toEqual([])
    expect(WhatIf.safeParse({ shelfShiftC: { board: 40 } }).success).toBe(false)
  })

  it('more room on the shelf is used, where it held the plan back', () => {
    const narrow = tried({ room: { board: 3 } })
    expect(flies(narrow).held).not.toEqual([])
    const wide = tried({ room: { board: 60 } })
    expect(flies(wide).held).toEqual([])
    expect(shortDays(wide)).toBeLessThanOrEqual(shortDays(narrow))
  })
})

describe('two plans beside each other', () => {
  it('of the same day say only what differs, the hungriest first', () => {
    expect(planDifferences(now, now)).toEqual([])
    const [first, second] = now
    const hungrier = { ...second!, runOutChance: second!.runOutChance + 0.4, shortDays: second!.shortDays + 2 }
    const more = { ...first!, units: first!.units + 3, orders: [] }
    const told = planDifferences(now, [more, hungrier, ...now.slice(2)])
    expect(told.map(d => d.prey)).toEqual([second!.prey, first!.prey])
    expect(told[0]!.shortDays.after - told[0]!.shortDays.before).toBeCloseTo(2, 9)
  })

  it('what one of them does not have counts as nothing', () => {
    const told = planDifferences([], [flies(now)])
    expect(told).toMatchObject([{ prey: 'fly.small', units: { before: 0 } }])
    expect(told[0]!.units.after).toBe(flies(now).units + flies(now).orders.reduce((n, o) => n + o.count, 0))
  })
})
