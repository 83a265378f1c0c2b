import fc from 'fast-check'
import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { feederOf, shippedAlmanac } from '../almanac'
import type { CultureState } from '../subjects'
import { PlanError, firstCoveredDay, nextCultureTags, planStarts, runStock, type PlanInput, type SolveLp } from '.'

let solve: SolveLp
beforeAll(async () => {
  solve = solverFrom(await highsLoader())
})

const from = 20_000
const sum = (xs: ArrayLike<number>) => Array.from(xs).reduce((a, b) => a + b, 0)

/** Small plans of every sort: some days of need, a curve that starts late, a start day every third day. */
const anyInput = fc
  .record({
    need: fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 14, maxLength: 24 }),
    wait: fc.integer({ min: 0, max: 4 }),
    curve: fc.array(fc.integer({ min: 5, max: 30 }), { minLength: 1, maxLength: 5 }),
    stock: fc.integer({ min: 0, max: 60 }),
    keptPerDay: fc.double({ min: 0.5, max: 1, noNaN: true }),
  })
  .map(({ need, wait, curve, stock, keptPerDay }): PlanInput => ({
    from,
    need,
    running: need.map(() => 0),
    stock,
    keptPerDay,
    perUnit: [...new Array<number>(wait).fill(0), ...curve],
    startDays: need.map((_, d) => d).filter(d => d % 3 === 0),
    leastPerStart: 0,
  }))

describe('every plan', () => {
  it('covers each day that a start can cover, starts on start days only, and is never under its bound', () => {
    fc.assert(
      fc.property(anyInput, input => {
        const plan = planStarts(input, solve)
        const coverable = firstCoveredDay(input)
        plan.missing.forEach((m, t) => {
          if (t >= coverable) expect(m).toBe(0)
        })
        for (const s of plan.starts) expect(input.startDays).toContain(s.day - from)
        expect(plan.units).toBeGreaterThanOrEqual(plan.leastPossible)
        expect(plan.units).toBe(plan.starts.reduce((n, s) => n + s.count, 0))
      }),
      { numRuns: 40 },
    )
  })

  it('with a unit fewer on any day some need is missed: nothing is started for nothing', () => {
    fc.assert(
      fc.property(anyInput, input => {
        const plan = planStarts(input, solve)
        const coverable = firstCoveredDay(input)
        for (const start of plan.starts) {
          const planned = Float64Array.from(plan.planned)
          input.perUnit = Array.from(input.perUnit)
          for (let age = 0; age < input.perUnit.length; age++) {
            const t = start.day - from + age
            if (t < planned.length) planned[t]! -= input.perUnit[age]!
          }
          const { missing } = runStock(input, planned)
          expect(sum(missing.slice(coverable))).toBeGreaterThan(0)
        }
      }),
      { numRuns: 25 },
    )
  })

  it('more stock never asks for more units', () => {
    fc.assert(
      fc.property(anyInput, fc.integer({ min: 1, max: 80 }), (input, more) => {
        expect(planStarts({ ...input, stock: input.stock + more }, solve).units).toBeLessThanOrEqual(
          planStarts(input, solve).units,
        )
      }),
      { numRuns: 25 },
    )
  })

  it('counts on what early units leave over: 5 on the first day, half kept, and 11 on the next are enough for 12', () => {
    const need = [0, 12, 0, 0]
    expect(
      planStarts(
        {
          from,
          need,
          running: need.map(() => 0),
          stock: 0,
          keptPerDay: 0.5,
          perUnit: [5, 11],
          startDays: [0, 3],
          leastPerStart: 0,
        },
        solve,
      ).units,
    ).toBe(1)
  })

  it('starts late rather than early where both cover', () => {
    const need = [0, 0, 0, 0, 0, 0, 0, 0, 0, 10]
    const plan = planStarts(
      {
        from,
        need,
        running: need.map(() => 0),
        stock: 0,
        keptPerDay: 1,
        perUnit: [0, 20],
        startDays: [0, 4, 8],
        leastPerStart: 0,
      },
      solve,
    )
    expect(plan.starts).toEqual([{ day: from + 8, count: 1 }])
  })

  it('a solver that finds nothing is an error, not an empty plan', () => {
    const nothing: SolveLp = () => ({ status: 'Infeasible', objective: 0, columns: {} })
    const need = [0, 0, 9]
    expect(() =>
      planStarts(
        { from, need, running: [0, 0, 0], stock: 0, keptPerDay: 1, perUnit: [5], startDays: [0], leastPerStart: 0 },
        nothing,
      ),
    ).toThrow(PlanError)
  })
})

describe('stock', () => {
  it('by hand: 10 at hand, half kept, 4 eaten a day', () => {
    const { stock, missing } = runStock({ need: [4, 4, 4], running: [0, 0, 1], stock: 10, keptPerDay: 0.5 }, [0, 0, 0])
    // day 0: 10, left 6; day 1: 3, one short, left 0; day 2: 1 yields, three short
    expect([...stock]).toEqual([10, 3, 1])
    expect([...missing]).toEqual([0, 1, 3])
  })

  it('the first day a start can cover is where a unit gives half of its best', () => {
    expect(firstCoveredDay({ perUnit: [0, 1, 4, 10, 2], startDays: [3, 10] })).toBe(3 + 3)
    expect(firstCoveredDay({ perUnit: [0, 0], startDays: [1] })).toBe(Number.POSITIVE_INFINITY)
    expect(firstCoveredDay({ perUnit: [5], startDays: [] })).toBe(Number.POSITIVE_INFINITY)
  })
})

describe('a need that no number of units can meet', () => {
  it('is planned as far as it goes, and the rest is told as missing', () => {
    // 10 a day asked for, a hundredth of one from each unit: 5,000 on the one start day give 50
    const need = new Array<number>(12).fill(100)
    const plan = planStarts(
      {
        from,
        need,
        running: need.map(() => 0),
        stock: 0,
        keptPerDay: 0.5,
        perUnit: new Array<number>(12).fill(0.01),
        startDays: [0],
        leastPerStart: 0,
      },
      solve,
    )
    expect(plan.units).toBeGreaterThan(1000)
    expect(plan.units).toBeLessThanOrEqual(5000)
    expect(plan.missing.every(m => m >= 50)).toBe(true)
  })
})

describe('tags of new cultures', () => {
  const culture = (tag: string, feederId: string, startDay = from) => ({ tag, feederId, startDay }) as CultureState
  const flies = feederOf(shippedAlmanac, 'fly.large')

  it('go on from the highest number with the prefix in use, also over ended ones', () => {
    expect(
      nextCultureTags(
        [culture('FL-2', 'fly.large'), culture('FL-11', 'fly.large', from - 90), culture('FS-40', 'fly.small')],
        flies,
        2,
      ),
    ).toEqual(['FL-12', 'FL-13'])
  })

  it('begin with the initials of the feeder', () => {
    expect(nextCultureTags([], flies, 1)).toEqual(['LF-1'])
  })

  it('never clash with another feeder that uses the same prefix', () => {
    expect(nextCultureTags([culture('LF-7', 'beanBeetle')], flies, 1)).toEqual(['LF-8'])
  })
})
