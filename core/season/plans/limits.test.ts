import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac as almanac, withOverrides } from '../../almanac'
import { dayToIso, nextWeekday } from '../../units'
import {
  defaultSettings,
  freezerTaken,
  houseOf,
  planFeeders,
  planJobs,
  roomTaken,
  seasonOfHouse,
  type FeederPlan,
} from '..'

const today = 20_000
const solve = solverFrom(await highsLoader())
const settings = { ...defaultSettings, cultureWeekday: 0, schools: { cupRhythm: 'asNeeded' } }
const sunday = nextWeekday(today, 0)

/** Frogs that eat more flies than two shelves of cups can give. */
function frogs(capacity: number | null, count = 30): HouseBuilder {
  const b = new HouseBuilder(today)
    .place('board', { kind: 'shelf', tempC: 24, capacity })
    .place('bench', { kind: 'shelf', tempC: 24, capacity: null })
  for (let i = 0; i < count; i++) b.animal(`M-${i}`, 'golden-mantella', { bornDay: today - 160 })
  for (const [tag, day] of [
    ['F-1', -25],
    ['F-2', -12],
    ['F-3', -3],
  ] as const)
    b.culture(tag, 'fly.small', day, 'board')
  b.write('producing', { type: 'culture', id: 'F-1' }, -10)
  return b
}
const worked = (b: HouseBuilder, own = settings, of = almanac) => {
  const house = houseOf(b.records())
  const { season, scenarios } = seasonOfHouse(house, of, own, today)
  const plans = planFeeders(season, scenarios, house, of, own, solve)
  return { house, season, scenarios, plans, flies: plans.find(p => p.prey === 'fly.small')! }
}
const { supply } = almanac.feeders['fly.small']!
const fly = supply.kind === 'batch' ? supply : null!
const ordered = almanac.feeders['fly.small']!.otherWays!.find(way => way.kind === 'batch' && way.boughtProducing)!
const about = ordered.kind === 'batch' ? ordered : null!
/**
 * New cups on the board on a day: one that is started stands until its usual yield is over, one that is bought about to
 * yield from when it comes. By hand from the almanac's numbers, three days less for what is usual and what is the mean.
 */
function onBoard({ starts, orders }: FeederPlan, day: number): number {
  const stays = Math.min(fly.toProducing.likely + fly.producingDays.value, fly.outAfterDays!.value) - 3
  const standing = (from: number, days: number) => from <= day && day < from + days
  return (
    starts.reduce((n, s) => (standing(s.day, stays) ? n + s.count : n), 0) +
    orders.reduce(
      (n, o) => (standing(o.day + about.toProducing.likely + 1, about.producingDays.value - 3) ? n + o.count : n),
      0,
    )
  )
}
const fullest = (plan: FeederPlan) => Math.max(...Array.from({ length: 150 }, (_, d) => onBoard(plan, today + d)))

describe('room on a shelf', () => {
  it('is not planned beyond, whatever is wanted; what one more would feed is told', () => {
    const free = worked(frogs(null))
    expect(fullest(free.flies)).toBeGreaterThan(6)
    expect(free.flies.held).toEqual([])
    for (const capacity of [4, 6]) {
      const { flies, plans } = worked(frogs(capacity))
      expect(fullest(flies)).toBeLessThanOrEqual(capacity)
      expect(fullest(flies)).toBeGreaterThanOrEqual(capacity / 2)
      expect(flies.held).toMatchObject([{ of: 'room', place: { id: 'board', name: 'board' }, more: 1 }])
      expect(flies.held[0]!.cost).toBeGreaterThan(0.1)
      expect(plans.find(p => p.prey === 'cricket.half')?.held ?? []).toEqual([])
    }
  })

  it('as much as there is need for changes nothing', () => {
    const [wide, free] = [worked(frogs(500)), worked(frogs(null))]
    // the same programme, searched to within a fiftieth
    expect(wide.flies.held).toEqual([])
    expect(wide.flies.units).toBeGreaterThan(0.96 * free.flies.units)
    expect(wide.flies.units).toBeLessThan(1.04 * free.flies.units)
    expect(wide.plans.map(p => p.prey)).toEqual(free.plans.map(p => p.prey))
  })

  it('counts what stands there, what is to be taken out left out', () => {
    const b = frogs(6)
    const taken = (made: HouseBuilder) => {
      const house = houseOf(made.records())
      return roomTaken('board', { house, almanac, today })
    }
    expect(taken(b)).toBe(3)
    b.write('cultureFailed', { type: 'culture', id: 'F-2' }, 0, {})
    expect(taken(b)).toBe(2)
    b.culture('I-1', 'isopod.dwarf', -5, 'board')
    expect(taken(b)).toBe(2 + almanac.feeders['isopod.dwarf']!.recipe!.room!.value)
  })

  it('is given back as days pass and nothing is written: a cup that nobody took out stands no longer than any does', () => {
    const house = houseOf(frogs(6).records())
    const taken = Array.from({ length: 50 }, (_, d) => roomTaken('board', { house, almanac, today: today + d }))
    expect(taken[0]).toBe(3)
    taken.forEach((room, d) => expect(room).toBeLessThanOrEqual(taken[Math.max(0, d - 1)]!))
    // the youngest is three days old, and goes for its age
    expect(taken[Math.ceil(fly.outAfterDays!.value) - 3]).toBe(0)
  })

  it('is kept by spares too', () => {
    const { flies } = worked(frogs(6), { ...settings, safeSeasons: 0.95 } as typeof settings)
    expect(fullest(flies)).toBeLessThanOrEqual(6)
  })

  it('a number of one’s own stands beyond it', () => {
    const b = frogs(4)
    b.write('startDecided', { type: 'prey', id: 'fly.small' }, 0, { day: dayToIso(sunday), units: 9 })
    expect(worked(b).flies.starts.find(s => s.day === sunday)?.count).toBe(9)
  })

  it('those that stand on one shelf are planned together; without room said they are not', () => {
    const jobs = (capacity: number | null) => {
      const b = frogs(capacity)
      b.culture('N-1', 'nightcrawler', -50, 'board')
      const { season, scenarios, house } = worked(b)
      return planJobs(season.prey, scenarios, house, almanac, settings, today).map(j => j.looks.map(l => l.prey))
    }
    const together = (list: string[][]) => list.some(ids => ids.includes('nightcrawler') && ids.includes('fly.small'))
    expect(together(jobs(null))).toBe(false)
    expect(together(jobs(10))).toBe(true)
  })
})

describe('minutes of a culture day', () => {
  it('are kept on each day by all that is started then', () => {
    const own = withOverrides(almanac, [{ path: 'feeders.fly.small.recipe.minutes.value', value: 10 }])
    const free = worked(frogs(null), settings, own)
    expect(Math.max(...free.flies.starts.map(s => s.count))).toBeGreaterThan(2)
    const { plans, flies } = worked(frogs(null), { ...settings, cultureMinutes: 20 } as never, own)
    const byDay = new Map<number, number>()
    for (const { prey, starts, verb } of plans) {
      if (verb !== 'Start') continue
      const minutes = own.feeders[prey]!.recipe?.minutes?.value ?? own.common.startMinutes!.value
      for (const s of starts) byDay.set(s.day, (byDay.get(s.day) ?? 0) + s.count * minutes)
    }
    for (const minutes of byDay.values()) expect(minutes).toBeLessThanOrEqual(20)
    expect(flies.held).toMatchObject([{ of: 'minutes', place: null, more: 10 }])
  })
})

describe('room in the freezer', () => {
  const isFrozen = (id: string) => /^(mouse|rat)\.[a-z]+$/.test(id)
  /** Half of what bags fill is air (from memory, no source): 37 g take 74 mL. */
  const litres = (pieces: number, prey = 'rat.weaned') => (pieces * almanac.feeders[prey]!.massG.likely) / 500
  const packOf = (prey: string) => {
    const { supply: way } = almanac.feeders[prey]!
    return way.kind === 'bought' ? { pieces: way.packCount.value, days: way.leadDays.value } : null!
  }
  const BAG = litres(packOf('rat.weaned').pieces)
  /** Kingsnakes of 400 g, which eat a weaned rat every ten days, each on a day of its own. */
  const snakes = (count: number, stock: Record<string, number> = {}): HouseBuilder => {
    const b = new HouseBuilder(today)
    for (let i = 0; i < count; i++) {
      const id = `K-${i}`
      b.animal(id, 'california-kingsnake', { sex: 'male', bornDay: today - 2000 })
      b.write('weighed', { type: 'animal', id }, -5, { massG: 400 })
      b.write('fed', { type: 'animal', id }, -1 - (i % 7), { prey: 'rat.weaned', offered: 1, taken: 1 })
    }
    for (const [prey, n] of Object.entries(stock)) b.write('preyCounted', { type: 'prey', id: prey }, 0, { count: n })
    return b
  }
  /**
   * The fullest it gets, walked by hand day by day: parcels come, each eats its own prey, and who has none eats as much
   * by weight of the others.
   */
  function fullest({ season, plans }: ReturnType<typeof worked>): number {
    const frozen = season.prey.filter(p => isFrozen(p.prey))
    const there = new Map(frozen.map(p => [p.prey, litres(p.stock, p.prey)]))
    let most = 0
    for (let d = 0; d < 60; d++) {
      for (const { prey, running } of frozen) {
        const { pieces, days } = packOf(prey)
        const parcels = (plans.find(p => p.prey === prey)?.starts ?? []).filter(s => s.day + days === today + d)
        const came = parcels.reduce((n, s) => n + s.count * pieces, running[d]!)
        there.set(prey, there.get(prey)! + litres(came, prey))
      }
      most = Math.max(
        most,
        [...there.values()].reduce((a, b) => a + b, 0),
      )
      let lack = 0
      const eat = (prey: string, wanted: number) => {
        const eaten = Math.min(wanted, there.get(prey)!)
        there.set(prey, there.get(prey)! - eaten)
        return wanted - eaten
      }
      for (const { prey, mean } of frozen) lack += eat(prey, litres(mean[d]!, prey))
      for (const { prey } of frozen) lack = eat(prey, lack)
    }
    return most
  }
  const within = (freezerLitres: number | null): typeof settings => ({ ...settings, freezerLitres })
  const hungry = ({ plans }: ReturnType<typeof worked>) => plans.reduce((n, p) => n + p.shortDays, 0)
  const ratsOf = ({ plans }: ReturnType<typeof worked>) => plans.find(p => p.prey === 'rat.weaned')!

  it('is not bought beyond, walked by hand; as much as there is need for changes nothing', () => {
    const free = worked(snakes(30))
    const most = fullest(free)
    expect(most).toBeGreaterThan(2 * BAG)
    expect(free.plans.flatMap(p => p.held)).toEqual([])
    const wide = worked(snakes(30), within(Math.ceil(2 * most)))
    expect(wide.plans.flatMap(p => p.held)).toEqual([])
    expect(ratsOf(wide).starts).toEqual(ratsOf(free).starts)
    for (const room of [1, 1.5, 2]) {
      const made = worked(snakes(30), within(room))
      expect(fullest(made), `${room} L`).toBeLessThanOrEqual(room)
      expect(fullest(made), `${room} L`).toBeGreaterThan(room - BAG)
    }
  })

  it('a litre that holds next to nothing, or more than water weighs, is no number of one’s own', () => {
    const own = (value: number) =>
      withOverrides(almanac, [{ path: 'common.freezerDensity.value', value }]).common.freezerDensity!.value
    expect(own(300)).toBe(300)
    for (const value of [0, 5, 5000]) expect(() => own(value)).toThrow('A litre of prey weighs 50 to 1100 g')
  })

  it('too small for a week’s meals feeds as many as it can, says so, and what more would feed', () => {
    const made = worked(snakes(60), within(2))
    expect(fullest(made)).toBeLessThanOrEqual(2)
    // two bags a week, of the four that are eaten
    expect(ratsOf(made).units).toBeGreaterThan(12)
    const held = ratsOf(made).held.filter(h => h.of === 'freezer')
    // once, with what the largest bag that fits would feed: mice may stand in
    expect(held).toMatchObject([{ place: null, more: litres(25, 'mouse.adult') }])
    expect(held[0]!.hungry).toBeGreaterThan(1)
    expect(hungry(made)).toBeGreaterThan(hungry(worked(snakes(60), within(8))))
  })

  it('what lies in it takes its room until it is eaten, however long nobody eats it; insects take none', () => {
    // 4.4 L of what they eat: the next bag fits when half a bag is eaten
    const eaten = worked(snakes(30, { 'rat.weaned': 60 }), within(5))
    expect(freezerTaken(eaten.season.prey, almanac)).toBeCloseTo(4.44, 6)
    expect(fullest(eaten)).toBeLessThanOrEqual(5)
    expect(hungry(eaten)).toBeCloseTo(hungry(worked(snakes(30, { 'rat.weaned': 60 }))), 6)
    // 4.8 L of mice that nobody eats: no bag of rats fits beside them
    const full = worked(snakes(30, { 'mouse.adult': 100 }), within(5))
    expect(ratsOf(full).starts).toEqual([])
    expect(ratsOf(full).held.some(h => h.of === 'freezer' && h.hungry > 1)).toBe(true)
    const flies = worked(frogs(null), within(1))
    expect(flies.plans.flatMap(p => p.held)).toEqual([])
    expect(freezerTaken(flies.season.prey, almanac)).toBe(0)
  })

  it('what is grown in the house and ordered beside it takes its room too', () => {
    const rats = almanac.feeders['rat.weaned']!
    const { supply: colony } = almanac.feeders['roach.nymph']!
    const grown: typeof almanac = {
      ...almanac,
      feeders: { ...almanac.feeders, 'rat.weaned': { ...rats, supply: colony, otherWays: [rats.supply] } },
    }
    /** No colony gives any for months: parcels come, and are eaten day by day. */
    const most = (litre: number | null) => {
      const made = worked(snakes(30), within(litre), grown)
      const { mean } = made.season.prey.find(p => p.prey === 'rat.weaned')!
      let [there, fullest] = [0, 0]
      for (let d = 0; d < 40; d++) {
        const parcels = ratsOf(made).orders.filter(o => o.day + packOf('rat.weaned').days === today + d)
        there += parcels.reduce((n, o) => n + o.count * o.pieces!, 0)
        fullest = Math.max(fullest, litres(there))
        there -= Math.min(there, mean[d]!)
      }
      return { fullest, held: ratsOf(made).held.filter(h => h.of === 'freezer') }
    }
    const free = most(null)
    expect(free.fullest).toBeGreaterThan(2)
    expect(most(50).fullest).toBeCloseTo(free.fullest, 9)
    const held = most(1)
    expect(held.fullest).toBeGreaterThan(0)
    expect(held.fullest).toBeLessThanOrEqual(1)
    expect(held.held[0]!.hungry).toBeGreaterThan(1)
    // what lies there of it is in the freezer
    const stocked = worked(snakes(30, { 'rat.weaned': 20 }), within(5), grown)
    expect(freezerTaken(stocked.season.prey, grown)).toBeCloseTo(litres(20), 6)
  })
})
