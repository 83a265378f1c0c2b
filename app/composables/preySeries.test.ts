import { describe, expect, it } from 'vitest'
import type { FeederPlan, PreyOutlook } from '#core/season'
import { preySeries } from './preySeries'
import { timeScale, timeTicks } from './useTimeScale'
import { nextClutchTag } from './nextClutchTag'
import { dayFromIso, dayToIso } from '#core/units'

const days = 14
const plan = (kind: FeederPlan['kind'], part: Partial<FeederPlan> = {}) =>
  ({
    kind,
    days,
    bareStock: new Array(days).fill(5),
    bareMissing: new Array(days).fill(0),
    stock: new Array(days).fill(9),
    missing: new Array(days).fill(0),
    ...part,
  }) as FeederPlan
const look = (high: number[]) => ({ high, mean: high }) as unknown as PreyOutlook

describe('what a strip of food draws', () => {
  it('cups by the day, as they are', () => {
    const s = preySeries(look(new Array(days).fill(2)), plan('batch'))
    expect(s.step).toBe(1)
    expect(s.need).toHaveLength(days)
    expect(s.bare[0]).toBe(5)
  })

  it('bought prey by the week: a week had what was eaten and what was left', () => {
    const high = new Array<number>(days).fill(0)
    high[3] = 4
    high[10] = 4
    const s = preySeries(
      look(high),
      plan('bought', {
        bareMissing: high.map((n, d) => (d === 10 ? 3 : 0)),
        bareStock: high.map((_, d) => (d < 10 ? 5 : 1)),
      }),
    )
    expect(s.step).toBe(7)
    expect(s.need).toEqual([4, 4])
    expect(s.short).toEqual([0, 3])
    // second week: four wanted, three missing, one left over on its last day
    expect(s.bare[1]).toBe(4 - 3 + 1)
  })
})

describe('the shared time axis', () => {
  const span = { from: dayFromIso('2026-11-10'), to: dayFromIso('2027-03-05'), width: 1000 }

  it('runs from left to right over the span', () => {
    expect(timeScale(span)(span.from)).toBe(0)
    expect(timeScale(span)(span.to)).toBe(1000)
  })

  it('marks the first of each month inside it, with the year in January', () => {
    expect(timeTicks(span).map(t => [dayToIso(t.day), t.label])).toEqual([
      ['2026-12-01', 'Dec'],
      ['2027-01-01', 'Jan 2027'],
      ['2027-02-01', 'Feb'],
      ['2027-03-01', 'Mar'],
    ])
  })
})

describe('tags of new clutches', () => {
  const house = (tags: string[]) =>
    ({ clutches: Object.fromEntries(tags.map(tag => [tag, { tag }])) }) as Parameters<typeof nextClutchTag>[0]

  it('go on from the highest, each prefix for itself', () => {
    expect(nextClutchTag(house(['C-2', 'C-10', 'S-3', 'C-x']))).toBe('C-11')
    expect(nextClutchTag(house(['C-2']), 'L')).toBe('L-1')
  })
})
