import { describe, expect, it } from 'vitest'
import { feederOf, shippedAlmanac, speciesOf } from '../almanac'
import { animalAsAdded, type AnimalState } from '../subjects'
import { ladderStepAt, mouthProfile, nextMeal, rodentFor, type Gravid } from '.'

const today = 20_000
const settings = { schools: {}, appetite: 1, waste: 0 }
const animal = (part: Partial<AnimalState>): AnimalState => ({
  ...animalAsAdded({
    id: 'a',
    tag: 'K-1',
    name: null,
    speciesId: 'california-kingsnake',
    sex: 'female',
    bornDay: today - 1500,
    placeId: null,
    damId: null,
    sireId: null,
    clutchId: null,
    foundedBy: null,
  }),
  ...part,
})
const king = speciesOf(shippedAlmanac, 'california-kingsnake')
const meal = (day: number, taken = 1) => ({ day, at: '', prey: 'mouse.adult', offered: 1, taken, entryId: 'm' })

describe('prey by weight', () => {
  it.each([
    // common practice: 10–15 % of body weight; rodent steps of PRACTICE §7
    [20, 0.1, 'mouse.pinky'],
    [45, 0.1, 'mouse.fuzzy'],
    [90, 0.1, 'mouse.hopper'],
    [150, 0.1, 'mouse.weaned'],
    [240, 0.1, 'mouse.adult'],
    [13, 0.15, 'mouse.pinky'],
    [30, 0.15, 'mouse.fuzzy'],
    [700, 0.1, 'rat.small'],
    [1200, 0.1, 'rat.medium'],
  ])('a snake of %d g at %d of its weight gets a %s', (mass, share, prey) => {
    expect(rodentFor(shippedAlmanac, mass, share)).toBe(prey)
  })

  it('never gets smaller prey as it grows', () => {
    const likely = (g: number) => shippedAlmanac.feeders[rodentFor(shippedAlmanac, g, 0.1)]!.massG.likely
    for (let g = 10; g < 1500; g += 10) expect(likely(g + 10)).toBeGreaterThanOrEqual(likely(g))
  })
})

describe('the next meal', () => {
  it('comes an interval after the last offer, by weight when there is a fresh one', () => {
    const j = nextMeal(
      shippedAlmanac,
      settings,
      king,
      animal({ meals: [meal(today - 4)], weights: [{ day: today - 10, massG: 230, entryId: 'w' }] }),
      today,
    )!
    expect(j.value).toEqual({
      due: today + 6,
      everyDays: 10,
      portions: [{ prey: 'mouse.adult', count: 1 }],
      note: null,
    })
    expect(j.reasons.flatMap(r => r.inputs).map(i => i.from.kind)).toContain('entry')
  })

  it('a gravid female gets smaller prey also when her weight is old, and when she is very large', () => {
    const massOf = (id: string) => feederOf(shippedAlmanac, id).massG.likely
    const prey = (massG: number, age: number, gravid: Gravid) =>
      massOf(
        nextMeal(
          shippedAlmanac,
          settings,
          king,
          animal({ meals: [meal(today)], weights: [{ day: today - age, massG, entryId: 'w' }] }),
          today,
          gravid,
        )!.value.portions[0]!.prey,
      )
    for (const [massG, age] of [
      [400, 5],
      [400, 200],
      [9000, 5],
    ] as const) {
      const [usual, gravid, late] = [prey(massG, age, false), prey(massG, age, 'gravid'), prey(massG, age, 'late')]
      expect(gravid, `${massG} g, ${age} days old`).toBeLessThan(usual)
      expect(late, `${massG} g, ${age} days old`).toBeLessThanOrEqual(gravid)
      expect(late / usual).toBeLessThan(0.55)
    }
  })

  it('of unknown birth and without a written meal it is due today, every day until one is written', () => {
    for (const speciesId of ['california-kingsnake', 'golden-mantella', 'fat-tailed-gecko'])
      for (const day of [today, today + 30])
        expect(
          nextMeal(
            shippedAlmanac,
            settings,
            speciesOf(shippedAlmanac, speciesId),
            animal({ speciesId, bornDay: null }),
            day,
          )!.value.due,
        ).toBe(day)
  })

  it('an old weight no longer decides', () => {
    const j = nextMeal(
      shippedAlmanac,
      settings,
      king,
      animal({ meals: [meal(today)], weights: [{ day: today - 200, massG: 20, entryId: 'w' }] }),
      today,
    )!
    expect(j.value.portions[0]!.prey).toBe('mouse.adult')
  })

  it('none in the cold, soon after warming', () => {
    const cooled = { day: today - 60, entryId: 'c' }
    expect(nextMeal(shippedAlmanac, settings, king, animal({ cooled }), today)).toBeNull()
    const warm = nextMeal(
      shippedAlmanac,
      settings,
      king,
      animal({ cooled, warmed: { day: today, entryId: 'u' } }),
      today,
    )!
    expect(warm.value.due).toBe(today + 2)
  })

  it('a hatchling waits for its first meal; a keeper of the other school offers a third more insects', () => {
    const gecko = speciesOf(shippedAlmanac, 'fat-tailed-gecko')
    const hatchling = animal({ speciesId: 'fat-tailed-gecko', bornDay: today })
    expect(nextMeal(shippedAlmanac, settings, gecko, hatchling, today)!.value.due).toBe(today + 3)
    const more = nextMeal(
      shippedAlmanac,
      { ...settings, schools: { insectRation: 'cafeteria' } },
      gecko,
      hatchling,
      today,
    )!
    expect(more.value.portions[0]!.count).toBe(Math.round(4 * 1.33))
  })
})

describe('the food of one mouth', () => {
  it('climbs the ladder: flies and beetles first, quarter-inch crickets from about two weeks (common practice)', () => {
    const chameleon = speciesOf(shippedAlmanac, 'panther-chameleon')
    const profile = mouthProfile(shippedAlmanac, settings, chameleon, 40)
    expect(profile.get('fly.large')![0]).toBe(18)
    expect(profile.get('cricket.quarter')!.findIndex(n => n > 0)).toBeGreaterThanOrEqual(14)
    expect(ladderStepAt(chameleon.ladder, 1000).step).toBe(chameleon.ladder.at(-1))
  })

  it('a hatchling kingsnake eats a pinky in six days; appetite does not enlarge a mouse', () => {
    const thawedFirst = { ...settings, appetite: 2, schools: { firstPrey: 'thawed' } }
    const profile = mouthProfile(shippedAlmanac, thawedFirst, king, 18)
    const [dead, alive] = ['mouse.pinky', 'mouse.pinky.live'].map(id => profile.get(id)!)
    expect([...dead!, ...alive!].reduce((a, b) => a + b, 0)).toBeCloseTo(3, 9)
    expect(dead![4]).toBeCloseTo(1 / 6, 9)
  })

  it('its first three are alive by the usual school (common practice), and thawed after that', () => {
    const profile = mouthProfile(shippedAlmanac, settings, king, 24)
    const alive = profile.get('mouse.pinky.live')!
    expect(alive.slice(0, 18).reduce((a, b) => a + b, 0)).toBeCloseTo(3, 9)
    expect(alive[20]).toBe(0)
    expect(profile.get('mouse.pinky')![20]).toBeCloseTo(1 / 6, 9)
  })

  it('appetite scales insects', () => {
    const gecko = speciesOf(shippedAlmanac, 'fat-tailed-gecko')
    expect(mouthProfile(shippedAlmanac, { ...settings, appetite: 1.5 }, gecko, 2).get('cricket.quarter')![0]).toBe(6)
  })
})

describe('prey that is large for the smallest', () => {
  it('a viper of 4 g is told to get the smallest pinky there is, a corn snake of 20 g is not', () => {
    const note = (speciesId: string, massG: number | null) =>
      nextMeal(
        shippedAlmanac,
        settings,
        speciesOf(shippedAlmanac, speciesId),
        animal({
          speciesId,
          bornDay: today - 40,
          weights: massG === null ? [] : [{ day: today - 1, massG, entryId: 'w' }],
        }),
        today,
      )!.value.note
    expect(note('eyelash-viper', 4)).toMatch(
      /^the smallest mouse pinky, of 1 g: one of 2 g would be 50 % of its weight$/,
    )
    expect(note('eyelash-viper', null)).toMatch(/of 1 g/)
    expect(note('corn-snake', 20)).toBeNull()
  })
})
