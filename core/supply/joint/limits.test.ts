import fc from 'fast-check'
import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { DAYS, bruteForce, eats, feeder, problem, standIn } from '../../../tests/fixtures/joint'
import type { SolveLp } from '../plan'
import { GAP, fits, fitted, solveJoint, type JointInput, type Limit } from '.'

let solve: SolveLp
beforeAll(async () => {
  solve = solverFrom(await highsLoader())
})
const plan = (input: JointInput) => solveJoint(input, solve)

const shelf = (free: number[], days: number): Limit => ({
  id: 'shelf',
  free,
  takes: new Map([
    ['a', { each: 1, after: 0, days }],
    ['b', { each: 2, after: 1, days: 2 }],
  ]),
  more: 1,
})
const week = fc.array(fc.integer({ min: 0, max: 25 }), { minLength: DAYS, maxLength: DAYS })
const small = fc
  .record({
    needA: week,
    needB: week,
    free: fc.array(fc.integer({ min: 0, max: 4 }), { minLength: DAYS, maxLength: DAYS }),
    days: fc.constantFrom(1, 3, Number.POSITIVE_INFINITY),
  })
  // what is free only grows while nothing new comes
  .map(s => ({ ...s, free: s.free.sort((a, b) => a - b) }))
type Small = typeof small extends fc.Arbitrary<infer T> ? T : never

const inputOf = ({ needA, needB, free, days }: Small): JointInput => ({
  ...problem(
    [feeder('a', { perUnit: [0, 9, 5], startDays: [0, 1, 3] }), feeder('b', { perUnit: [0, 15], startDays: [0, 2] })],
    [eats('a', needA, { standIns: [standIn('b')] }), eats('b', needB)],
  ),
  limits: [shelf(free, days)],
})
/** Day by day, cup by cup. */
const onShelf = ({ days }: Small, day: number, counts: readonly { feeder: string; day: number; count: number }[]) =>
  counts.reduce((n, c) => {
    const stands = c.feeder === 'a' ? c.day <= day && day < c.day + days : day === c.day + 1 || day === c.day + 2
    return stands ? n + c.count * (c.feeder === 'a' ? 1 : 2) : n
  }, 0)
const roomFor = (made: Small) => (counts: Parameters<typeof onShelf>[2]) =>
  made.free.every((free, day) => onShelf(made, day, counts) <= free)

describe('a plan within the room there is', () => {
  it('costs no more than 2 % above the least of all whole plans that fit, and fits', () => {
    fc.assert(
      fc.property(small, made => {
        const input = inputOf(made)
        const least = bruteForce(input, 4, roomFor(made))
        const { cost, bound, starts } = plan(input)
        expect(cost).toBeLessThanOrEqual(least * (1 + 2 * GAP) + 0.05)
        expect(cost).toBeGreaterThanOrEqual(least - 0.1)
        expect(bound).toBeLessThanOrEqual(least + 1e-3)
        const planned = input.feeders.flatMap(f =>
          f.startDays.map((day, w) => ({ feeder: f.id, day, count: Math.round(starts.get(f.id)![w]!) })),
        )
        expect(roomFor(made)(planned)).toBe(true)
      }),
      { numRuns: 40 },
    )
  })

  it('more room never costs more, and what one more would save is what a plan with it saves', () => {
    fc.assert(
      fc.property(small, made => {
        const input = inputOf(made)
        const wider = {
          ...input,
          limits: [
            shelf(
              made.free.map(n => n + 1),
              made.days,
            ),
          ],
        }
        expect(plan(wider).cost).toBeLessThanOrEqual(plan(input).cost * (1 + GAP) + 0.05)
        // as if units could be divided, which is how it is told
        const divided: SolveLp = (lp, limits) =>
          limits ? { status: 'given up', objective: 0, columns: {} } : solve(lp)
        const [now, then] = [solveJoint(input, divided), solveJoint(wider, divided)]
        const saves = now.cost - then.cost
        expect(saves).toBeGreaterThanOrEqual(-1e-3)
        if (saves > 0.2) expect(now.binding[0]?.cost).toBeCloseTo(saves, 2)
        else expect(now.binding[0]?.cost ?? 0).toBeLessThanOrEqual(saves + 1e-2)
      }),
      { numRuns: 40 },
    )
  })

  it('by hand: three cups are wanted, two fit; the third would feed five', () => {
    const input = {
      ...problem([feeder('a', { perUnit: [0, 5], startDays: [0] })], [eats('a', [0, 15, 0, 0, 0])]),
      limits: [
        { id: 'board', free: [2, 2, 2, 2, 2], takes: new Map([['a', { each: 1, after: 0, days: 5 }]]), more: 1 },
      ],
    }
    const { starts, hungry, binding } = plan(input)
    expect(starts.get('a')).toEqual([2])
    expect(hungry).toBeCloseTo(5, 3)
    expect(binding).toHaveLength(1)
    // five hungry meals at 20, less the cup
    expect(binding[0]).toMatchObject({ limit: 'board', from: 0, to: 0 })
    expect(binding[0]!.hungry).toBeCloseTo(5, 3)
    expect(binding[0]!.cost).toBeCloseTo(99, 1)
  })

  it('what is decided stands beyond it, and takes the room of the rest', () => {
    const input = {
      ...problem(
        [
          feeder('a', { perUnit: [0, 5], startDays: [0], fixed: [3] }),
          feeder('b', { perUnit: [0, 5], startDays: [0] }),
        ],
        [eats('a', [0, 15, 0, 0, 0]), eats('b', [0, 15, 0, 0, 0])],
      ),
      limits: [
        {
          id: 'board',
          free: [2, 2, 2, 2, 2],
          takes: new Map(['a', 'b'].map(id => [id, { each: 1, after: 0, days: 5 }] as const)),
          more: 1,
        },
      ],
    }
    const { starts } = plan(input)
    expect(starts.get('a')).toEqual([3])
    expect(starts.get('b')![0]).toBeCloseTo(0, 6)
  })
})

describe('whole units made to fit', () => {
  const counts = fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 3, maxLength: 3 })
  it('keep within every limit, lose nothing that is decided, and lose as little as there is need', () => {
    fc.assert(
      fc.property(counts, counts, small, fc.integer({ min: 0, max: 2 }), (a, b, made, forced) => {
        const limits = [shelf(made.free, made.days)]
        const feeders = [
          { id: 'a', startDays: [0, 1, 3], counts: a, forced: a.map(n => Math.min(n, forced)), wished: a.map(() => 1) },
          { id: 'b', startDays: [0, 2, 4], counts: b, forced: b.map(() => 0), wished: b.map(() => 0.5) },
        ]
        const made2 = fitted(limits, feeders)
        const after = feeders.map(f => ({ ...f, counts: made2.get(f.id)! }))
        expect(fits(limits, after)).toBe(true)
        for (const f of after) f.counts.forEach((n, w) => expect(n).toBeGreaterThanOrEqual(f.forced[w]!))
        if (fits(limits, feeders)) expect(after.map(f => f.counts)).toEqual([a, b])
      }),
    )
  })

  it('the latest of those that are most above what is wanted goes first', () => {
    const limit: Limit = { id: 'm', free: [2, 2], takes: new Map([['a', { each: 1, after: 0, days: 9 }]]), more: 1 }
    const left = fitted([limit], [{ id: 'a', startDays: [0, 1], counts: [2, 1], forced: [0, 0], wished: [2, 0] }])
    expect(left.get('a')).toEqual([2, 0])
  })
})
