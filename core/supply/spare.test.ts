import { beforeAll, describe, expect, it } from 'vitest'
import highsLoader from 'highs'
import { shippedAlmanac, feederOf } from '../almanac'
import { solverFrom } from '#shared/solver'
import { keptPerDay, planStarts, plannedSupply, yieldSinceStart, type PlanInput, type SolveLp } from '.'

let solve: SolveLp
beforeAll(async () => {
  solve = solverFrom(await highsLoader())
})

const flies = plannedSupply(feederOf(shippedAlmanac, 'fly.large'))!
const days = 126
const input = (part: Partial<PlanInput> = {}): PlanInput => ({
  from: 20_000,
  need: new Float64Array(days).map((_, d) => (d >= 40 && d < 110 ? 60 : 0)),
  running: new Float64Array(days),
  stock: 0,
  keptPerDay: keptPerDay(flies, shippedAlmanac.common, null),
  perUnit: yieldSinceStart(flies, 24, days, 1),
  startDays: Array.from({ length: 18 }, (_, i) => i * 7),
  leastPerStart: 1,
  ...part,
})

describe('a spare cup at all times', () => {
  it('one more is started in every other week, since a cup yields for two', () => {
    const bare = planStarts(input(), solve)
    const spare = planStarts(input({ spare: { units: 1, everyStarts: 2 } }), solve)
    expect(spare.units).toBeGreaterThan(bare.units)
    const byDay = (plan: typeof bare) => new Map(plan.starts.map(s => [s.day, s.count]))
    const [few, more] = [byDay(bare), byDay(spare)]
    const weeks = [...few.keys()].sort((a, b) => a - b)
    weeks.forEach((day, i) => expect(more.get(day)! - few.get(day)!).toBe(i % 2 === 0 ? 1 : 0))
  })

  it('no spare is started where nothing is needed, nor without the school that asks for it', () => {
    expect(planStarts(input({ need: new Float64Array(days), spare: { units: 1, everyStarts: 2 } }), solve).units).toBe(
      0,
    )
    expect(planStarts(input({ spare: null }), solve).starts).toEqual(planStarts(input(), solve).starts)
  })
})
