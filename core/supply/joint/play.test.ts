import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { feederOf, shippedAlmanac } from '../../almanac'
import { plannedSupply } from '../yields'
import { Fates, findSpares, playThrough, type Coming, type PlayedFeeder, type PlayInput } from '.'

const from = 20_000
const flies = plannedSupply(feederOf(shippedAlmanac, 'fly.small'))!
const coming = (part: Partial<Coming> = {}): Coming => ({
  supply: flies,
  running: [],
  starts: [],
  tempC: 24,
  factor: 1,
  luck: 0.25,
  ...part,
})

describe('fates', () => {
  it('a unit keeps its fate whatever else is started: one more never gives less on any day', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 12 }), (scenario, count) => {
        const draw = (n: number) =>
          new Fates(from, 60, coming({ starts: [{ day: from + 3, count: n }] }), 7).draw(scenario)
        const [few, more] = [draw(count), draw(count + 1)]
        few.forEach((y, d) => expect(more[d]!).toBeGreaterThanOrEqual(y - 1e-9))
      }),
    )
  })

  it('on average give what is expected: so many flies, less those that fail', () => {
    const fates = new Fates(from, 120, coming({ starts: [{ day: from, count: 1 }] }), 3)
    const drawn = Array.from({ length: 4000 }, (_, s) => fates.draw(s).reduce((a, b) => a + b, 0))
    const mean = drawn.reduce((a, b) => a + b, 0) / drawn.length
    const { yieldTotal, failure } = flies as Extract<typeof flies, { kind: 'batch' }>
    const expected = yieldTotal.value * (1 - failure.value)
    // luck of a quarter and failures: the mean of 4,000 is within three standard errors
    expect(Math.abs(mean - expected)).toBeLessThan((3 * expected * 0.4) / Math.sqrt(4000))
  })
})

/** What comes is fixed, so that all can be reckoned by hand. */
const sure = (id: string, comes: number[], part: Partial<PlayedFeeder> = {}): PlayedFeeder => ({
  id,
  stock: 0,
  keptPerDay: 1,
  countFrom: 0,
  days: comes.length,
  fates: { draw: () => Float64Array.from(comes) },
  ...part,
})
const standIn = (id: string, pieces = 1, mostShare = 1) => ({ feeder: id, of: id, pieces, mostShare, weight: 1 })
const played = (part: Partial<PlayInput>) =>
  playThrough({
    days: 3,
    width: 3,
    hungryShare: 0.05,
    scenarios: [0],
    feeders: [],
    eaters: [],
    need: prey => (prey === 'a' ? [10, 10, 10] : [5, 5, 5]),
    ...part,
  })

describe('a plan played through', () => {
  const ones = [1, 1, 1]

  it('each takes its own first, then what stands in and is not kept for others', () => {
    const eaters = [
      { prey: 'a', share: ones, standIns: [standIn('b')] },
      { prey: 'b', share: ones, standIns: [] },
    ]
    // a lacks 2 on the last day; b has 18 for three days of 5, so 3 are over
    const feeders = (reserve: number[]) => [sure('a', [10, 10, 8]), sure('b', [18, 0, 0], { reserve })]
    expect(played({ eaters, feeders: feeders([10, 5, 0]) }).chance).toBe(0)
    expect([...played({ eaters, feeders: feeders([20, 20, 20]) }).byPrey.get('a')!.byDay]).toEqual([0, 0, 1])
  })

  it('what the plan gives in its place is not kept back', () => {
    const eaters = [
      { prey: 'a', share: ones, standIns: [standIn('b')], planned: new Map([['b', [0, 0, 2]]]) },
      { prey: 'b', share: ones, standIns: [] },
    ]
    expect(
      played({ eaters, feeders: [sure('a', [10, 10, 8]), sure('b', [18, 0, 0], { reserve: [99, 99, 99] })] }).chance,
    ).toBe(0)
  })

  it('kinds in turn are eaten as the plan shares them; one that fails is made up for by the usual one', () => {
    const half = [5, 5, 5]
    const eaters = (inTurn: boolean) => [
      {
        prey: 'a',
        share: ones,
        standIns: [standIn('c')],
        planned: new Map([
          ['a', half],
          ['c', half],
        ]),
        inTurn,
      },
      { prey: 'c', share: [0, 0, 1], standIns: [] },
    ]
    // ten of a are wanted a day, and five of c on the last by its own eaters
    const fed = (inTurn: boolean, a: number, c: number[]) =>
      played({ eaters: eaters(inTurn), feeders: [sure('a', [a, 0, 0]), sure('c', c)] })
    expect(fed(true, 15, [5, 5, 10]).chance).toBe(0)
    // of the usual prey all would be gone by the second day
    expect([...fed(false, 15, [0, 0, 10]).byPrey.get('a')!.byDay]).toEqual([0, 1, 1])
    // a kind that never comes costs the usual one as much as without turns
    expect(fed(true, 30, [0, 0, 5]).byPrey.get('a')!.chance).toBe(0)
    expect([...fed(true, 29, [0, 0, 5]).byPrey.get('a')!.byDay]).toEqual([0, 0, 1])
  })

  it('other prey stands for no more than may be of it, planned or not; the same by order is itself', () => {
    const hungryBy = (leastOwn: number, part: object = {}) => {
      const eaters = [{ prey: 'a', share: ones, standIns: [standIn('c'), standIn('e')], leastOwn, ...part }]
      const feeders = [sure('a', [10, 10, 4]), sure('c', [3, 0, 0]), sure('e', [9, 0, 0])]
      return [...played({ eaters, feeders }).byPrey.get('a')!.byDay]
    }
    // the last day lacks 6: 3 of c and 3 of e, of which no more than 10 · (1 − least) are eaten together
    expect(hungryBy(0.4)).toEqual([0, 0, 0])
    expect(hungryBy(0.5)).toEqual([0, 0, 1])
    const planned = new Map([
      ['c', [0, 0, 3]],
      ['e', [0, 0, 3]],
    ])
    expect(hungryBy(0.4, { planned })).toEqual([0, 0, 0])
    expect(hungryBy(0.5, { planned })).toEqual([0, 0, 1])
    const ordered = { standIns: [{ ...standIn('e'), of: 'a' }] }
    expect(hungryBy(1, ordered)).toEqual([0, 0, 0])
  })

  it('a stand-in goes no further than its share and its exchange', () => {
    const alone = (s: ReturnType<typeof standIn>, there: number) =>
      played({
        eaters: [{ prey: 'a', share: ones, standIns: [s] }],
        feeders: [sure('a', [0, 10, 10]), sure('c', [there, 0, 0])],
      })
    expect(alone(standIn('c', 1, 0.5), 100).chance).toBe(1)
    expect(alone(standIn('c', 3), 30).chance).toBe(0)
    expect(alone(standIn('c', 3), 27).chance).toBe(1)
  })

  it('a few fewer are no hungry day; days that nothing can cover are not counted', () => {
    const one = (comes: number[], countFrom = 0) =>
      played({ eaters: [{ prey: 'a', share: ones, standIns: [] }], feeders: [sure('a', comes, { countFrom })] }).chance
    expect(one([9.6, 9.6, 9.6])).toBe(0)
    expect(one([9.4, 10, 10])).toBe(1)
    expect(one([0, 10, 10], 1)).toBe(0)
  })
})

describe('spares', () => {
  /** Cups that fail every second time and else give plenty, all on one day: with n of them 1 season in 2ⁿ is hungry. */
  const half = { ...flies, failure: { ...(flies as { failure: object }).failure, value: 0.5 } } as typeof flies
  const days = 40
  const play = (count: number, scenarios: number[]) => {
    const starts = count ? [{ day: from, count }] : []
    const fates = new Fates(from, days, coming({ supply: half, starts, luck: 0 }), 11)
    return playThrough({
      days,
      width: days,
      hungryShare: 0.05,
      scenarios,
      need: () => needs,
      eaters: [{ prey: 'a', share: new Array<number>(days).fill(1), standIns: [] }],
      feeders: [{ id: 'a', stock: 0, keptPerDay: 0.9, countFrom: 24, days, fates }],
    })
  }
  const SCENARIOS = 2000
  const needs = new Float64Array(days * SCENARIOS).map((_, i) => (i % days === 24 ? 1 : 0))
  const range = (a: number, b: number) => Array.from({ length: b - a }, (_, i) => a + i)

  it('are as many as the aim asks for: by the binomial, five cups for 95 seasons of 100', () => {
    const search = (target: number) =>
      findSpares(
        {
          from,
          feeders: [{ id: 'a', perUnit: range(0, days).map(d => (d >= 14 ? 10 : 0)), keptPerDay: 0.9, startDays: [0] }],
          standInsOf: () => [],
          fits: () => true,
          target,
          play: starts => play(starts.get('a')?.[0]?.count ?? 0, range(0, 1000)),
        },
        new Map([['a', [{ day: from, count: 1 }]]]),
      )
    const found = search(0.05)
    expect(found.starts.get('a')).toEqual([{ day: from, count: 5 }])
    expect(found.units.get('a')).toBe(4)
    expect(found.bound).toBeNull()
    // in fresh seasons as often as the binomial says, within three standard errors
    const fresh = play(5, range(1000, 2000)).chance
    expect(Math.abs(fresh - 0.5 ** 5)).toBeLessThan(3 * Math.sqrt((0.5 ** 5 * (1 - 0.5 ** 5)) / 1000))
    expect(search(0.2).starts.get('a')).toEqual([{ day: from, count: 3 }])
    expect(search(0.5).units.size).toBe(0)
  })

  it('that help nothing are not started: what stays short is named', () => {
    const found = findSpares(
      {
        from,
        feeders: [{ id: 'a', perUnit: [0, 0, 5], keptPerDay: 0.9, startDays: [30] }],
        standInsOf: () => [],
        fits: () => true,
        target: 0.01,
        play: () => play(0, range(0, 10)),
      },
      new Map(),
    )
    expect(found).toMatchObject({ bound: 'a', chance: 1 })
    expect(found.units.size).toBe(0)
  })
})
