import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { feederOf, shippedAlmanac as almanac, speciesOf } from '../almanac'
import { HouseBuilder } from '../../tests/fixtures/records'
import { defaultSettings, houseOf, season } from '../season'
import { firstMealAge, isFedByWeight, nextMeal, proposedStep, stepHeld, stepOf } from '.'

const today = 20_560
const species = speciesOf(almanac, 'ocellated-lizard')
const LIZARD = { type: 'animal' as const, id: 'Y' }
/** A young one so many days after its first meal was due. */
const young = (age: number) =>
  new HouseBuilder(today).animal('Y', species.id, { bornDay: today - age - firstMealAge(species) })
const animalOf = (b: HouseBuilder) => houseOf(b.records()).animals.Y!
const proposed = (b: HouseBuilder) => {
  const animal = animalOf(b)
  return proposedStep(almanac, species, animal, today, isFedByWeight(almanac, species, animal, today))?.value ?? null
}
/** Meals of quarter-inch crickets on days before today, as what came of each. */
function meals(b: HouseBuilder, course: string, prey = 'cricket.quarter'): HouseBuilder {
  ;[...course].forEach((what, i) =>
    b.write('fed', LIZARD, i - course.length, {
      prey,
      offered: 6,
      taken: what === 'W' || what === 's' ? 6 : what === 'p' ? 3 : 0,
      ...(what === 's' && { outcome: 'afterTries' }),
    }),
  )
  return b
}
const gaining = (b: HouseBuilder, from: number, to: number) => {
  b.write('weighed', LIZARD, -20, { massG: from })
  b.write('weighed', LIZARD, -1, { massG: to })
  return b
}

describe('the step of an animal', () => {
  it('is by age, until it is put on one; from there it climbs on by the days', () => {
    const at = (b: HouseBuilder, day = today) => stepOf(species, animalOf(b), day).index
    expect(at(young(20))).toBe(1)
    const put = young(20)
    put.write('ladderSet', LIZARD, -3, { step: 1, everyDays: null })
    expect(at(put)).toBe(0)
    // the second step is from day 14: it is there eleven days from now
    expect([at(put, today + 10), at(put, today + 11)]).toEqual([0, 1])
    put.write('ladderSet', LIZARD, 0, { step: null, everyDays: null })
    expect(at(put)).toBe(1)
    // a step that the ladder does not have is its last one
    put.write('ladderSet', LIZARD, 0, { step: 60, everyDays: null })
    expect(at(put)).toBe(species.ladder.length - 1)
  })

  it('holds until the day on which it may be another: asked day by day it says the same', () => {
    for (const of of Object.values(almanac.species)) {
      for (const ownLadder of [undefined, { day: 40, entryId: 'e', step: 1, everyDays: 4 }]) {
        const animal = { bornDay: 30, ...(ownLadder && { ownLadder }) }
        let held = stepHeld(of, animal, 20)
        const days = Array.from({ length: 1500 }, (_, i) => 20 + i)
        const asked = days.map(day => stepOf(of, animal, day))
        const keptOn = days.map(day => (held = day >= held.until ? stepHeld(of, animal, day) : held))
        expect(keptOn.map(h => h.index)).toEqual(asked.map(a => a.index))
        expect(keptOn.map(h => h.everyDays)).toEqual(asked.map(a => a.everyDays))
      }
    }
  })

  it('and its own interval decide the next meal, the need of the house, and what the working says', () => {
    const b = meals(young(20), 'W')
    const settings = defaultSettings
    const meal = () => nextMeal(almanac, settings, species, animalOf(b), today)!
    const need = (prey: string) =>
      season(b.records(), almanac, settings, today)
        .season.prey.find(p => p.prey === prey)
        ?.mean.slice(0, 10) ?? []
    expect(meal().value.portions.map(p => p.prey)).toEqual(['beanBeetle', 'cricket.quarter'])
    expect(need('cricket.half').reduce((a, n) => a + n, 0)).toBe(0)
    b.write('ladderSet', LIZARD, 0, { step: 3, everyDays: 5 })
    expect(meal().value).toMatchObject({
      due: today - 1 + 5,
      everyDays: 5,
      portions: [{ prey: 'cricket.half', count: 7 }],
    })
    expect(meal().reasons.flatMap(r => r.inputs.map(i => i.label))).toEqual(
      expect.arrayContaining(['Interval of its own', 'Put on step']),
    )
    expect(need('cricket.half')).toEqual([0, 0, 0, 0, 7, 0, 0, 0, 0, 7])
    expect(need('beanBeetle').reduce((a, n) => a + n, 0)).toBe(0)
  })
})

describe('another step is proposed', () => {
  it('up, after three of four meals taken whole and at once while it gains (common practice)', () => {
    expect(proposed(gaining(meals(young(40), 'WWpW'), 8, 11))).toEqual({ to: 2, way: 'up' })
    expect(proposed(gaining(meals(young(40), 'WWW'), 8, 11))).toBeNull()
    expect(proposed(gaining(meals(young(40), 'WspW'), 8, 11))).toBeNull()
    expect(proposed(gaining(meals(young(40), 'WWWW'), 11, 8))).toBeNull()
    expect(proposed(meals(young(40), 'WWWW'))).toBeNull()
    // the next step is from day 50: at 20 days it is too far off
    expect(proposed(gaining(meals(young(20), 'WWWW'), 8, 11))).toBeNull()
  })

  it('never to prey that is too large for its weight', () => {
    const large = almanac.common.largePrey!.value
    const half = feederOf(almanac, 'cricket.half').massG.likely
    expect(proposed(gaining(meals(young(40), 'WWWW'), 0.5, half / large - 0.01))).toBeNull()
    expect(proposed(gaining(meals(young(40), 'WWWW'), 0.5, half / large + 0.01))).toMatchObject({ way: 'up' })
  })

  it('down, where the larger prey is refused or comes up', () => {
    const step = (course: string) => meals(young(60), course, 'cricket.half')
    expect(proposed(step('W00'))).toEqual({ to: 1, way: 'down' })
    expect(proposed(step('W0'))).toBeNull()
    const upset = step('W')
    upset.write('broughtUp', LIZARD, 0)
    expect(proposed(upset)).toEqual({ to: 1, way: 'down' })
    // a grown one that refuses has another reason than the size of its prey, unless it was put on its step
    const grown = meals(young(species.matureDays.value + 400), 'W00', 'roach.nymph')
    expect(proposed(grown)).toBeNull()
    grown.write('ladderSet', LIZARD, 0, { step: 4, everyDays: null })
    expect(proposed(grown)).toEqual({ to: 2, way: 'down' })
    // refusals of other prey say nothing of this step
    expect(proposed(meals(young(60), '00', 'fly.large'))).toBeNull()
  })

  it('not for who is fed by its weight, which rodent eaters are while that is fresh', () => {
    const king = speciesOf(almanac, 'california-kingsnake')
    const b = new HouseBuilder(today).animal('K', king.id, { bornDay: today - 120 })
    const K = { type: 'animal' as const, id: 'K' }
    for (const day of [-40, -30, -20, -10]) {
      b.write('weighed', K, day - 1, { massG: 40 + day / 2 })
      b.write('fed', K, day, { prey: 'mouse.fuzzy', offered: 1, taken: 1 })
    }
    const kept = houseOf(b.records()).animals.K!
    expect(isFedByWeight(almanac, king, kept, today)).toBe(true)
    expect(proposedStep(almanac, king, kept, today, true)).toBeNull()
    expect(isFedByWeight(almanac, king, kept, today + 90)).toBe(false)
  })

  it('not at either end, and never up by a refusal more', () => {
    expect(proposed(gaining(meals(young(900), 'WWWW', 'roach.nymph'), 100, 120))).toBeNull()
    expect(proposed(meals(young(0), '000', 'fly.large'))).toBeNull()
    fc.assert(
      fc.property(fc.array(fc.constantFrom('W', 'p', 's', '0'), { minLength: 1, maxLength: 9 }), list => {
        const course = list.join('')
        const before = proposed(gaining(meals(young(40), course), 8, 11))
        const after = proposed(gaining(meals(young(40), `${course}0`), 8, 11))
        expect(after?.way === 'up' && before?.way !== 'up').toBe(false)
      }),
      { numRuns: 60 },
    )
  })
})
