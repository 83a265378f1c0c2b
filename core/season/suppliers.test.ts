import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shipped, shippedAlmanac, withOwn } from '../almanac'
import { bestOffers, checkEntry, foldHouse, ownRows, type House, type Offer } from '../subjects'
import { arrival, fedFirst, orderDue, packWay, simulatedAnswer } from '../supply'
import { dayToIso, nextWeekday, weekday } from '../units'
import {
  bySupplier,
  defaultSettings,
  houseOf,
  orderSheet,
  planFeeders,
  seasonOfHouse,
  startTasks,
  type OrderLine,
} from '.'

const today = 20_000
const solve = solverFrom(await highsLoader())
const settings = { ...defaultSettings, cultureWeekday: 0 }
const CRICKETS = { type: 'prey' as const, id: 'cricket.half' }
const offer = (prey: string, pieces: number, price: number, usual?: true): Offer => ({
  ...{ prey, pieces, price },
  ...(usual && { usual }),
})
function supplier(b: HouseBuilder, id: string, data: object, offers: Offer[]): HouseBuilder {
  b.write(
    'supplierAdded',
    { type: 'supplier', id },
    -90,
    { name: id, leadDays: 2, sendsOn: null, minimum: null, carriage: null, ...data },
    id,
  )
  b.write('priceListSet', { type: 'supplier', id }, -60, { offers })
  return b
}
const geckos = () => {
  const b = new HouseBuilder(today)
  for (let i = 0; i < 8; i++) b.animal(`G-${i}`, 'fat-tailed-gecko', { bornDay: today - 120 })
  return b
}
const almanacOf = (house: House) =>
  withOwn(shipped, { ...ownRows(house, settings.cultureWeekday), numbers: [] }).almanac
function worked(b: HouseBuilder, own = settings) {
  const house = houseOf(b.records())
  const almanac = almanacOf(house)
  const { season, scenarios } = seasonOfHouse(house, almanac, own, today)
  return { house, almanac, season, plans: planFeeders(season, scenarios, house, almanac, own, solve) }
}

describe('packs, days and prices of suppliers', () => {
  it('stand over the almanac’s: the cheapest by the piece, or the usual one, of those that are still ordered from', () => {
    const b = supplier(geckos(), 'Near', {}, [offer('cricket.half', 200, 8), offer('cricket.half', 1000, 24)])
    supplier(b, 'Far', { leadDays: 4 }, [offer('cricket.half', 500, 11)])
    const of = () => bestOffers(houseOf(b.records()).suppliers, 0).find(o => o.prey === 'cricket.half')!
    // 4, 2.4 and 2.2 a hundred
    expect(of()).toMatchObject({ pieces: 500, supplierId: 'Far', leadDays: 4 })
    b.write('priceListSet', { type: 'supplier', id: 'Near' }, -50, { offers: [offer('cricket.half', 200, 8, true)] })
    expect(of()).toMatchObject({ pieces: 200, supplierId: 'Near' })
    b.write('supplierEnded', { type: 'supplier', id: 'Near' }, -40)
    expect(of()).toMatchObject({ supplierId: 'Far' })
    const way = packWay(almanacOf(houseOf(b.records())).feeders['cricket.half']!)!
    expect(way).toMatchObject({
      packCount: { value: 500, mark: 'own' },
      leadDays: { value: 4 },
      price: { value: 11 },
      supplierId: 'Far',
    })
    expect(shippedAlmanac.feeders['cricket.half']!.supply).not.toHaveProperty('price')
  })

  it('days are counted from the culture day to the day on which parcels leave, and on the road', () => {
    const b = supplier(geckos(), 'Near', { leadDays: 1, sendsOn: [2, 4] }, [offer('cricket.half', 250, 8)])
    const lead = (cultureWeekday: number) => bestOffers(houseOf(b.records()).suppliers, cultureWeekday)[0]!.leadDays
    // Sunday to Tuesday, Tuesday itself, Friday to Tuesday
    expect([0, 2, 5].map(lead)).toEqual([3, 1, 5])
  })

  it('an order is expected by the days of its supplier, until another day is confirmed', () => {
    const b = supplier(geckos(), 'Near', { leadDays: 1, sendsOn: [1] }, [offer('cricket.half', 250, 8)])
    b.write('preyOrdered', CRICKETS, 0, { count: 250, supplierId: 'Near' }, 'order')
    const due = () => {
      const { stocks, suppliers } = houseOf(b.records())
      return orderDue(stocks['cricket.half']!.onOrder[0]!, 2, suppliers)
    }
    const monday = nextWeekday(today, 1)
    expect(weekday(monday)).toBe(1)
    expect(due()).toBe(monday + 1)
    b.write('orderConfirmed', CRICKETS, 0, { of: 'order', comes: dayToIso(today + 9), count: 200 }, 'z-confirmed')
    expect(due()).toBe(today + 9)
    const { season } = worked(b)
    const arriving = season.prey.find(p => p.prey === 'cricket.half')!.arriving
    expect(arriving).toMatchObject([{ count: 200, comes: { start: today + 9 } }])
  })

  it('an order between culture days is counted on for the day on which its parcel really comes', () => {
    let today0 = 0
    for (const sendsOn of [null, [2], [6], [1, 4], [0], [5]])
      for (const leadDays of [1, 3]) {
        const b = supplier(geckos(), 'Near', { leadDays, sendsOn }, [offer('cricket.half', 250, 8)])
        b.write('preyCounted', CRICKETS, 0, { count: 0 })
        const { plans, almanac, house } = worked(b)
        const plan = plans.find(p => p.prey === 'cricket.half')!
        const way = packWay(almanac.feeders['cricket.half']!)!
        const there = (day: number) =>
          orderDue({ entryId: 'o', count: 250, day, supplierId: 'Near' }, 0, house.suppliers) - today + fedFirst(way)
        const first = Math.min(...plan.starts.map(s => there(s.day)))
        expect(plan.stock.findIndex(n => n >= 200)).toBe(first)
        // a trip today is not made for a parcel that leaves no sooner than that of culture day
        const onCultureDay = there(nextWeekday(today, settings.cultureWeekday))
        const isToday = plan.starts[0]!.day === today
        if (isToday) expect(there(today)).toBeLessThan(onCultureDay)
        today0 += Number(isToday)
      }
    // today is a Friday: some leave before Sunday's, some do not
    expect(weekday(today)).toBe(5)
    expect(today0).toBeGreaterThan(0)
    expect(today0).toBeLessThan(12)
  })

  it('a gap between two parcels weeks ahead is no shortage where something else is given, and is told where nothing is', () => {
    const PINHEADS = 'cricket.pinhead'
    const gapsWith = (standIns: 'usual' | 'none') => {
      const b = new HouseBuilder(today)
      for (let i = 0; i < 40; i++) b.animal(`T-${i}`, 'fire-bellied-toad', { bornDay: today - 5 })
      for (const day of [-30, -23, -16, -9, -2]) b.culture(`FL${day}`, 'fly.large', day)
      supplier(b, 'Near', { leadDays: 1, sendsOn: [2] }, [offer(PINHEADS, 250, 4)])
      const house = houseOf(b.records())
      const own = ownRows(house, settings.cultureWeekday)
      const words = { name: null, one: null, many: null }
      const alone = { ...words, id: PINHEADS, added: false, from: null, parts: { standIns: [] }, retired: false }
      const feeders = standIns === 'none' ? [...own.feeders, alone] : own.feeders
      const { almanac } = withOwn(shipped, { ...own, feeders, numbers: [] })
      const { season, scenarios } = seasonOfHouse(house, almanac, settings, today)
      const plan = planFeeders(season, scenarios, house, almanac, settings, solve).find(p => p.prey === PINHEADS)!
      // they keep less than the week from one parcel to the next, and are eaten for weeks
      expect(plan.starts.some(s => s.day > today + 21)).toBe(true)
      return plan.gaps.filter(g => g.to > today + 21)
    }
    expect(gapsWith('usual')).toEqual([])
    expect(gapsWith('none').map(g => g.from)).toEqual([today])
  })

  it('a pack is called by as many as the list says are in it', () => {
    const b = supplier(geckos(), 'Near', {}, [offer('cricket.half', 600, 8)])
    const { plans, almanac } = worked(b)
    const plan = plans.find(p => p.prey === 'cricket.half')!
    expect(plan.unit).toBe('tub of 600')
    expect(orderSheet(plans, almanac, today).find(l => l.feeder.id === 'cricket.half')!.unit).toBe('tub of 600')
    expect(startTasks(plans, almanac, today).find(t => t.subject.id === 'cricket.half')!.what).toMatch(
      /^Order \d+ tubs? of 600 half-inch crickets$/,
    )
  })

  it('the order names its supplier, and comes to its price; what is under the least order is told', () => {
    const b = supplier(geckos(), 'Near', { minimum: 50, carriage: 6 }, [offer('cricket.half', 250, 8)])
    const { plans, almanac, house } = worked(b)
    const task = startTasks(plans, almanac, today).find(t => t.subject.id === 'cricket.half')!
    expect(task.actions[0]).toMatchObject({ kind: 'preyOrdered', data: { supplierId: 'Near' } })
    const [near, none] = bySupplier(orderSheet(plans, almanac, today), { house, almanac, today })
    const packs = near!.lines.find(l => l.feeder.id === 'cricket.half')!.count
    expect(near).toMatchObject({ supplier: { name: 'Near' }, goods: 8 * packs, carriage: 6, under: 50 - 8 * packs })
    expect(none?.supplier ?? null).toBeNull()
  })

  it('of two orders the one that is named arrives or is dropped', () => {
    const b = geckos()
    b.write('preyOrdered', CRICKETS, -3, { count: 250 }, 'first')
    b.write('preyOrdered', CRICKETS, -2, { count: 500 }, 'second')
    b.write('preyReceived', CRICKETS, -1, { count: 300, open: 190, of: 'second' }, 'third')
    const open = () => houseOf(b.records()).stocks['cricket.half']!.onOrder.map(o => [o.entryId, o.count])
    expect(open()).toEqual([
      ['first', 250],
      ['third', 190],
    ])
    b.write('orderDropped', CRICKETS, 0, { of: 'third' })
    expect(open()).toEqual([['first', 250]])
  })

  it('what cannot be is refused: packs of what is not bought, an order that is none, a day before it was ordered', () => {
    const b = supplier(geckos(), 'Near', {}, [])
    b.write('preyOrdered', CRICKETS, -3, { count: 250 }, 'order')
    const records = b.records()
    const problem = (kind: string, subject: { type: 'supplier' | 'prey'; id: string }, data: Record<string, unknown>) =>
      checkEntry(
        {
          ...{ id: 'n', at: new Date(today * 86_400_000).toISOString(), day: today, source: 'keeper' as const },
          ...{ kind, subject, data },
        },
        { records, house: foldHouse(records), almanac: shippedAlmanac, today },
      )[0]?.message
    const near = { type: 'supplier' as const, id: 'Near' }
    const list = (...offers: unknown[]) => problem('priceListSet', near, { offers })
    expect(list(offer('cricket.half', 250, 8))).toBeUndefined()
    expect(list(offer('greens', 1, 2))).toBe('Weeds and greens is not bought by the pack')
    expect(list(offer('cricket.half', 250, 8), offer('cricket.half', 250, 9))).toMatch(/stands twice/)
    expect(list(offer('no such', 250, 8))).toBe('The almanac has no such feeder')
    expect(list(offer('cricket.half', 250, -1))).toBe('The price cannot be negative')
    expect(problem('orderConfirmed', CRICKETS, { comes: dayToIso(today - 9) })).toBe('That is before it was ordered')
    expect(problem('orderConfirmed', CRICKETS, { comes: dayToIso(today), of: 'none' })).toBe(
      'Nothing of it is on order',
    )
    expect(problem('preyReceived', CRICKETS, { count: 3, of: 'none' })).toBe('Nothing of it is on order')
    expect(problem('preyOrdered', CRICKETS, { count: 3, supplierId: 'none' })).toBe('There is no such supplier')
  })
})

describe('the least order of a supplier', () => {
  /** Snakes that eat a bag of mice every few weeks, and geckos; all of one supplier. */
  const snakes = (minimum: number | null, offers: Offer[], count = 6) => {
    const b = geckos()
    for (let i = 0; i < count; i++) b.animal(`S-${i}`, 'california-kingsnake', { bornDay: today - 2000 })
    return supplier(b, 'Near', { minimum, carriage: 6 }, offers)
  }
  const CRICKETS_8 = offer('cricket.half', 1000, 8)
  const mice = (house: House, almanac = almanacOf(house)) =>
    seasonOfHouse(house, almanac, settings, today).season.prey.find(p => p.prey.startsWith('mouse.'))!.prey
  const MOUSE = mice(houseOf(snakes(null, [CRICKETS_8]).records()))
  const bag = offer(MOUSE, 10, 15)
  const along = (b: HouseBuilder, own = settings) => {
    const w = worked(b, own)
    const sheet = bySupplier(orderSheet(w.plans, w.almanac, today), { ...w, today }).find(
      o => o.supplier?.name === 'Near',
    )!
    return { ...w, sheet, taken: w.plans.find(p => p.prey === MOUSE)!.takenAlong }
  }

  it('is made up by what is planned for later and keeps, the earliest first, and no more of it', () => {
    const bare = along(snakes(null, [CRICKETS_8, bag]))
    expect(bare.taken).toBeUndefined()
    const due = bare.sheet.goods
    for (const bags of [1, 2, 3]) {
      const minimum = due + 15 * bags - 3
      const { taken, sheet, plans, almanac } = along(snakes(minimum, [CRICKETS_8, bag]))
      expect(taken!.count).toBe(bags)
      expect(sheet).toMatchObject({ goods: due + 15 * bags, under: 0 })
      const later = plans.find(p => p.prey === MOUSE)!.starts.filter(s => s.day > today + 6)
      expect(taken!.planned).toBe(later[0]!.day)
      const task = startTasks(plans, almanac, today).find(t => t.id === `along:${MOUSE}`)!
      expect(task.actions[0]).toMatchObject({ kind: 'preyOrdered', data: { count: 10 * bags, supplierId: 'Near' } })
      expect(task.due).toBe(sheet.lines[0]!.by)
    }
  })

  it('when it is ordered, the rest of that day’s order is not under it any more, and no more is taken along', () => {
    const due = along(snakes(null, [CRICKETS_8, bag])).sheet.goods
    const b = snakes(due + 20, [CRICKETS_8, bag])
    const { sheet } = along(b)
    expect(sheet.lines.filter(l => l.feeder.id === MOUSE)).toHaveLength(2)
    const order = (line: OrderLine) =>
      b.write('preyOrdered', { type: 'prey', id: line.feeder.id }, 0, { count: line.pieces, supplierId: 'Near' })
    sheet.lines.filter(l => l.feeder.id === MOUSE).forEach(order)
    const after = along(b)
    expect(after.sheet).toMatchObject({ before: sheet.goods - 8, goods: 8, under: 0 })
    expect(after.taken).toBeUndefined()
    order(after.sheet.lines[0]!)
    const { plans } = worked(b)
    expect(plans.filter(p => p.takenAlong)).toEqual([])
  })

  it('what does not keep is not taken along, nor what finds no room or no money; then it is told as missing', () => {
    const due = along(snakes(null, [CRICKETS_8, bag])).sheet.goods
    // crickets are dead or grown before they would be eaten
    const insects = worked(snakes(due + 20, [CRICKETS_8]))
    expect(insects.plans.filter(p => p.takenAlong)).toEqual([])
    const b = snakes(due + 20, [CRICKETS_8, bag])
    const { taken, sheet } = along(b)
    expect(taken).toBeDefined()
    expect(sheet.under).toBe(0)
    const noRoom = along(b, { ...settings, freezerLitres: 0 })
    expect(noRoom.taken).toBeUndefined()
    expect(noRoom.sheet.under).toBeGreaterThan(0)
    const noMoney = along(b, { ...settings, orderMoney: due + 14 })
    expect(noMoney.taken).toBeUndefined()
    expect(noMoney.sheet.under).toBeGreaterThan(0)
  })

  it('what the keeper decided for a later day stays there', () => {
    const due = along(snakes(null, [CRICKETS_8, bag])).sheet.goods
    const b = snakes(due + 5, [CRICKETS_8, bag])
    const { planned } = along(b).taken!
    b.write('startDecided', { type: 'prey', id: MOUSE }, 0, { day: dayToIso(planned), units: 1 })
    const after = along(b).taken
    expect(after?.planned).not.toBe(planned)
    expect(along(b).plans.find(p => p.prey === MOUSE)!.starts).toContainEqual({ day: planned, count: 1 })
  })

  it('more than all that is planned comes to is not made up by half', () => {
    const { taken, sheet } = along(snakes(100_000, [CRICKETS_8, bag]))
    expect(taken).toBeUndefined()
    expect(sheet.under).toBe(100_000 - sheet.goods)
  })

  it('with nothing due nothing is ordered for its sake', () => {
    const b = snakes(50, [bag])
    b.write('preyCounted', { type: 'prey', id: MOUSE }, 0, { count: 25 })
    const { plans } = worked(b)
    expect(plans.find(p => p.prey === MOUSE)!.starts[0]!.day).toBeGreaterThan(today + 6)
    expect(plans.filter(p => p.takenAlong)).toEqual([])
  })
})

describe('the carriage of a supplier', () => {
  /** Snakes that eat mice of one supplier, and geckos on crickets of the same, or of another. */
  const house = (carriage: number | null, ofCrickets: 'Near' | 'Far' = 'Far') => {
    const b = geckos()
    for (let i = 0; i < 12; i++) b.animal(`S-${i}`, 'california-kingsnake', { bornDay: today - 2000 })
    const [mice, crickets] = [offer(MOUSE, 10, 15), offer('cricket.half', 1000, 8)]
    supplier(b, 'Near', { carriage }, ofCrickets === 'Near' ? [mice, crickets] : [mice])
    if (ofCrickets === 'Far') supplier(b, 'Far', {}, [crickets])
    return b
  }
  const MOUSE = 'mouse.adult'
  const told = (b: HouseBuilder, own = settings) => {
    const { plans, almanac } = worked(b, own)
    const plan = plans.find(p => p.prey === MOUSE)!
    return { plans, almanac, plan, along: plan.takenAlong, later: plan.starts.filter(s => s.day > today + 6) }
  }
  const ahead = shippedAlmanac.common.parcelAhead!.value

  it('is saved by what keeps: all that was planned within the weeks ahead comes with what is due', () => {
    const { along, later, plans, almanac } = told(house(6))
    const within = later.filter(s => s.day <= today + ahead)
    expect(within.length).toBeGreaterThan(1)
    expect(along).toMatchObject({ why: 'parcel', planned: within[0]!.day, supplier: 'Near' })
    expect(along!.count).toBe(within.reduce((n, s) => n + s.count, 0))
    const task = startTasks(plans, almanac, today).find(t => t.id === `along:${MOUSE}`)!
    expect(task.detail).toMatch(/comes along and Near sends one parcel less/)
    expect(told(house(null)).along).toBeUndefined()
    expect(told(house(0)).along).toBeUndefined()
  })

  it('is not saved where a parcel is sent all the same: crickets come with it every week', () => {
    const { plans } = told(house(6, 'Near'))
    expect(plans.find(p => p.prey === 'cricket.half')!.starts.length).toBeGreaterThan(3)
    expect(plans.filter(p => p.takenAlong)).toEqual([])
  })

  it('is paid where there is no room or no money for it, and from a day on that was decided otherwise', () => {
    const all = told(house(6))
    const price = (bags: number) => 15 * bags
    const due = all.plan.starts.filter(s => s.day <= today + 6).reduce((n, s) => n + s.count, 0)
    // money for what is due and a bag: too little for the bags of the second day if it has more, enough for one of one
    const first = all.later[0]!
    const poor = told(house(6), { ...settings, orderMoney: price(due) + 8 + price(first.count) - 1 })
    expect(poor.along).toBeUndefined()
    expect(told(house(6), { ...settings, freezerLitres: 0 }).along).toBeUndefined()
    const b = house(6)
    const second = all.later[1]!
    b.write('startDecided', { type: 'prey', id: MOUSE }, 0, { day: dayToIso(second.day), units: second.count })
    const decided = told(b)
    expect(decided.along?.count).toBe(
      decided.later.filter(s => s.day < second.day).reduce((n, s) => n + s.count, 0) || undefined,
    )
  })

  it('is saved week by week: who orders what is told has fewer parcels, and nobody waits longer', () => {
    /** Orders as they are told, on five culture days. @returns parcels, and days short of mice by the plans */
    const walk = (carriage: number | null) => {
      const b = house(carriage)
      let [parcels, without] = [0, 0]
      for (let week = 0; week < 5; week++) {
        const now = today + 7 * week
        const state = houseOf(b.records())
        const almanac = almanacOf(state)
        const { season, scenarios } = seasonOfHouse(state, almanac, settings, now)
        const plans = planFeeders(season, scenarios, state, almanac, settings, solve)
        const lines = orderSheet(plans, almanac, now).filter(l => l.supplierId === 'Near')
        if (lines.length) parcels++
        without += plans.find(p => p.prey === MOUSE)?.shortDays ?? 0
        for (const { feeder, pieces } of lines) {
          const subject = { type: 'prey' as const, id: feeder.id }
          b.write('preyOrdered', subject, 7 * week, { count: pieces, supplierId: 'Near' })
          b.write('preyReceived', subject, 7 * week + 2, { count: pieces })
        }
        for (let i = 0; i < 12; i++)
          b.write('fed', { type: 'animal', id: `S-${i}` }, 7 * week + 5, { prey: MOUSE, offered: 1, taken: 1 })
      }
      return { parcels, without }
    }
    const [paid, saved] = [walk(null), walk(6)]
    expect(saved.parcels).toBeLessThan(paid.parcels)
    expect(saved.without).toBeLessThanOrEqual(paid.without + 0.5)
  })
})

describe('money for orders in a week', () => {
  const priced = () => supplier(geckos(), 'Near', {}, [offer('cricket.half', 50, 10), offer('cricket.quarter', 50, 10)])
  const spent = (plans: ReturnType<typeof worked>['plans'], from: number) =>
    plans
      .filter(p => ['cricket.half', 'cricket.quarter'].includes(p.prey))
      .flatMap(p => p.starts)
      .filter(s => s.day >= from && s.day < from + 7)
      .reduce((n, s) => n + 10 * s.count, 0)

  it('is kept in any seven days, and what was ordered in them is taken off', () => {
    const free = worked(priced())
    const dearest = Math.max(...Array.from({ length: 30 }, (_, d) => spent(free.plans, today + d)))
    expect(dearest).toBeGreaterThan(20)
    const held = worked(priced(), { ...settings, orderMoney: 20 })
    for (let d = 0; d < 60; d++) expect(spent(held.plans, today + d)).toBeLessThanOrEqual(20)
    expect(held.plans.flatMap(p => p.held).some(h => h.of === 'money' && h.more === 10)).toBe(true)
    const after = priced()
    after.write('preyOrdered', CRICKETS, 0, { count: 50, supplierId: 'Near' })
    expect(spent(worked(after, { ...settings, orderMoney: 20 }).plans, today)).toBeLessThanOrEqual(10)
  })
})

describe('a simulated supplier', () => {
  const answers = Array.from({ length: 4000 }, (_, i) =>
    simulatedAnswer({ entryId: `order ${i}`, count: 250 }, today, shippedAlmanac),
  )
  it('answers the same order alike, and loses none but those that are dead or still to come', () => {
    const order = { entryId: 'one', count: 500 }
    expect(simulatedAnswer(order, today, shippedAlmanac)).toEqual(simulatedAnswer(order, today, shippedAlmanac))
    for (const { count, dead, open } of answers) expect(count + dead + open).toBe(250)
    for (const { comes, confirmed } of answers)
      expect(Math.min(comes ?? today, confirmed)).toBeGreaterThanOrEqual(today)
  })

  it('is late, short and dead as often as orders are counted on to be', () => {
    const share = (of: (a: (typeof answers)[number]) => boolean) => answers.filter(of).length / answers.length
    const { common } = shippedAlmanac
    // four standard errors of 4000 draws
    const near = (value: number, p: number) =>
      expect(Math.abs(value - p)).toBeLessThan(4 * Math.sqrt((p * (1 - p)) / 4000))
    near(
      share(a => a.comes === null),
      arrival(today, shippedAlmanac, today).never,
    )
    near(
      share(a => a.comes !== null && a.comes > today),
      common.deliveryLate!.value,
    )
    near(
      share(a => a.open > 0),
      common.deliveryShort!.value,
    )
    const dead = answers.reduce((n, a) => n + a.dead, 0) / answers.reduce((n, a) => n + a.dead + a.count, 0)
    expect(Math.abs(dead - common.deliveryDead!.value)).toBeLessThan(0.002)
  })
})
