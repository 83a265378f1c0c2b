import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shippedAlmanac, withOverrides, type Almanac } from '../almanac'
import { quarterOf } from '../subjects'
import { cultureLessons, defaultSettings, houseOf, planFeeders, season } from '.'

const today = 20_000
const solve = solverFrom(await highsLoader())
const weighsAs = shippedAlmanac.common.cultureShrink!.value
const supply = feederOf(shippedAlmanac, 'fly.small').supply as {
  failure: { value: number }
  yieldTotal: { value: number }
}

/** Cups that failed, and cups that produced after so many days and gave so much in four harvests. */
function house(failed: number, produced: { after: number; gave?: number }[]): HouseBuilder {
  const b = new HouseBuilder(today)
  for (let i = 0; i < failed; i++) {
    b.culture(`X-${i}`, 'fly.small', -90)
    b.write('cultureFailed', { type: 'culture', id: `X-${i}` }, -70)
  }
  produced.forEach(({ after, gave }, i) => {
    b.culture(`F-${i}`, 'fly.small', -90)
    const cup = { type: 'culture' as const, id: `F-${i}` }
    b.write('producing', cup, -90 + after)
    if (gave)
      for (let h = 1; h <= 4; h++) b.write('harvested', cup, -90 + after + 2 * h, { count: Math.round(gave / 4) })
    b.write('cultureFinished', cup, -40)
  })
  return b
}
const lessons = (b: HouseBuilder, almanac: Almanac = shippedAlmanac) =>
  cultureLessons('fly.small', { house: houseOf(b.records()), almanac, settings: defaultSettings, today })
const number = (list: ReturnType<typeof lessons>, path: string) =>
  list.flatMap(l => l.numbers).find(n => n.path === `feeders.fly.small.supply.${path}`)?.value

describe('what the cultures of a house teach', () => {
  it('failures are drawn towards the Almanac by the number of cups, by hand', () => {
    const list = lessons(
      house(
        6,
        Array.from({ length: 6 }, () => ({ after: 14 })),
      ),
    )
    const expected = (supply.failure.value * weighsAs + 6) / (weighsAs + 12)
    expect(number(list, 'failure.value')).toBeCloseTo(expected, 2)
    expect(list[0]!.text).toMatch(/^6 of 12 failed here/)
  })

  it('of few cups, or of such as are usual, nothing is said', () => {
    expect(lessons(house(2, []))).toEqual([])
    expect(
      lessons(
        house(
          1,
          Array.from({ length: 13 }, () => ({ after: 15 })),
        ),
      ),
    ).toEqual([])
    expect(lessons(new HouseBuilder(today))).toEqual([])
  })

  it('waits and yields too: twice as long and half as much, drawn half way by as many cups as the Almanac weighs', () => {
    const many = Array.from({ length: weighsAs }, () => ({ after: 30, gave: supply.yieldTotal.value / 2 }))
    const list = lessons(house(0, many))
    expect(number(list, 'yieldTotal.value')).toBeCloseTo(0.75 * supply.yieldTotal.value, -1)
    // about 14.5 days are usual: the square root of twice as long
    expect(number(list, 'toProducing.likely')!).toBeGreaterThan(18)
    expect(number(list, 'toProducing.likely')!).toBeLessThan(22)
  })

  it('a number once taken is not drawn towards itself, nor told again', () => {
    const b = house(
      6,
      Array.from({ length: 6 }, () => ({ after: 14 })),
    )
    const numbers = lessons(b).flatMap(l => l.numbers)
    expect(numbers.map(n => n.path)).toContain('feeders.fly.small.supply.failure.value')
    expect(lessons(b, withOverrides(shippedAlmanac, numbers))).toEqual([])
  })
})

describe('what cultures of one shelf, strain, recipe or quarter teach', () => {
  const usual = supply.yieldTotal.value
  const lowHalf = () => {
    const b = new HouseBuilder(today)
    b.place('low').place('high')
    for (let i = 0; i < 24; i++) {
      const id = `F-${i}`
      const cup = { type: 'culture' as const, id }
      b.culture(id, 'fly.small', -90, i % 2 ? 'low' : 'high')
      b.write('producing', cup, -76)
      for (let h = 1; h <= 4; h++) b.write('harvested', cup, -76 + 2 * h, { count: (i % 2 ? 0.125 : 0.25) * usual })
      b.write('cultureFinished', cup, -40)
    }
    b.culture('NOW', 'fly.small', -20, 'low')
    return b
  }
  const context = (b: HouseBuilder) => ({
    house: houseOf(b.records()),
    almanac: shippedAlmanac,
    settings: defaultSettings,
    today,
  })
  const apartOf = (b: HouseBuilder) =>
    cultureLessons('fly.small', context(b)).flatMap(l => (l.apart ? [{ ...l.apart, text: l.text }] : []))

  it('by hand: half of what the other shelf gives, against what all give here, drawn to them', () => {
    const told = apartOf(lowHalf())
    const all = (12 * 0.5 + 12) / 24
    const factor = (seen: number) => (weighsAs + (12 * seen) / all) / (weighsAs + 12)
    expect(told.map(({ by, of, yields }) => ({ by, of, yields }))).toEqual(
      expect.arrayContaining([
        { by: 'place', of: 'low', yields: expect.closeTo(factor(0.5), 2) as number },
        { by: 'place', of: 'high', yields: expect.closeTo(factor(1), 2) as number },
      ]),
    )
    expect(told).toHaveLength(2)
    expect(told.find(t => t.of === 'low')!.text).toMatch(
      /^Those on low give 0\.\d\d × the mean of the house, as far as 12 of them tell$/,
    )
  })

  it('once counted apart, it is not told again; what runs on the shelf is expected to give so much less', () => {
    const b = lowHalf()
    const left = (of: HouseBuilder) => {
      const { prey } = season(of.records(), shippedAlmanac, defaultSettings, today).season
      return prey.find(p => p.prey === 'fly.small')!.running.reduce((n, x) => n + x, 0)
    }
    const before = left(b)
    const [low] = cultureLessons('fly.small', context(b)).filter(l => l.apart?.of === 'low')
    b.write('culturesApart', { type: 'prey', id: 'fly.small' }, 0, { ...low!.apart })
    expect(apartOf(b).map(l => l.of)).toEqual(['high'])
    expect(before).toBeGreaterThan(100)
    expect(left(b) / before).toBeCloseTo(low!.apart!.yields!, 2)
  })

  it('what was shaken out counts as counted once the house has said what a shake gives', () => {
    const b = new HouseBuilder(today)
    for (let i = 0; i < 6; i++) {
      const cup = { type: 'culture' as const, id: `F-${i}` }
      b.culture(cup.id, 'fly.small', -90)
      b.write('producing', cup, -76)
      for (let h = 1; h <= 4; h++) b.write('harvested', cup, -76 + 2 * h, { count: usual / 10, shake: 'hard' })
      b.write('cultureFinished', cup, -40)
    }
    const yieldTold = (almanac: Almanac) => number(lessons(b, almanac), 'yieldTotal.value')
    expect(yieldTold(shippedAlmanac)).toBeUndefined()
    const own = [{ path: 'feeders.fly.small.supply.shake.hard.value', value: Math.round(usual / 10) }]
    expect(yieldTold(withOverrides(shippedAlmanac, own))).toBeLessThan(usual)
  })
})

describe('cultures that are counted apart, in the plan', () => {
  it('more cups are started where those of this quarter give less than half', () => {
    const b = new HouseBuilder(today)
    for (let i = 0; i < 12; i++) b.animal(`N-${i}`, 'golden-mantella', { bornDay: today - 150 })
    b.culture('F-1', 'fly.small', -20)
    b.write('producing', { type: 'culture', id: 'F-1' }, -3)
    const cups = () => {
      const { season: now, scenarios } = season(b.records(), shippedAlmanac, defaultSettings, today)
      const plans = planFeeders(now, scenarios, houseOf(b.records()), shippedAlmanac, defaultSettings, solve)
      const { starts } = plans.find(p => p.prey === 'fly.small')!
      return starts.reduce((n, s) => n + s.count, 0)
    }
    const usual = cups()
    b.write('culturesApart', { type: 'prey', id: 'fly.small' }, 0, { by: 'quarter', of: quarterOf(today), yields: 0.4 })
    expect(usual).toBeGreaterThan(0)
    expect(cups()).toBeGreaterThan(usual)
  })
})
