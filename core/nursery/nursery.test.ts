import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import { certain, pert, withNever } from '../chance'
import {
  MeanNeed,
  addScenarioNeed,
  drawSource,
  expectedCount,
  groupProfile,
  presence,
  presenceOfCounted,
  type MouthSource,
} from '.'

const from = 20_000
const source = (part: Partial<MouthSource> = {}): MouthSource => ({
  id: 'clutch:1',
  laneId: 'clutch:1',
  label: 'C-1',
  speciesId: 'corn-snake',
  opens: certain(from + 5),
  count: { kind: 'known', count: 10 },
  ...part,
})
const rows = groupProfile(new Map([['fly.large', Float64Array.of(2, 2, 2)]]), Float64Array.of(1, 1, 1))
const food = () => rows

/** Need of some sources; what each was said to eat in all agrees with the sum over days. */
function meanNeed(days: number, ...sources: MouthSource[]): Map<string, Float64Array> {
  const need = new MeanNeed(from, days)
  const totals = sources.map(s => need.add(s, food).get('fly.large') ?? 0)
  const rows = need.need()
  expect(totals.reduce((a, b) => a + b, 0)).toBeCloseTo(
    (rows.get('fly.large') ?? new Float64Array(0)).reduce((a, b) => a + b, 0),
    9,
  )
  return rows
}

describe('who is still here', () => {
  const { common } = shippedAlmanac
  const species = speciesOf(shippedAlmanac, 'fire-bellied-toad')
  const here = presence(species, 200, common)

  it('starts whole, falls to the 90-day survival times those not sold, and ends with none', () => {
    expect(here[0]).toBe(1)
    expect(here[60]).toBeCloseTo(species.survival90.value ** (60 / 90), 9)
    expect(here[150]).toBe(0)
    for (let i = 1; i < here.length; i++) expect(here[i]).toBeLessThanOrEqual(here[i - 1]!)
  })

  it('those counted today are alive and here today, whatever usually was lost or sold by then', () => {
    const daily = species.survival90.value ** (1 / 90)
    const kept = species.keptDays.value
    for (const age of [1, 20, kept - 5, kept, kept + 14, kept + 15, kept + 40, 190]) {
      const counted = presenceOfCounted(species, 300, age, common)
      expect(counted[age], `age ${age}`).toBe(1)
      // nobody comes back, and somebody is still here in a week
      for (let i = age + 1; i < 300; i++) expect(counted[i]).toBeLessThanOrEqual(counted[i - 1]!)
      expect(counted[age + 7], `a week after ${age}`).toBeGreaterThan(0.5)
      expect(counted[age + 200] ?? 0).toBe(0)
    }
    // by hand: before anyone leaves, only the losses of the days between count
    expect(presenceOfCounted(species, 300, 10, common)[20]).toBeCloseTo(daily ** 10, 12)
    // long past the usual age: half have left after half a month, none was lost any more
    expect(presenceOfCounted(species, 300, 190, common)[205]).toBeCloseTo(0.5, 12)
  })

  it('food follows the living', () => {
    const row = groupProfile(new Map([['x', Float64Array.from({ length: 200 }, () => 4)]]), here).get('x')!
    expect(row.amounts[0]).toBe(4)
    expect(row.firstAge).toBe(0)
    expect(row.amounts[60]).toBeCloseTo(4 * here[60]!, 9)
    // nobody is left at the end, so nothing is eaten there
    expect(row.amounts.length).toBeLessThanOrEqual(150)
  })
})

describe('need', () => {
  it('mean need of a certain opening is count times food on its days', () => {
    const need = meanNeed(12, source())
    expect([...need.get('fly.large')!]).toEqual([0, 0, 0, 0, 0, 20, 20, 20, 0, 0, 0, 0])
  })

  it('a group that opened before today eats on', () => {
    const need = meanNeed(4, source({ opens: certain(from - 1) }))
    expect([...need.get('fly.large')!]).toEqual([20, 20, 0, 0])
  })

  it('sources that eat alike add up, also one past the horizon and one that ate its last meal', () => {
    const need = meanNeed(
      8,
      source(),
      source({ id: 'b', opens: certain(from + 7) }),
      source({ id: 'c', opens: certain(from + 8) }),
      source({ id: 'd', opens: certain(from - 3) }),
    )
    expect([...need.get('fly.large')!]).toEqual([0, 0, 0, 0, 0, 20, 20, 40])
  })

  it('by hand: 8 eggs at 0.75, half a chance of nothing, needs 2 × 8 × 0.75 × 0.5 a day in all', () => {
    const s = source({
      opens: withNever(pert({ earliest: from + 3, likely: from + 5, latest: from + 9 }), 0.5),
      count: { kind: 'eggs', eggs: { earliest: 8, likely: 8, latest: 8 }, each: 0.75 },
    })
    expect(expectedCount(s.count)).toBe(6)
    const need = meanNeed(40, s)
    expect(need.get('fly.large')!.reduce((a, b) => a + b, 0)).toBeCloseTo(3 * 2 * 6 * 0.5, 9)
  })

  it('scenarios agree with the mean, and a source draws the same whatever stands beside it', () => {
    const s = source({
      opens: withNever(pert({ earliest: from, likely: from + 6, latest: from + 14 }), 0.3),
      count: { kind: 'eggs', eggs: { earliest: 5, likely: 9, latest: 14 }, each: 0.8 },
    })
    const mean = meanNeed(30, s)
    const scenarios = 2000
    const all = new Map<string, Float32Array>()
    addScenarioNeed(all, from, 30, scenarios, s, drawSource(s, scenarios), food)
    const total = all.get('fly.large')!.reduce((a, b) => a + b, 0) / scenarios
    expect(total / mean.get('fly.large')!.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 1)
    expect(drawSource(s, 50)).toEqual(drawSource(s, 50))
  })
})
