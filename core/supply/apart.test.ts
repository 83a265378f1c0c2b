import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shippedAlmanac as almanac } from '../almanac'
import { mean } from '../chance'
import { foldHouse, quarterOf } from '../subjects'
import { dayFromIso } from '../units'
import { apartWay, cultureWay, cultureWayHere, failureChance, groupsOf, timeToProducing, yieldCurve } from '.'

const today = dayFromIso('2026-11-25')
const flies = feederOf(almanac, 'fly.small')
type Batch = Extract<typeof flies.supply, { kind: 'batch' }>
const way = flies.supply as Batch
const sum = (row: Iterable<number>) => [...row].reduce((a, b) => a + b, 0)

describe('cultures that are counted apart', () => {
  it('belong to a quarter by the day they were started, December being the first month of one', () => {
    expect(
      ['2026-11-30', '2026-12-01', '2027-02-28', '2027-03-01', '2028-02-29'].map(d => quarterOf(dayFromIso(d))),
    ).toEqual([
      'September to November',
      'December to February',
      'December to February',
      'March to May',
      'December to February',
    ])
  })

  const house = () => {
    const b = new HouseBuilder(today)
    b.place('low').place('high')
    const cup = (id: string, data: object) =>
      b.write('cultureStarted', { type: 'culture', id }, -10, { tag: id, feederId: 'fly.small', ...data }, id)
    cup('F-1', { placeId: 'low' })
    cup('F-2', { placeId: 'high', strain: 'curly', recipe: 'with yeast' })
    cup('F-3', { placeId: 'low', bought: true })
    const apart = (data: Record<string, unknown>, day = -1) =>
      b.write('culturesApart', { type: 'prey', id: 'fly.small' }, day, data)
    const waysOf = () => {
      const { cultures, stocks } = foldHouse(b.records())
      return Object.fromEntries(
        Object.values(cultures).map(c => [c.tag, cultureWayHere(flies, c, { cultures, stocks }) as Batch]),
      )
    }
    return { b, apart, waysOf }
  }

  it('give, wait and fail as is said of them, by all sorts together; the others as ever, the ordered not at all', () => {
    const { b, apart, waysOf } = house()
    expect(waysOf()['F-1']).toBe(cultureWay(flies, {}))
    apart({ by: 'place', of: 'low', yields: 0.5, fails: 2 })
    apart({ by: 'quarter', of: 'September to November', waits: 1.2 })
    apart({ by: 'strain', of: 'curly', yields: 0.8 })
    apart({ by: 'recipe', of: 'with yeast', yields: 1.5 })
    const { 'F-1': low, 'F-2': high, 'F-3': bought } = waysOf()
    expect(sum(yieldCurve(low!, 40))).toBeCloseTo(0.5 * sum(yieldCurve(way, 40)), 6)
    expect(failureChance(low!)).toBeCloseTo(2 * failureChance(way), 9)
    expect(mean(timeToProducing(low!, 24))! / mean(timeToProducing(way, 24))!).toBeCloseTo(1.2, 1)
    expect(high!.yieldTotal.value).toBeCloseTo(1.2 * way.yieldTotal.value, 6)
    expect(high!.failure.value).toBe(way.failure.value)
    expect(bought).toMatchObject({ boughtProducing: true })
    expect(bought!.yieldTotal).toEqual((cultureWay(flies, { bought: true }) as Batch).yieldTotal)
    // taken back, nothing is left of it
    for (const [by, of] of Object.entries({ place: 'low', quarter: 'September to November', strain: 'curly' }))
      apart({ by, of }, 0)
    apart({ by: 'recipe', of: 'with yeast' }, 0)
    expect(foldHouse(b.records()).stocks['fly.small']!.apart).toBeUndefined()
    expect(waysOf()['F-1']).toBe(way)
  })

  it('the same factors make the same way, so that what is worked out of it is not worked out again', () => {
    const { b } = house()
    const { cultures } = foldHouse(b.records())
    const groups = groupsOf(Object.values(cultures)[0]!, cultures)
    const apart = [{ by: 'place' as const, of: 'low', yields: 0.5 }]
    expect(apartWay(way, apart, groups)).toBe(apartWay(way, [...apart], groups))
    expect(apartWay(way, apart, { ...groups, place: 'high' })).toBe(way)
    // never sure to fail
    expect(apartWay(way, [{ by: 'place', of: 'low', fails: 10 }], groups).failure.value).toBeLessThan(1)
  })
})
