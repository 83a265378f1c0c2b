import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac as almanac, withOverrides } from '../../almanac'
import { dayToIso, nextWeekday } from '../../units'
import { defaultSettings, houseOf, planFeeders, planJobs, roomTaken, seasonOfHouse, type FeederPlan } from '..'

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
