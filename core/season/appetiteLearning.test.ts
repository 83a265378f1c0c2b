import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac as almanac, speciesOf } from '../almanac'
import { appetiteLesson, defaultSettings, houseOf, type HouseSettings } from '.'

const today = 20_000
const GECKO = 'fat-tailed-gecko'
const step = speciesOf(almanac, GECKO).ladder.at(-1)!
const { prey, count: LADDER } = step.meal[0]!
const shrink = almanac.common.appetiteShrink!.value

/** Grown geckos with meals of the last weeks, each so many offered and so many taken. */
function house(animals: number, meals: readonly [offered: number, taken: number][]) {
  const b = new HouseBuilder(today)
  for (let i = 0; i < animals; i++) {
    b.animal(`G-${i}`, GECKO, { bornDay: today - 1500 })
    meals.forEach(([offered, taken], m) =>
      b.write('fed', { type: 'animal', id: `G-${i}` }, -3 * (m + 1), { prey, offered, taken }),
    )
  }
  return b
}
const told = (b: HouseBuilder, settings: HouseSettings = defaultSettings) =>
  appetiteLesson({ house: houseOf(b.records()), almanac, settings })
const always = (offered: number, taken: number, times = 6): [number, number][] =>
  Array.from({ length: times }, () => [offered, taken])

describe('the appetite of the house', () => {
  it('by hand: ten that eat half of the ladder, beside what is set as so many animals', () => {
    const half = told(house(10, always(LADDER, LADDER / 2)))!
    expect(half.appetite).toBeCloseTo((shrink + 10 * 0.5) / (shrink + 10), 2)
    expect(half.text).toContain('10 animals eat 0.50 × what their ladders say')
    expect(half.text).toContain('50 % of what they are offered is left')
    // more of them weigh more
    expect(told(house(30, always(LADDER, LADDER / 2)))!.appetite).toBeLessThan(half.appetite)
  })

  it('is as it is set, and nothing is told, where they eat what the ladder says', () => {
    expect(told(house(10, always(LADDER, LADDER)))).toBeNull()
    // once it was taken over, it is not told again
    const b = house(40, always(LADDER, LADDER / 2))
    const { appetite } = told(b)!
    expect(told(b, { ...defaultSettings, appetite: 0.5 })).toBeNull()
    expect(appetite).toBeGreaterThan(0.5)
  })

  it('goes up too, where more was offered and taken', () => {
    expect(told(house(20, always(2 * LADDER, 2 * LADDER)))!.appetite).toBeGreaterThan(1.5)
  })

  it('says nothing of who refuses, nor of few meals or few animals', () => {
    const refusing = [...always(LADDER, LADDER), ...always(LADDER, 0, 4)]
    expect(told(house(10, refusing))).toBeNull()
    expect(told(house(10, always(LADDER, 1, 3)))).toBeNull()
    expect(told(house(2, always(LADDER, 1)))).toBeNull()
    expect(told(house(0, []))).toBeNull()
  })

  it('goes by weight where another prey was given', () => {
    const b = new HouseBuilder(today)
    const other = 'cricket.half'
    const pieces = Math.round((LADDER * almanac.feeders[prey]!.massG.likely) / almanac.feeders[other]!.massG.likely)
    for (let i = 0; i < 10; i++) {
      b.animal(`G-${i}`, GECKO, { bornDay: today - 1500 })
      for (let m = 1; m < 7; m++)
        b.write('fed', { type: 'animal', id: `G-${i}` }, -3 * m, { prey: other, offered: pieces, taken: pieces })
    }
    expect(told(b)).toBeNull()
  })
})
