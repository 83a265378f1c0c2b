import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac, speciesOf } from '../almanac'
import { houseOf } from '../season'
import { checkEntry, type Meal, type Powder } from '../subjects'
import { menuBalance, powderFor } from '.'

const today = 20_000
const almanac = shippedAlmanac
const meal = (ago: number, prey: string, taken: number, dusted?: Powder): Meal => ({
  day: today - ago,
  at: `${today - ago}`,
  prey,
  offered: taken,
  taken,
  entryId: `${ago}`,
  ...(dusted && { dusted }),
})

describe('what a menu holds', () => {
  // Finke 2002, Zoo Biol. 21:269–285, as fed, mg/kg: adult cricket Ca 407 P 2950; mealworm 169/2850;
  // superworm 177/2370; waxworm 243/1950
  it.each([
    ['cricket.adult', 407 / 2950],
    ['mealworm', 169 / 2850],
    ['superworm', 177 / 2370],
    ['waxworm', 243 / 1950],
  ])('of %s alone is the ratio of the table', (prey, ratio) => {
    expect(menuBalance(almanac, [meal(1, prey, 5)], today)!.value.plain).toBeCloseTo(ratio, 10)
  })

  it('of several is by their weight: 10 adult crickets and 20 mealworms by hand', () => {
    const [cricket, worm] = [almanac.feeders['cricket.adult']!.massG.likely, almanac.feeders.mealworm!.massG.likely]
    const calcium = 10 * cricket * 407 + 20 * worm * 169
    const phosphorus = 10 * cricket * 2950 + 20 * worm * 2850
    const { value } = menuBalance(almanac, [meal(3, 'cricket.adult', 10), meal(1, 'mealworm', 20)], today)!
    expect(value.plain).toBeCloseTo(calcium / phosphorus, 10)
    expect(value).toMatchObject({ kinds: 2, meals: 2, known: 1, dustedMeals: 0 })
  })

  it('powder lifts it over one, what was refused or is long ago does not count, and unknown prey is told', () => {
    const dusted = menuBalance(almanac, [meal(1, 'cricket.adult', 5, 'calcium')], today)!.value
    expect(dusted.plain).toBeLessThan(0.2)
    expect(dusted.dusted).toBeCloseTo((407 + almanac.common.dustCalcium!.value) / 2950, 10)
    expect(menuBalance(almanac, [meal(1, 'cricket.adult', 0), meal(60, 'mealworm', 4)], today)).toBeNull()
    expect(menuBalance(almanac, [meal(1, 'hornworm', 3)], today)!.value).toMatchObject({ plain: null, known: 0 })
  })
})

describe('what the next meal is dusted with', () => {
  const gecko = speciesOf(almanac, 'fat-tailed-gecko')
  /** Follows what is proposed for so many meals. */
  function followed(count: number, uvb: boolean, schools: Record<string, string> = {}): Powder[] {
    const meals: Meal[] = []
    for (let i = 0; i < count; i++) {
      const powder = powderFor(almanac, { schools }, gecko, meals, uvb)!.value
      meals.push({ ...meal(count - i, 'cricket.half', 3), ...(powder !== 'none' && { dusted: powder }) })
    }
    return meals.map(m => m.dusted ?? 'none')
  }
  const longestWithout = (list: readonly Powder[], has: (p: Powder) => boolean) => {
    let [now, longest] = [0, 0]
    for (const p of list) longest = Math.max(longest, (now = has(p) ? 0 : now + 1))
    return longest
  }
  const calcium = (p: Powder) => p !== 'vitamins' && p !== 'none'
  const vitamins = (p: Powder) => p === 'vitamins' || p.startsWith('allInOne')
  const d3 = (p: Powder) => p === 'calciumD3' || p === 'allInOne'

  it('goes in turn: calcium at every second or third meal, vitamins at every third or fourth', () => {
    const list = followed(60, false)
    expect(list[0]).toBe('calciumD3')
    expect(longestWithout(list, calcium)).toBeLessThanOrEqual(2)
    expect(longestWithout(list, vitamins)).toBeLessThanOrEqual(3)
    expect(longestWithout(list, d3)).toBeLessThanOrEqual(5)
    expect(list.filter(p => p === 'none').length).toBeGreaterThan(5)
  })

  it('has no D3 under UVB, but where the house gives it all the same', () => {
    expect(followed(40, true).filter(d3)).toEqual([])
    expect(followed(40, true, { vitaminD3: 'indoors' }).filter(d3).length).toBeGreaterThan(8)
    expect(new Set(followed(20, true, { powder: 'allInOne' }))).toEqual(new Set(['allInOneNoD3']))
    expect(new Set(followed(20, false, { powder: 'allInOne' }))).toEqual(new Set(['allInOne', 'allInOneNoD3']))
  })

  it('meals of which nothing is said count as plain, so that calcium is proposed until it is written', () => {
    expect(powderFor(almanac, { schools: {} }, gecko, [meal(2, 'cricket.half', 3)], true)!.value).toBe('calcium')
    expect(powderFor(almanac, { schools: {} }, speciesOf(almanac, 'milk-snake'), [], true)).toBeNull()
  })
})

describe('prey that is not given', () => {
  it('stands in no ladder of its species, and every one is a feeder', () => {
    const told = Object.values(almanac.species).filter(s => s.never)
    expect(told.length).toBeGreaterThan(3)
    for (const s of told) {
      for (const prey of s.never!) expect(almanac.feeders[prey], `${s.id}: ${prey}`).toBeDefined()
      const eaten = s.ladder.flatMap(step => step.meal.map(m => m.prey))
      expect(eaten.filter(prey => s.never!.includes(prey))).toEqual([])
    }
  })

  const asked = (speciesId: string, massG: number | null, prey: string, sure = false) => {
    const b = new HouseBuilder(today).animal('A', speciesId)
    if (massG !== null) b.write('weighed', { type: 'animal', id: 'A' }, -2, { massG })
    const records = b.records()
    const entry = {
      id: 'm',
      at: new Date(today * 86_400_000).toISOString(),
      day: today,
      subject: { type: 'animal' as const, id: 'A' },
      kind: 'fed',
      data: { prey, offered: 1, taken: 1, ...(sure && { sure }) },
      source: 'keeper' as const,
    }
    return checkEntry(entry, { records, house: houseOf(records), almanac, today })
  }

  it('an adult cricket for a dart frog, and a rat heavier than the snake, are asked about; usual prey is not', () => {
    expect(asked('dyeing-dart-frog', null, 'cricket.adult')[0]!.message).toMatch(/not given to it/)
    expect(asked('dyeing-dart-frog', null, 'fly.large')).toEqual([])
    expect(asked('corn-snake', 40, 'rat.medium')[0]!.message).toMatch(/% of what A weighs \(40 g\)/)
    expect(asked('corn-snake', 40, 'rat.medium', true)).toEqual([])
    expect(asked('corn-snake', 300, 'mouse.adult')).toEqual([])
    expect(asked('corn-snake', null, 'rat.medium')).toEqual([])
  })

  it('lighter prey is never asked about when heavier is not (any weight)', () => {
    const rodents = ['mouse.pinky', 'mouse.fuzzy', 'mouse.hopper', 'mouse.adult', 'rat.medium']
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 3000 }), massG => {
        const list = rodents.map(prey => asked('corn-snake', massG, prey).length)
        expect([...list].sort()).toEqual(list)
      }),
      { numRuns: 40 },
    )
  })
})
