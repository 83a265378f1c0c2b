import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shippedAlmanac, withOverrides, type Almanac } from '../almanac'
import { cultureLessons, defaultSettings, houseOf } from '.'

const today = 20_000
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
    expect(numbers.length).toBeGreaterThan(0)
    expect(lessons(b, withOverrides(shippedAlmanac, numbers))).toEqual([])
  })
})
