import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { feederOf, shippedAlmanac, withOverrides, type Almanac } from '../../almanac'
import type { SolveLp } from '../../supply'
import {
  defaultSettings,
  PlanMemory,
  houseOf,
  planFeeders,
  planJobs,
  planKey,
  seasonOfHouse,
  startTasks,
  tellStart,
  tellStartShort,
  tellUnits,
  type FeederPlan,
  type HouseSettings,
} from '..'

const today = 20_000
/** One session's plans. */
const memory = new PlanMemory()
let solve: SolveLp
beforeAll(async () => {
  solve = solverFrom(await highsLoader())
})

function plans(b: HouseBuilder, settings: HouseSettings = defaultSettings, engine: SolveLp = solve): FeederPlan[] {
  const house = houseOf(b.records())
  const { season, scenarios } = seasonOfHouse(house, shippedAlmanac, settings, today)
  return planFeeders(season, scenarios, house, shippedAlmanac, settings, engine, memory)
}
const planOf = (b: HouseBuilder, prey: string, settings?: HouseSettings) =>
  plans(b, settings).find(p => p.prey === prey)!
const geckos = (count: number) => {
  const b = new HouseBuilder(today)
  for (let i = 0; i < count; i++) b.animal(`G-${i}`, 'fat-tailed-gecko', { bornDay: today - 120 })
  return b
}
const sum = (row: readonly number[]) => row.reduce((a, b) => a + b, 0)

describe('a prey that is to be itself by the ladder', () => {
  const asking = (least: number): Almanac => {
    const species = shippedAlmanac.species['fat-tailed-gecko']!
    const ladder = species.ladder.map(s => ({
      ...s,
      meal: s.meal.map(m => (m.prey === 'cricket.half' ? { ...m, least } : m)),
    }))
    return { ...shippedAlmanac, species: { ...shippedAlmanac.species, [species.id]: { ...species, ladder } } }
  }
  /** Roaches lie there for weeks, crickets do not. */
  const planned = (least: number) => {
    const b = geckos(10)
    b.write('preyCounted', { type: 'prey', id: 'roach.small' }, 0, { count: 4000 })
    const house = houseOf(b.records())
    const almanac = asking(least)
    const { season, scenarios } = seasonOfHouse(house, almanac, defaultSettings, today)
    const all = planFeeders(season, scenarios, house, almanac, defaultSettings, solve, memory)
    return all.find(p => p.prey === 'cricket.half')!
  }
  const roaches = (plan: FeederPlan) => sum(plan.standIns.filter(s => s.prey === 'roach.small').map(s => s.for))

  it('is replaced no further though what may stand for it lies there, and the working says why', () => {
    const [any, half, all] = [0, 0.5, 1].map(planned)
    expect(roaches(any!)).toBeGreaterThan(roaches(half!))
    expect(roaches(half!)).toBeGreaterThan(0)
    expect(all!.standIns).toEqual([])
    // until the first order comes nothing else is given: that is told as short
    expect([any, all].map(plan => sum(plan!.missing) > 0)).toEqual([false, true])
    const told = all!.reasons.flatMap(r => r.inputs).find(i => i.label === 'Of itself at least, by a ladder')
    expect(told?.value).toBe('100 %')
  })
})

describe('bought prey', () => {
  it('is ordered in whole packs before it runs out, for ten weeks', () => {
    const plan = planOf(geckos(10), 'cricket.half')
    expect(plan.kind).toBe('bought')
    expect(plan.days).toBe(70)
    expect(plan.units).toBeGreaterThan(0)
    // what is eaten in the weeks that orders can still cover is covered: it is two days on the road and a day on good food
    const from = plan.starts[0]!.day - today + 2 + 1
    expect(sum(plan.missing.slice(from))).toBe(0)
  })

  it('stock and what is on order lessen the orders', () => {
    // what stands in for it is ordered too
    const unitsOf = (b: HouseBuilder) => sum(plans(b).map(p => p.units + sum(p.orders.map(o => o.count))))
    const bare = unitsOf(geckos(10))
    const stocked = geckos(10)
    stocked.write('preyCounted', { type: 'prey', id: 'cricket.half' }, 0, { count: 1200 })
    expect(unitsOf(stocked)).toBeLessThan(bare)
    const ordered = geckos(10)
    ordered.write('preyOrdered', { type: 'prey', id: 'cricket.half' }, 0, { count: 1000 })
    expect(unitsOf(ordered)).toBeLessThan(bare)
  })

  it('is not planned for greens, which are gathered', () => {
    const b = new HouseBuilder(today).animal('T-1', 'hermanns-tortoise')
    expect(plans(b)).toEqual([])
  })
})

describe('what a plan says', () => {
  it('names rule, need, bound, unit numbers and risk, with almanac rows and settings behind them', () => {
    const plan = planOf(geckos(6), 'cricket.half')
    const inputs = plan.reasons.flatMap(r => r.inputs)
    expect(new Set(inputs.map(i => i.from.kind))).toEqual(new Set(['setting', 'computed', 'almanac']))
    expect(inputs.map(i => i.label)).toEqual(
      expect.arrayContaining(['Need covered', 'Culture day', 'Pack', 'Lead time', 'Runs with a hungry day']),
    )
    expect(plan.leastPossible).toBeLessThanOrEqual(plan.units)
  })

  it('tells starts in the keeper’s words', () => {
    const flies = feederOf(shippedAlmanac, 'fly.large')
    const plan = {
      kind: 'batch',
      verb: 'Start',
      unit: 'cup',
      starts: [{ day: today + 3, count: 5 }],
      prey: 'fly.large',
    } as unknown as FeederPlan
    expect(tellStart(plan, flies, today)).toMatch(/^Start 5 cups of large flies by \d+ \w{3}$/)
    expect(tellStartShort(plan, today)).toMatch(/^Start 5 cups by/)
    expect(tellUnits({ kind: 'batch', verb: 'Start', unit: 'cup' }, flies, 1)).toBe('Start 1 cup of large flies')
    expect(tellUnits({ kind: 'colony', verb: 'Start', unit: 'box' }, feederOf(shippedAlmanac, 'springtail'), 3)).toBe(
      'Start 3 boxes of springtails',
    )
    expect(
      tellUnits({ kind: 'bought', verb: 'Order', unit: 'bag of 25' }, feederOf(shippedAlmanac, 'mouse.hopper'), 2),
    ).toBe('Order 2 bags of 25 mouse hoppers')
    expect(tellStart({ ...plan, starts: [] }, flies, today)).toBeNull()
  })

  it('becomes tasks for the next culture day only, with the number to order', () => {
    const all = plans(geckos(10))
    const tasks = startTasks(all, shippedAlmanac, today)
    expect(tasks.map(t => t.id)).toContain('start:cricket.half')
    for (const t of tasks) expect(t.due).toBeLessThanOrEqual(today + 6)
    const order = tasks.find(t => t.subject.id === 'cricket.half')!
    const count = all.find(p => p.prey === 'cricket.half')!.starts[0]!.count
    expect(order.actions[0]).toMatchObject({ kind: 'preyOrdered', data: { count: count * 250 } })
    expect(
      startTasks(
        all.map(p => ({ ...p, starts: p.starts.map(s => ({ ...s, day: s.day + 30 })) })),
        shippedAlmanac,
        today,
      ),
    ).toEqual([])
  })

  it('is taken over while nothing that decides it has changed, and made anew when something has', () => {
    let solved = 0
    const counting: SolveLp = lp => {
      solved++
      return solve(lp)
    }
    const odd = { ...defaultSettings, coverQuantile: 0.87 }
    plans(geckos(7), odd, counting)
    const first = solved
    expect(first).toBeGreaterThan(0)
    plans(geckos(7), odd, counting)
    expect(solved).toBe(first)
    plans(geckos(8), odd, counting)
    expect(solved).toBeGreaterThan(first)
  })

  it('is made anew when an own number is set that decides it', () => {
    const house = houseOf(geckos(7).records())
    const { season, scenarios } = seasonOfHouse(house, shippedAlmanac, defaultSettings, today)
    const keyOf = (...numbers: { path: string; value: number }[]) => {
      const almanac = withOverrides(shippedAlmanac, numbers)
      const jobs = planJobs(season.prey, scenarios, house, almanac, defaultSettings, today)
      return planKey(jobs.find(j => j.looks.some(l => l.prey === 'cricket.half'))!)
    }
    expect(keyOf()).toBe(keyOf({ path: 'species.corn-snake.fertility.value', value: 0.5 }))
    for (const path of [
      'common.cupLuck.value',
      'common.unwrittenProducing.value',
      'schools.cupRhythm.choices.0.fact.value',
      'feeders.cricket.half.supply.packCount.value',
    ])
      expect([path, keyOf({ path, value: 0.4 }) === keyOf()]).toEqual([path, false])
  })
})

describe('schools and settings', () => {
  it('«every week without a break» starts at least as many cups as «as needed»', () => {
    const b = () => {
      const h = new HouseBuilder(today).animal('N-1', 'golden-mantella', { bornDay: today - 500 })
      return h
    }
    const weekly = planOf(b(), 'fly.small')
    const needed = planOf(b(), 'fly.small', { ...defaultSettings, schools: { cupRhythm: 'asNeeded' } })
    expect(weekly.units).toBeGreaterThan(needed.units)
    expect(weekly.starts.every((s, i) => i === 0 || s.day - weekly.starts[i - 1]!.day === 7)).toBe(true)
  })

  it('a poorer cup needs more cups, a higher quantile never fewer', () => {
    const frogs = () => {
      const h = new HouseBuilder(today)
      for (let i = 0; i < 12; i++) h.animal(`N-${i}`, 'golden-mantella', { bornDay: today - 100 })
      return h
    }
    expect(planOf(frogs(), 'fly.small', { ...defaultSettings, cupYield: 0.2 }).units).toBeGreaterThan(
      planOf(frogs(), 'fly.small').units,
    )
    expect(planOf(frogs(), 'fly.small', { ...defaultSettings, coverQuantile: 0.98 }).units).toBeGreaterThanOrEqual(
      planOf(frogs(), 'fly.small').units,
    )
  })
})
