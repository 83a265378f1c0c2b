import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac as almanac, speciesOf } from '../almanac'
import { HouseSettings } from '../settings'
import { appetiteLesson, defaultSettings, houseOf, season, wasteLesson } from '.'

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

describe('what is never eaten', () => {
  const left = (b: HouseBuilder, settings: HouseSettings = defaultSettings) =>
    wasteLesson({ house: houseOf(b.records()), almanac, settings })

  it('by hand: ten that leave half, beside what is set as so many animals that leave nothing', () => {
    const half = left(house(10, always(LADDER, LADDER / 2)))!
    expect(half.waste).toBeCloseTo((10 * 0.5) / (shrink + 10), 2)
    expect(half.text).toContain('50 % of what 10 animals are offered is left')
    expect(left(house(40, always(LADDER, LADDER / 2)))!.waste).toBeGreaterThan(half.waste)
  })

  it('is not told where all is eaten, of what was refused, nor once it is set', () => {
    expect(left(house(10, always(LADDER, LADDER)))).toBeNull()
    expect(left(house(10, [...always(LADDER, LADDER), ...always(LADDER, 0, 6)]))).toBeNull()
    expect(left(house(2, always(LADDER, 1)))).toBeNull()
    expect(left(house(10, always(LADDER, LADDER / 2)), { ...defaultSettings, waste: 0.5 })).toBeNull()
    for (const waste of [-0.1, 0.6, '5'])
      expect(HouseSettings.safeParse({ ...defaultSettings, waste }).success).toBe(false)
    // it goes down again, too
    expect(left(house(10, always(LADDER, LADDER)), { ...defaultSettings, waste: 0.4 })!.waste).toBeLessThan(0.2)
  })

  it('is kept ready on top: a fifth never eaten is a quarter more of what insect-eaters need, and none of the rest', () => {
    const b = house(3, [])
    b.animal('K', 'california-kingsnake', { bornDay: today - 1500 })
    const need = (waste: number) => {
      const { prey } = season(b.records(), almanac, { ...defaultSettings, waste }, today).season
      return Object.fromEntries(prey.map(p => [p.prey, p.mean.reduce((a, c) => a + c, 0)]))
    }
    const [none, fifth] = [need(0), need(0.2)]
    expect(none[prey]).toBeGreaterThan(0)
    expect(fifth[prey]! / none[prey]!).toBeCloseTo(1.25, 1)
    const rodents = Object.keys(none).filter(id => /^(mouse|rat)/.test(id))
    expect(rodents).toContain('mouse.adult')
    for (const id of rodents) expect(fifth[id]).toBe(none[id])
  })
})
