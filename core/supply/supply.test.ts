import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { feederOf, shippedAlmanac } from '../almanac'
import { certain, mean, quantile, sample, seededRandom } from '../chance'
import type { CultureState } from '../subjects'
import {
  PlanError,
  cultureStage,
  growing,
  keptPerDay,
  planStarts,
  plannedSupply,
  remainingYield,
  runStock,
  simulateRunOut,
  timeToProducing,
  yieldCurve,
  yieldSinceStart,
  type PlanInput,
  type SolveLp,
} from '.'

let solve: SolveLp
beforeAll(async () => {
  solve = solverFrom(await highsLoader())
})

const from = 20_000
const flies = plannedSupply(feederOf(shippedAlmanac, 'fly.large'))!
const sum = (xs: ArrayLike<number>) => Array.from(xs).reduce((a, b) => a + b, 0)
const weekly = (days: number) => Array.from({ length: Math.floor(days / 7) }, (_, i) => i * 7)

const culture = (part: Partial<CultureState> = {}): CultureState => ({
  id: 'c',
  tag: 'F-1',
  feederId: 'fly.large',
  startDay: from - 10,
  placeId: null,
  producing: null,
  failed: null,
  finished: null,
  harvested: 0,
  lastHarvest: null,
  lastLook: null,
  signs: [],
  troubles: [],
  takes: [],
  looks: [],
  ...part,
})

describe('yields', () => {
  it('a large-fly cup produces after 2–3 weeks at 24 °C, then for two weeks (common practice, no source)', () => {
    const wait = timeToProducing(flies, 24)
    expect(quantile(wait, 0.1)!).toBeGreaterThanOrEqual(14)
    expect(quantile(wait, 0.9)!).toBeLessThanOrEqual(24)
    const curve = yieldCurve(flies, 60)
    expect([...curve].filter(y => y > 0)).toHaveLength(14)
    expect(sum(curve)).toBeCloseTo(700, 6)
  })

  it('the cold stretches it: melanogaster about 19 d at 18 °C against 9–10 d at 25 °C (Ashburner, from memory), a ratio near 2', () => {
    const small = plannedSupply(feederOf(shippedAlmanac, 'fly.small'))!
    const ratio = mean(timeToProducing(small, 18))! / mean(timeToProducing(small, 25))!
    expect(ratio).toBeGreaterThan(1.8)
    expect(ratio).toBeLessThan(2.2)
  })

  it('expected yield since the start is the yield less failures', () => {
    expect(sum(yieldSinceStart(flies, 24, 120))).toBeCloseTo(700 * 0.93, 1)
  })

  it('a failed, retired or spent cup gives nothing; one seen producing gives what is left of its curve', () => {
    const seen = { day: from - 4, entryId: 'p' }
    expect(sum(remainingYield(culture({ failed: seen }), flies, 24, from, 60))).toBe(0)
    expect(sum(remainingYield(culture({ finished: seen }), flies, 24, from, 60))).toBe(0)
    expect(cultureStage(culture({ producing: { day: from - 14, entryId: 'p' } }), flies, from)).toBe('spent')
    const left = sum(remainingYield(culture({ producing: seen }), flies, 24, from, 60))
    expect(left).toBeCloseTo(sum(yieldCurve(flies, 60).slice(4)), 6)
  })

  it.each([10, 18, 22, 26, 30])(
    'a cup silent for %s days is alive as often as such cups are, drawn one by one',
    age => {
      // independent of Bayes' rule: cups are drawn, those that produced by then are left out, the rest is counted
      const wait = timeToProducing(flies, 24)
      const random = seededRandom(age)
      let silent = 0
      let alive = 0
      for (let i = 0; i < 120_000; i++) {
        const fails = random() < 0.07
        const on = sample(wait, random())!
        if (!fails && on < age) continue
        silent++
        if (!fails) alive++
      }
      const told = growing(culture({ startDay: from - age }), flies, 24, from)
      expect(Math.abs(told.alive - alive / silent)).toBeLessThan(0.02)
      expect(sum(remainingYield(culture({ startDay: from - age }), flies, 24, from, 90))).toBeCloseTo(
        700 * told.alive,
        0,
      )
    },
  )

  it('a look that found nothing counts for its day; days without a look only by the chance that nobody wrote it', () => {
    const [looked, silent, never] = [
      growing(culture({ startDay: from - 26, lastLook: { day: from - 1, entryId: 'l' } }), flies, 24, from, 0.3),
      growing(culture({ startDay: from - 26 }), flies, 24, from, 0.3),
      growing(culture({ startDay: from - 26 }), flies, 24, from, 0),
    ]
    expect(looked.alive).toBeCloseTo(never.alive, 9)
    expect(silent.alive).toBeGreaterThan(looked.alive)
    // far overdue it is spent or dead, and nothing breaks
    expect(sum(remainingYield(culture({ startDay: from - 300 }), flies, 24, from, 90, 1, 0.05))).toBeLessThan(1)
  })

  it('half a stock is usable after the days it keeps', () => {
    expect(keptPerDay(flies, shippedAlmanac.common, null) ** flies.keepDays.value).toBeCloseTo(0.5, 9)
  })
})

function flyPlan(hatchlings: number, part: Partial<PlanInput> = {}): PlanInput {
  const days = 140
  // large flies for chameleon-sized young from day 42 on, the almanac's count for the first week of feeding
  const each = shippedAlmanac.species['panther-chameleon']!.ladder[0]!.meal[0]!.count
  const need = Array.from({ length: days }, (_, t) => (t >= 42 && t < 105 ? hatchlings * each : 0))
  return {
    from,
    need,
    running: new Array(days).fill(0),
    stock: 0,
    keptPerDay: keptPerDay(flies, shippedAlmanac.common, null),
    perUnit: yieldSinceStart(flies, 24, days),
    startDays: weekly(days),
    leastPerStart: 1,
    ...part,
  }
}

describe('the plan of cups', () => {
  it.each([20, 25, 30])(
    'common practice, no source: %d chameleon-sized hatchlings on large flies need 4–6 cups a week',
    hatchlings => {
      const plan = planStarts(flyPlan(hatchlings), solve)
      // the weeks in the middle, after the first rush to be ready and before the end
      const middle = plan.starts.filter(s => s.day >= from + 28 && s.day <= from + 70).map(s => s.count)
      const perWeek = sum(middle) / middle.length
      expect(perWeek).toBeGreaterThanOrEqual(3.9)
      expect(perWeek).toBeLessThanOrEqual(6.5)
      expect(sum(plan.missing)).toBe(0)
    },
  )

  it('common practice, no source: a single hatchling still needs one cup every week without a break', () => {
    const plan = planStarts(flyPlan(1), solve)
    const days = plan.starts.map(s => s.day - from)
    for (let i = 1; i < days.length; i++) expect(days[i]! - days[i - 1]!).toBe(7)
    expect(plan.starts.every(s => s.count >= 1)).toBe(true)
    expect(plan.starts.length).toBeGreaterThanOrEqual(9)
  })

  it('common practice, no source: the first cups start about four weeks before the earliest hatch', () => {
    const plan = planStarts(flyPlan(25), solve)
    const lead = 42 - (plan.starts[0]!.day - from)
    expect(lead).toBeGreaterThanOrEqual(20)
    expect(lead).toBeLessThanOrEqual(35)
  })

  it('is the least number of cups: no plan with one cup fewer covers, by exhaustive search on a small case', () => {
    const input: PlanInput = {
      from,
      need: [0, 0, 30, 30, 40, 20, 0, 10],
      running: [0, 0, 10, 0, 0, 0, 0, 0],
      stock: 5,
      keptPerDay: 0.8,
      perUnit: [0, 20, 15],
      startDays: [0, 1, 2, 3, 4],
      leastPerStart: 0,
    }
    const plan = planStarts(input, solve)
    expect(sum(plan.missing)).toBe(0)
    let best = Number.POSITIVE_INFINITY
    const counts = [0, 0, 0, 0, 0]
    const search = (w: number) => {
      if (w === counts.length) {
        const planned = new Float64Array(8)
        counts.forEach(
          (c, i) =>
            (input.perUnit as number[]) &&
            (input.perUnit as number[]).forEach((y, age) => {
              if (i + age < 8) planned[i + age]! += c * y
            }),
        )
        if (sum(runStock(input, planned).missing) === 0) best = Math.min(best, sum(counts))
        return
      }
      for (counts[w] = 0; counts[w]! <= 4; counts[w]!++) search(w + 1)
      counts[w] = 0
    }
    search(0)
    expect(plan.units).toBe(best)
  })

  it('says what it can no longer cover instead of hiding it', () => {
    const need = new Array(60).fill(0).map((_, t) => (t === 5 ? 100 : 0))
    const plan = planStarts(
      flyPlan(1, {
        need,
        running: new Array(60).fill(0),
        perUnit: yieldSinceStart(flies, 24, 60),
        startDays: weekly(60),
        leastPerStart: 0,
      }),
      solve,
    )
    expect(plan.missing[5]).toBeGreaterThan(95)
    expect(plan.units).toBe(0)
  })

  it('needs nothing for no mouths, and less when stock is at hand', () => {
    expect(planStarts(flyPlan(0), solve).starts).toEqual([])
    const bought = plannedSupply(feederOf(shippedAlmanac, 'mouse.pinky'))!
    const rodents = (stock: number) =>
      planStarts(
        {
          from,
          need: new Array(56).fill(2),
          running: new Array(56).fill(0),
          stock,
          keptPerDay: keptPerDay(bought, shippedAlmanac.common, null),
          perUnit: yieldSinceStart(bought, null, 56),
          startDays: weekly(56),
          leastPerStart: 0,
        },
        solve,
      ).units
    expect(rodents(40)).toBeGreaterThan(0)
    expect(rodents(130)).toBe(0)
  })

  it('refuses rows that do not match', () => {
    expect(() => planStarts(flyPlan(1, { running: [0] }), solve)).toThrow(PlanError)
  })
})

describe('the chance of running out', () => {
  const days = 60
  const run = (counts: number, needPerDay: number) =>
    simulateRunOut({
      from,
      days,
      scenarios: 200,
      need: new Float64Array(days * 200).map((_, i) => (i % days >= 30 && i % days < 40 ? needPerDay : 0)),
      supply: flies,
      stock: 0,
      keptPerDay: keptPerDay(flies, shippedAlmanac.common, null),
      running: [],
      starts: [
        { day: from + 4, count: counts },
        { day: from + 11, count: counts },
      ],
      tempC: 24,
      factor: 1,
      luck: 0.25,
      countFrom: 30,
      hungryShare: 0.05,
      seed: 5,
    })

  it('is the same with the same seed, falls with more cups, is sure without any', () => {
    expect(run(4, 80)).toEqual(run(4, 80))
    expect(run(12, 80).chance).toBeLessThanOrEqual(run(4, 80).chance)
    expect(run(0, 80).chance).toBe(1)
    expect(run(4, 0).chance).toBe(0)
  })

  it('one culture that fails in 7 of 100 leaves its only eater hungry about as often', () => {
    const { chance } = simulateRunOut({
      from,
      days: 20,
      scenarios: 4000,
      need: new Float64Array(20 * 4000).map((_, i) => (i % 20 === 12 ? 5 : 0)),
      supply: flies,
      stock: 0,
      keptPerDay: 0.9,
      running: [{ producing: certain(from + 8), alive: 0.93, supply: flies }],
      starts: [],
      tempC: 24,
      factor: 1,
      luck: 0.25,
      countFrom: 0,
      hungryShare: 0.05,
      seed: 11,
    })
    expect(chance).toBeCloseTo(0.07, 1)
    expect(Math.abs(chance - 0.07)).toBeLessThan(0.015)
  })

  it('a colony however old goes on yielding', () => {
    const woodlice = plannedSupply(feederOf(shippedAlmanac, 'isopod.dwarf'))!
    expect(woodlice.kind).toBe('colony')
    const perDay = yieldCurve(woodlice, 1000)[900]!
    const { chance } = simulateRunOut({
      from,
      days: 30,
      scenarios: 100,
      need: new Float64Array(30 * 100).fill(perDay / 20),
      supply: woodlice,
      stock: 0,
      keptPerDay: 0.9,
      running: [{ producing: certain(from - 2000), alive: 1, supply: woodlice }],
      starts: [],
      tempC: 24,
      factor: 1,
      luck: 0.25,
      countFrom: 0,
      hungryShare: 0.05,
      seed: 3,
    })
    expect(chance).toBe(0)
  })

  it('thousands of units are played by a few fates each for several: as sure as they are many', () => {
    // two thousand cups a week, 7 of 100 failing, over fourteen days each: the luck of a cup evens out
    const perDay = (2 * 2000 * 0.93 * sum(yieldCurve(flies, 60))) / 14
    const at = (share: number) => run(2000, share * perDay).chance
    expect(at(0.05)).toBe(0)
    expect(at(2)).toBe(1)
  })
})
