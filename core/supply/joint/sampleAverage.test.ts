import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import type { PlannedStart, SolveLp } from '../plan'
import { findSpares, playThrough, sparesFinder, type SampleInput } from '.'

let solve: SolveLp
beforeAll(async () => {
  solve = solverFrom(await highsLoader())
})

const from = 20_000
const DAYS = 30
const RUNS = 10
const GIVES = 10

interface StandIn {
  feeder: string
  mostShare: number
}
interface House {
  /** Pieces of a that are wanted on day 20 of each season. */
  need: readonly number[]
  standIns?: readonly StandIn[]
  fits?: SampleInput['fits']
  /** Seasons in which a start of a feeder fails, the first unit of it only. */
  fails?: Record<string, readonly number[]>
}

/** Eaters of a, which want it on one day; a unit of anything is started on day 0 or 10 and gives ten pieces ten days later. */
function house({ need, standIns = [], fits = () => true, fails = {} }: House): SampleInput {
  const ids = ['a', ...standIns.map(s => s.feeder)]
  const row = (id: string, starts: readonly PlannedStart[], run: number) => {
    const days = new Float64Array(DAYS)
    const failed = fails[id]?.includes(run) ? 1 : 0
    for (const { day, count } of starts) days[day - from + 10]! += GIVES * Math.max(0, count - failed)
    return days
  }
  const ways = standIns.map(s => ({ ...s, of: s.feeder, pieces: 1, weight: 1 }))
  const wanted = new Float64Array(RUNS * DAYS)
  need.forEach((n, run) => (wanted[run * DAYS + 20] = n))
  return {
    ...{ from, fits, runs: RUNS },
    feeders: ids.map(id => ({
      ...{ id, keptPerDay: 0, startDays: [0, 10] },
      perUnit: Float64Array.from({ length: DAYS }, (_, age) => (age === 10 ? GIVES : 0)),
    })),
    standInsOf: prey => (prey === 'a' ? ways : []),
    comes: row,
    play: (starts, tell) =>
      playThrough({
        ...{ days: DAYS, width: DAYS, hungryShare: 0, tell },
        scenarios: Array.from({ length: RUNS }, (_, run) => run),
        need: () => wanted,
        eaters: [{ prey: 'a', share: new Float64Array(DAYS).fill(1), standIns: ways }],
        feeders: ids.map(id => ({
          ...{ id, stock: 0, keptPerDay: 0, countFrom: 0, days: DAYS },
          fates: { draw: run => row(id, starts.get(id) ?? [], run) },
        })),
      }),
  }
}
const none = new Map<string, PlannedStart[]>()
const find = (of: House, target: number) => sparesFinder(house(of), none, solve)(target)

describe('spares by a programme over played seasons, by hand', () => {
  it('leave hungry as many seasons as the aim allows, the hungriest', () => {
    // wanted are 5, 10, 15 … 50: with n units, seasons that want more than 10 n are hungry
    const need = Array.from({ length: RUNS }, (_, run) => 5 * (run + 1))
    for (const [target, units] of [
      [1, 0],
      [0.8, 1],
      [0.5, 3],
      [0.45, 3],
      [0.4, 3],
    ] as const) {
      const found = find({ need }, target)
      expect(found.units.get('a') ?? 0, `aim ${target}`).toBe(units)
      expect(found.bound).toBeNull()
      expect(found.chance).toBe(need.filter(n => n > 10 * units).length / RUNS)
    }
  })

  it('are laid on the day that brings them when they are wanted', () => {
    expect(find({ need: [10] }, 0).starts.get('a')).toEqual([{ day: from + 10, count: 1 }])
  })

  it('of two that stand in for half each, one of either: one by one neither would seem to help', () => {
    const standIns = [
      { feeder: 'b', mostShare: 0.5 },
      { feeder: 'c', mostShare: 0.5 },
    ]
    // a has no room
    const of: House = { need: [20], standIns, fits: starts => !starts.get('a')?.length }
    expect(findSpares({ ...house(of), target: 0 }, none)).toMatchObject({ bound: 'a', chance: 1 / RUNS })
    const found = find(of, 0)
    expect(Object.fromEntries(found.units)).toEqual({ b: 1, c: 1 })
    expect(found).toMatchObject({ chance: 0, fewest: true })
  })

  it('an aim that cannot be reached is come as close to as can be, and what stays short is named', () => {
    const standIns = [
      { feeder: 'b', mostShare: 0.5 },
      { feeder: 'c', mostShare: 0.5 },
    ]
    // nothing feeds the last two seasons
    const of: House = { need: [20, 5000, 6000], standIns, fits: starts => !starts.get('a')?.length }
    const found = find(of, 0)
    expect(Object.fromEntries(found.units)).toEqual({ b: 1, c: 1 })
    expect(found).toMatchObject({ chance: 2 / RUNS, bound: 'a' })
    // they may be the hungry ones of another aim
    expect(find(of, 0.2)).toMatchObject({ chance: 2 / RUNS, bound: null })
  })

  it('what may be eaten of a stand-in is no more than its share, however much of it there is', () => {
    const standIns = [{ feeder: 'b', mostShare: 0.4 }]
    const found = find({ need: [20], standIns }, 0)
    // 8 of 20 may be b: without any, two units of a do
    expect(Object.fromEntries(found.units)).toEqual({ a: 2 })
    // 9.6 of 24: a second unit of it would be left
    const { a, b = 0 } = Object.fromEntries(find({ need: [24], standIns }, 0).units)
    expect(a! + b).toBe(3)
    expect(b).toBeLessThanOrEqual(1)
  })

  it('a unit that fails in a season is none there: that season asks for another', () => {
    const need = [10, 10, 10]
    expect(find({ need, fails: { a: [1] } }, 0).units).toEqual(new Map([['a', 2]]))
    // or it is the one that may be hungry
    expect(find({ need, fails: { a: [1] } }, 0.1).units).toEqual(new Map([['a', 1]]))
  })

  it('what has no room is had otherwise; where nothing does, what stays short is named', () => {
    const standIns = [{ feeder: 'b', mostShare: 1 }]
    const noRoom = (starts: ReadonlyMap<string, readonly PlannedStart[]>) => !starts.get('a')?.length
    expect(find({ need: [10], standIns, fits: noRoom }, 0).units).toEqual(new Map([['b', 1]]))
    expect(find({ need: [10], fits: () => false }, 0)).toMatchObject({ bound: 'a', chance: 1 / RUNS })
    // more than can be laid on a day
    expect(find({ need: [1000] }, 0)).toMatchObject({ bound: 'a', fewest: false })
  })
})
