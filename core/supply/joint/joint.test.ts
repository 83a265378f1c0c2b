import fc from 'fast-check'
import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { DAYS, bruteForce, eats, feeder, problem, standIn } from '../../../tests/fixtures/joint'
import type { Lasts } from '../lots'
import { planStarts, runStock, type SolveLp } from '../plan'
import { GAP, JointError, solveJoint, type Eaters, type JointInput } from '.'

let solve: SolveLp
beforeAll(async () => {
  solve = solverFrom(await highsLoader())
})

const plan = (input: JointInput) => solveJoint(input, solve)
const total = (row: Iterable<number>) => [...row].reduce((a, b) => a + b, 0)

/** Units that are tried on a day: few first; of five each gives more than anyone can want. */
const FEW = 3
const MOST = 5

const small = fc.record({
  needA: fc.array(fc.integer({ min: 0, max: 25 }), { minLength: DAYS, maxLength: DAYS }),
  needB: fc.array(fc.integer({ min: 0, max: 25 }), { minLength: DAYS, maxLength: DAYS }),
  runs: fc.array(fc.integer({ min: 0, max: 12 }), { minLength: DAYS, maxLength: DAYS }),
  wait: fc.integer({ min: 0, max: 2 }),
  share: fc.constantFrom(0.3, 0.5, 1),
  pieces: fc.constantFrom(0.5, 1, 3),
  meals: fc.constantFrom(0.1, 0.5, 1),
  least: fc.constantFrom(0, 0.25, 0.6, 1),
})
type Small = typeof small extends fc.Arbitrary<infer T> ? T : never

/** Two sorts of eaters, each with prey of its own that may be started, and a third prey that may stand in for both. */
const smallProblem = ({ needA, needB, runs, wait, share, pieces, meals, least }: Small): JointInput => {
  const yields = [...new Array<number>(wait).fill(0), 6, 12, 6]
  return problem(
    [
      feeder('a', { perUnit: yields, startDays: [0, 2] }),
      feeder('b', { perUnit: [0, 15], startDays: [0, 3], running: runs }),
      feeder('c', { perUnit: [20], startDays: [1], stock: 8, running: runs }),
    ],
    [
      eats('a', needA, { standIns: [standIn('c', pieces, share)], mealsPerPiece: meals, leastOwn: least }),
      eats('b', needB, { standIns: [standIn('c', 1, 1)] }),
    ],
  )
}

describe('the joint plan against brute force', () => {
  it('costs no more than 2 % above the least of all whole plans, and its bound lies below that', () => {
    fc.assert(
      fc.property(small, made => {
        const input = smallProblem(made)
        const few = bruteForce(input, FEW)
        const { cost, bound, wholeDays } = plan(input)
        // where the plan is better than all of few units, those of as many as can be of use are tried
        const least = cost < few - 0.1 ? bruteForce(input, MOST) : few
        expect(wholeDays).toBeGreaterThan(0)
        expect(cost).toBeLessThanOrEqual(least * (1 + 2 * GAP) + 0.05)
        expect(cost).toBeGreaterThanOrEqual(least - 0.1)
        expect(bound).toBeLessThanOrEqual(least + 1e-3)
      }),
      { numRuns: 30 },
    )
  }, 60_000)
})

describe('hunger that no plan avoids', () => {
  const late = fc.record({
    need: fc.array(fc.integer({ min: 0, max: 25 }), { minLength: DAYS, maxLength: DAYS }),
    pack: fc.integer({ min: 3, max: 30 }),
    wait: fc.integer({ min: 0, max: 1 }),
    keptPerDay: fc.constantFrom(0, 0.8, 1),
  })

  it('is no room to let others go hungry: each is fed as if it were planned by itself', () => {
    let closer = 0
    fc.assert(
      fc.property(
        fc.array(late, { minLength: 3, maxLength: 5 }),
        fc.integer({ min: 200, max: 2000 }),
        (list, never) => {
          const parts = list.map(({ need, pack, wait, keptPerDay }, i) =>
            problem(
              [
                feeder(`f${i}`, {
                  perUnit: [...new Array<number>(wait).fill(0), pack],
                  startDays: [0, 1, 2, 3],
                  keptPerDay,
                }),
              ],
              [eats(`f${i}`, need)],
            ),
          )
          const alone = parts.map(plan)
          const nobodyHas = [eats('none', [0, 0, never, 0, 0])]
          let searches = 0
          const together = solveJoint(
            problem(
              [...parts.flatMap(p => p.feeders), feeder('none')],
              [...parts.flatMap(p => p.eaters), ...nobodyHas],
            ),
            (lp, limits) => {
              if (limits) searches++
              return solve(lp, limits)
            },
          )
          if (searches > 1) closer++
          const hungry = never + total(alone.map(a => a.hungry))
          const cost = 20 * never + total(alone.map(a => a.cost))
          expect(together.hungry).toBeLessThanOrEqual(hungry + 1)
          expect(together.cost - 20 * never).toBeLessThanOrEqual((cost - 20 * never) * (1 + 2 * GAP) + 0.05)
          expect(together.bound).toBeLessThanOrEqual(cost + 0.05)
        },
      ),
      { numRuns: 40 },
    )
    // else nothing of it would be tried
    expect(closer).toBeGreaterThan(0)
  })
})

/** What is hungry when each lot keeps its days and the oldest is eaten first, day by day. */
function hungryOf(need: readonly number[], came: readonly number[], life: number, lots: Lasts['lots']): number {
  const here = lots.map(lot => ({ ...lot })).sort((a, b) => a.until - b.until)
  let hungry = 0
  need.forEach((wanted, day) => {
    here.push({ pieces: came[day]!, until: day + life })
    here.sort((a, b) => a.until - b.until)
    let open = wanted
    for (const lot of here) {
      if (lot.until < day) continue
      const eaten = Math.min(open, lot.pieces)
      lot.pieces -= eaten
      open -= eaten
    }
    hungry += open
  })
  return hungry
}

describe('what keeps some days and then ends', () => {
  const rows = fc
    .record({
      need: fc.array(fc.integer({ min: 0, max: 20 }), { minLength: DAYS, maxLength: DAYS }),
      running: fc.array(fc.integer({ min: 0, max: 12 }), { minLength: DAYS, maxLength: DAYS }),
      life: fc.integer({ min: 0, max: 4 }),
      lots: fc.array(fc.record({ pieces: fc.integer({ min: 1, max: 15 }), until: fc.integer({ min: 0, max: 4 }) }), {
        maxLength: 3,
      }),
      pack: fc.integer({ min: 5, max: 25 }),
    })
    // what is here ends before what comes today
    .map(r => ({ ...r, lots: r.lots.map(lot => ({ ...lot, until: Math.min(lot.until, r.life) })) }))
  const stockOf = (lots: Lasts['lots']) => lots.reduce((n, lot) => n + lot.pieces, 0)

  it('is planned as the least of all whole plans in which each lot ends on its day', () => {
    fc.assert(
      fc.property(rows, ({ need, running, life, lots, pack }) => {
        const input = problem(
          [
            feeder('a', {
              stock: stockOf(lots),
              keptPerDay: 1,
              running,
              lasts: { days: life, lots },
              perUnit: [0, pack],
              startDays: [0, 2],
            }),
          ],
          [eats('a', need)],
        )
        let least = Number.POSITIVE_INFINITY
        for (let x = 0; x <= 10; x++)
          for (let y = 0; y <= 10; y++) {
            const came = running.map((n, d) => n + (d === 1 ? x * pack : 0) + (d === 3 ? y * pack : 0))
            least = Math.min(least, x + y + 20 * hungryOf(need, came, life, lots))
          }
        const { cost, bound } = plan(input)
        expect(cost).toBeLessThanOrEqual(least * (1 + 2 * GAP) + 0.05)
        expect(cost).toBeGreaterThanOrEqual(least - 0.1)
        expect(bound).toBeLessThanOrEqual(least + 1e-3)
      }),
      { numRuns: 60 },
    )
  })

  it('runs as it is eaten day by day, the oldest first', () => {
    fc.assert(
      fc.property(rows, ({ need, running, life, lots }) => {
        const stock = stockOf(lots.filter(lot => lot.until >= 0))
        const { missing } = runStock(
          { need, running, stock, keptPerDay: 1, lasts: { days: life, lots } },
          new Array<number>(DAYS).fill(0),
        )
        expect(total(missing)).toBeCloseTo(hungryOf(need, running, life, lots), 6)
      }),
    )
  })

  it('single plans of it leave no day short that a start could have covered', () => {
    fc.assert(
      fc.property(rows, ({ need, running, life, lots, pack }) => {
        fc.pre(life > 0)
        const startDays = [0, 1, 2, 3]
        const input = {
          from: 0,
          need,
          running,
          stock: stockOf(lots),
          keptPerDay: 1,
          lasts: { days: life, lots },
          perUnit: [0, pack],
          startDays,
          leastPerStart: 0,
        }
        const { starts, missing } = planStarts(input, solve)
        const came = running.map(
          (n, d) => n + starts.filter(s => s.day + 1 === d).reduce((m, s) => m + s.count * pack, 0),
        )
        expect(total(missing)).toBeCloseTo(hungryOf(need, came, life, lots), 6)
        // only the first day is before any pack can be here
        expect(total(missing.slice(1))).toBeCloseTo(0, 6)
      }),
    )
  })
})

/** A meal of one kind beyond its share weighs more than one of another kind, and less than a hungry one. */
const SAME = 2

describe('several kinds in turn', () => {
  const wanted = fc.record({
    need: fc.array(
      fc.integer({ min: 0, max: 6 }).map(n => 2 * n),
      { minLength: DAYS, maxLength: DAYS },
    ),
    runs: fc.array(fc.integer({ min: 0, max: 12 }), { minLength: DAYS, maxLength: DAYS }),
    stock: fc.integer({ min: 0, max: 10 }),
    most: fc.constantFrom(0.5, 1),
    share: fc.constantFrom(0.5, 1),
  })
  /** Prey of which there is some, one that may be started, and a third that is there on the first day. */
  const inTurn = ({ need, runs, stock, most, share }: typeof wanted extends fc.Arbitrary<infer T> ? T : never) => ({
    ...problem(
      [feeder('a', { running: runs }), feeder('c', { perUnit: [0, 8], startDays: [0, 1] }), feeder('d', { stock })],
      [eats('a', need, { standIns: [standIn('c'), standIn('d', 1, share)], turns: { mostOfOne: most, from: 0 } })],
    ),
    sameKindCost: SAME,
  })

  it('are planned as the least of all whole plans, every meal given to every kind', () => {
    fc.assert(
      fc.property(wanted, made => {
        const input = inTurn(made)
        /** The best of a day by trying every half of a piece: nothing keeps over night. */
        const day = (need: number, a: number, c: number, d: number): number => {
          let best = Number.POSITIVE_INFINITY
          for (let x = 0; x <= Math.min(need, a); x += 0.5)
            for (let y = 0; y <= Math.min(need - x, c); y += 0.5) {
              // what is left over is best given of the last kind up to its share, or to the last piece
              for (const z of [0, made.most * need, made.share * need, need - x - y, d]) {
                if (z > d || z > made.share * need || x + y + z > need) continue
                const beyond = [x, y, z].reduce((n, eaten) => n + Math.max(0, eaten - made.most * need), 0)
                best = Math.min(best, 20 * (need - x - y - z) + 0.3 * (y + z) + (made.most < 1 ? SAME * beyond : 0))
              }
            }
          return best
        }
        let least = Number.POSITIVE_INFINITY
        for (let first = 0; first <= 3; first++)
          for (let second = 0; second <= 3; second++) {
            let cost = first + second
            made.need.forEach((need, d) => {
              const c = 8 * ((d === 1 ? first : 0) + (d === 2 ? second : 0))
              cost += day(need, made.runs[d]!, c, d === 0 ? made.stock : 0)
            })
            least = Math.min(least, cost)
          }
        const { cost, bound } = plan(input)
        expect(cost).toBeLessThanOrEqual(least * (1 + 2 * GAP) + 0.05)
        expect(cost).toBeGreaterThanOrEqual(least - 0.15)
        expect(bound).toBeLessThanOrEqual(least + 1e-3)
      }),
      { numRuns: 40 },
    )
  })

  it('by hand: half of each where both are there; what cannot be had otherwise is given all the same', () => {
    const both = (there: number, most?: number, from = 0) =>
      plan({
        ...problem(
          [feeder('a', { stock: 10 }), feeder('c', { stock: there })],
          [
            eats('a', [10, 0, 0, 0, 0], {
              standIns: [standIn('c')],
              ...(most && { turns: { mostOfOne: most, from } }),
            }),
          ],
        ),
        sameKindCost: SAME,
      })
    const eaten = (of: ReturnType<typeof both>, id: string) => total(of.takings.find(t => t.feeder === id)?.row ?? [])
    expect([eaten(both(10, 0.5), 'a'), eaten(both(10, 0.5), 'c')].map(n => Math.round(n))).toEqual([5, 5])
    expect(eaten(both(10), 'a')).toBeCloseTo(10, 3)
    // three of another are there: two meals beyond the half, and nobody hungry
    const few = both(3, 0.5)
    expect([few.hungry, eaten(few, 'a'), eaten(few, 'c')].map(n => Math.round(n))).toEqual([0, 7, 3])
    expect(few.cost).toBeCloseTo(0.3 * 3 + SAME * 2, 1)
    // not before the day from which others can be had
    expect(eaten(both(10, 0.5, 1), 'a')).toBeCloseTo(10, 3)
  })

  it('cost no less than one prey, and leave nobody hungrier', () => {
    fc.assert(
      fc.property(wanted, made => {
        const alike = plan(inTurn({ ...made, most: 1 }))
        const turns = plan(inTurn({ ...made, most: 0.5 }))
        expect(turns.cost).toBeGreaterThanOrEqual(alike.cost * (1 - GAP) - 0.05)
        expect(turns.hungry).toBeLessThanOrEqual(alike.hungry + 0.02 * alike.cost + 0.05)
      }),
      { numRuns: 30 },
    )
  })
})

describe('what the joint plan can be trusted with', () => {
  const anyProblem = fc.tuple(small, fc.constantFrom(0, 0.5, 1)).map(([made, kept]): JointInput => {
    const input = smallProblem(made)
    return { ...input, feeders: input.feeders.map(f => ({ ...f, keptPerDay: kept })) }
  })
  const atMost = (a: number, b: number) => expect(a).toBeLessThanOrEqual(b * (1 + GAP) + 0.05)

  it('more need never costs less', () => {
    fc.assert(
      fc.property(anyProblem, fc.integer({ min: 0, max: DAYS - 1 }), (input, day) => {
        const more = input.eaters.map((e, i) =>
          i ? e : { ...e, need: Array.from(e.need, (n, d) => (d === day ? n + 5 : n)) },
        )
        atMost(plan(input).cost, plan({ ...input, eaters: more }).cost)
      }),
      { numRuns: 25 },
    )
  })

  it('a further acceptable prey never raises the cost, a failed culture never lowers it', () => {
    fc.assert(
      fc.property(anyProblem, input => {
        const fewer = input.eaters.map((e, i) => (i ? e : { ...e, standIns: [] }))
        atMost(plan(input).cost, plan({ ...input, eaters: fewer }).cost)
        const failed = input.feeders.map(f => ({ ...f, running: new Array<number>(DAYS).fill(0) }))
        atMost(plan(input).cost, plan({ ...input, feeders: failed }).cost)
      }),
      { numRuns: 25 },
    )
  })

  it('the more of a prey is to be itself, the more it costs; all of it is as if nothing stood for it', () => {
    fc.assert(
      fc.property(anyProblem, fc.double({ min: 0, max: 1, noNaN: true }), (input, least) => {
        const asking = (leastOwn: number) => ({ ...input, eaters: input.eaters.map(e => ({ ...e, leastOwn })) })
        atMost(plan(asking(0)).cost, plan(asking(least)).cost)
        atMost(plan(asking(least)).cost, plan(asking(1)).cost)
        const alone = { ...input, eaters: input.eaters.map(e => ({ ...e, standIns: [] })) }
        atMost(plan(asking(1)).cost, plan(alone).cost)
        atMost(plan(alone).cost, plan(asking(1)).cost)
      }),
      { numRuns: 25 },
    )
  })

  it('nothing is taken that is not there, no stand-in beyond its share, nor all of them beyond theirs', () => {
    fc.assert(
      fc.property(anyProblem, input => {
        const { takings, starts } = plan(input)
        for (const f of input.feeders) {
          let left = f.stock
          for (let d = 0; d < DAYS; d++) {
            const came = f.startDays.reduce(
              (n, s, w) => n + starts.get(f.id)![w]! * (f.perUnit[d - s] ?? 0),
              f.running[d]!,
            )
            left = left * (d ? f.keptPerDay : 1) + came
            for (const t of takings) {
              if (t.feeder !== f.id) continue
              const way = input.eaters[t.eaters]!.standIns.find(s => s.feeder === f.id)
              left -= t.row[d]! * (way?.pieces ?? 1)
              if (way) expect(t.row[d]!).toBeLessThanOrEqual(way.mostShare * input.eaters[t.eaters]!.need[d]! + 1e-3)
            }
            expect(left).toBeGreaterThanOrEqual(-1e-3)
          }
        }
        input.eaters.forEach(({ prey, need, leastOwn = 0 }, e) => {
          for (let d = 0; d < DAYS; d++) {
            const others = takings.filter(t => t.eaters === e && t.feeder !== prey)
            expect(total(others.map(t => t.row[d]!))).toBeLessThanOrEqual((1 - leastOwn) * need[d]! + 1e-3)
          }
        })
      }),
      { numRuns: 25 },
    )
  })
})

describe('by hand', () => {
  it('what is short is taken from what stands in; one unit more is cheaper than a hungry meal', () => {
    const { takings, cost, hungry } = plan(
      problem(
        [feeder('a', { running: [10, 10, 10, 10, 10] }), feeder('c', { startDays: [0], perUnit: [0, 0, 30] })],
        [eats('a', [10, 10, 14, 10, 10], { standIns: [standIn('c', 2)] })],
      ),
    )
    // day 2 lacks 4: eight of c, of which one unit gives 30
    expect(hungry).toBeCloseTo(0, 3)
    expect(total(takings.find(t => t.feeder === 'c')!.row)).toBeCloseTo(4, 3)
    expect(cost).toBeCloseTo(1 + 0.3 * 4, 1)
  })

  it('of two stand-ins the one that is named first is taken, a small part is the dearer', () => {
    const both = [feeder('a'), feeder('c', { stock: 50 }), feeder('d', { stock: 50 })]
    const taken = (standIns: Eaters['standIns']) =>
      plan(problem(both, [eats('a', [10, 0, 0, 0, 0], { standIns })])).takings.map(t => [
        t.feeder,
        Math.round(total(t.row)),
      ])
    expect(taken([standIn('c'), standIn('d')])).toEqual([['c', 10]])
    expect(taken([standIn('d'), standIn('c')])).toEqual([['d', 10]])
    expect(taken([{ ...standIn('c', 1, 0.3), weight: 1 / 0.3 }, standIn('d')])).toEqual([['d', 10]])
  })

  it('a prey that is to be half itself is replaced by half, and the rest is hungry; by order it is itself', () => {
    const hungryWith = (leastOwn: number, standIns: Eaters['standIns']) =>
      plan(
        problem(
          [feeder('a', { stock: 2 }), feeder('c', { stock: 50 }), feeder('a:order', { stock: 50 })],
          [eats('a', [10, 0, 0, 0, 0], { standIns, leastOwn })],
        ),
      ).hungry
    expect(hungryWith(0, [standIn('c')])).toBeCloseTo(0, 3)
    // 2 are there, 5 may be of c
    expect(hungryWith(0.5, [standIn('c')])).toBeCloseTo(3, 3)
    expect(hungryWith(1, [standIn('c')])).toBeCloseTo(8, 3)
    expect(hungryWith(1, [standIn('c'), { ...standIn('a:order'), of: 'a', weight: 0 }])).toBeCloseTo(0, 3)
  })

  it('the same got in two ways shares what it may stand for', () => {
    const twice = { ...standIn('c2', 1, 0.3), of: 'c' }
    const { hungry } = plan(
      problem(
        [feeder('a'), feeder('c', { stock: 50 }), feeder('c2', { stock: 50 })],
        [eats('a', [10, 0, 0, 0, 0], { standIns: [standIn('c', 1, 0.3), twice] })],
      ),
    )
    expect(hungry).toBeCloseTo(7, 3)
  })

  it('after the days planned for it a feeder is had when it is wanted, at the price of its pieces', () => {
    const { hungry, cost } = plan(
      problem([feeder('a', { days: 2, startDays: [0] }), feeder('z')], [eats('a', [0, 0, 0, 5, 0])]),
    )
    expect(hungry).toBeCloseTo(0, 6)
    expect(cost).toBeCloseTo(0.5, 3)
  })

  it('a solver that finds nothing is an error; one that gives up in time leaves the divided plan', () => {
    const input = problem([feeder('a', { startDays: [0], perUnit: [4] })], [eats('a', [10, 0, 0, 0, 0])])
    expect(() => solveJoint(input, () => ({ status: 'Infeasible', objective: 0, columns: {} }))).toThrow(JointError)
    const slow: SolveLp = (lp, limits) =>
      limits ? { status: 'Time limit reached', objective: 0, columns: {} } : solve(lp)
    const divided = solveJoint(input, slow)
    expect(divided).toMatchObject({ wholeDays: 0 })
    expect(divided.starts.get('a')![0]).toBeCloseTo(2.5, 6)
    expect(plan(input).starts.get('a')).toEqual([3])
  })
})
