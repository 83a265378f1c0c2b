import { describe, expect, it } from 'vitest'
import {
  Almanac,
  clockOf,
  feederOf,
  schoolChoice,
  shippedAlmanac,
  speciesOf,
  withOverrides,
  type BreedingEvent,
} from '.'

const all = Object.values(shippedAlmanac.species)

describe('the shipped almanac', () => {
  it('keeps its schema: every number has a unit and a mark, every published one a source', () => {
    const result = Almanac.safeParse(shippedAlmanac)
    expect(result.error?.issues ?? []).toEqual([])
  })

  it('covers what the house needs: four groups, three modes, cold, rest and none, sex by temperature', () => {
    expect(all.length).toBeGreaterThanOrEqual(12)
    expect(new Set(all.map(s => s.group)).size).toBe(4)
    expect(new Set(all.map(s => s.mode))).toEqual(new Set(['egg', 'live', 'larval']))
    expect(new Set(all.map(s => s.winter))).toEqual(new Set(['brumation', 'dormancy', 'none']))
    expect(all.some(s => s.sexByTemperature)).toBe(true)
    expect(all.some(s => (s.nextClutch?.perSeason.latest ?? 1) >= 7)).toBe(true)
  })

  it('names only feeders and sources that it has', () => {
    const walk = (node: unknown): string[] =>
      typeof node !== 'object' || node === null
        ? []
        : Object.entries(node).flatMap(([k, v]) => (k === 'source' && typeof v === 'string' ? [v] : walk(v)))
    for (const key of walk(shippedAlmanac)) expect(shippedAlmanac.sources).toHaveProperty(key)
    for (const s of all)
      for (const l of s.ladder) for (const m of l.meal) expect(feederOf(shippedAlmanac, m.prey).id).toBe(m.prey)
  })

  it('has a way from the first event of each mode to the first meal, and ladders that climb', () => {
    for (const s of all) {
      const birth = s.mode === 'live' ? 'born' : s.mode === 'larval' ? 'metamorphosed' : 'hatched'
      expect(clockOf(s, birth, 'firstMeal'), s.id).toBeDefined()
      // after true cold an animal is warmed, then ready, then paired; after a rest, or none, it is paired from the
      // start
      const way: [BreedingEvent, BreedingEvent][] =
        s.winter === 'brumation'
          ? [
              ['warmUp', 'ready'],
              ['ready', 'copulation'],
            ]
          : [[s.winter === 'none' ? 'introduced' : 'warmUp', 'copulation']]
      // where all are females nothing comes between company and eggs
      const needed: [BreedingEvent, BreedingEvent][] =
        s.sexing?.system === 'clonal'
          ? [
              ['introduced', 'laid'],
              ['hatched', 'firstMeal'],
            ]
          : way
      for (const [from, to] of needed) expect(clockOf(s, from, to), `${s.id} ${from}`).toBeDefined()
      expect(s.cold !== undefined, s.id).toBe(s.winter !== 'none')
      expect(s.cold?.rest !== undefined, s.id).toBe(s.winter === 'dormancy')
      expect(s.ladder[0]!.fromDay).toBe(0)
      expect([...s.ladder].sort((a, b) => a.fromDay - b.fromDay)).toEqual(s.ladder)
      if (s.mode === 'egg') expect(s.incubation, s.id).toBeDefined()
    }
  })

  it.each([
    // common practice, no source: PRACTICE §5, §6
    ['california-kingsnake', 'copulation', 'laid', 35, 48, 65],
    ['milk-snake', 'preLayShed', 'laid', 7, 10, 16],
    ['boa-constrictor', 'postOvulationShed', 'born', 98, 105, 118],
    ['fat-tailed-gecko', 'copulation', 'laid', 16, 24, 35],
    ['hermanns-tortoise', 'copulation', 'laid', 30, 45, 75],
    ['fire-bellied-toad', 'copulation', 'laid', 1, 2, 3],
  ] as const)('%s: %s → %s', (id, from, to, earliest, likely, latest) => {
    expect(clockOf(speciesOf(shippedAlmanac, id), from, to)!.days).toMatchObject({ earliest, likely, latest })
  })

  it.each([
    // rodent steps, common practice
    ['mouse.pinky', 1, 3],
    ['mouse.fuzzy', 3, 6],
    ['mouse.hopper', 6, 12],
    ['mouse.weaned', 12, 18],
    ['mouse.adult', 18, 30],
    ['rat.pup', 5, 10],
    ['rat.weaned', 25, 50],
    ['rat.small', 50, 90],
    ['rat.medium', 90, 150],
  ])('%s weighs %d–%d g', (id, low, high) => {
    expect(feederOf(shippedAlmanac, id).massG).toMatchObject({ earliest: low, latest: high })
  })
})

describe('overrides', () => {
  const path = 'species.corn-snake.clocks.copulation>laid.days.likely'

  it('puts the keeper’s number in, marks it own and leaves the shipped one alone', () => {
    const own = withOverrides(shippedAlmanac, [{ path, value: 50, note: 'three seasons here' }])
    expect(clockOf(speciesOf(own, 'corn-snake'), 'copulation', 'laid')!.days).toMatchObject({
      likely: 50,
      mark: 'own',
      note: 'three seasons here',
    })
    expect(clockOf(speciesOf(shippedAlmanac, 'corn-snake'), 'copulation', 'laid')!.days).toMatchObject({
      likely: 48,
      mark: 'practice',
    })
    // species of one kind share a table in the data files; an override must touch only the one named
    expect(clockOf(speciesOf(own, 'milk-snake'), 'copulation', 'laid')!.days.likely).toBe(48)
  })

  it('reaches feeders, whose ids carry a dot', () => {
    const own = withOverrides(shippedAlmanac, [{ path: 'feeders.fly.large.supply.yieldTotal.value', value: 500 }])
    const supply = feederOf(own, 'fly.large').supply
    expect(supply.kind === 'batch' && supply.yieldTotal).toMatchObject({ value: 500, mark: 'own' })
  })

  it('reaches a count of a meal, which is marked with its step', () => {
    const own = withOverrides(shippedAlmanac, [{ path: 'species.corn-snake.ladder.1.meal.0.count', value: 2 }])
    expect(speciesOf(own, 'corn-snake').ladder[1]).toMatchObject({ mark: 'own', meal: [{ count: 2 }] })
    expect(speciesOf(own, 'corn-snake').ladder[0]!.mark).toBe('memory')
  })

  it.each([
    ['species.fat-tailed-gecko.incubation.points.0.days', 1, /Warmer must be quicker/],
    ['feeders.fly.large.supply.keepDays.value', 0, /more than 0/],
    ['feeders.fly.large.supply.failure.value', 7, /between 0 and 1/],
    ['feeders.fly.large.supply.atTempC.value', 75, /check the unit/],
    ['species.corn-snake.clocks.copulation>laid.days.latest', 90_000, /check the unit/],
    ['species.corn-snake.adultMassG.value', -5, /check the unit/],
    ['species.corn-snake.ladder.0.everyDays', 0, /./],
    ['schools.preyVariety.choices.1.fact.value', 0, /more than 0/],
  ])('refuses %s = %d, which no forecast could stand on', (path, value, message) => {
    expect(() => withOverrides(shippedAlmanac, [{ path, value }])).toThrow(message)
  })

  it('refuses what is not there and what would contradict itself', () => {
    expect(() => withOverrides(shippedAlmanac, [{ path: 'species.unicorn.adultMassG.value', value: 1 }])).toThrow(
      /no number/,
    )
    expect(() => withOverrides(shippedAlmanac, [{ path: 'species.corn-snake.name', value: 1 }])).toThrow(/no number/)
    expect(() => withOverrides(shippedAlmanac, [{ path, value: 400 }])).toThrow(/in order/)
    // a clutch of a thousand million eggs filled the memory and ended the server
    expect(() => withOverrides(shippedAlmanac, [{ path: 'species.corn-snake.clutchSize.latest', value: 1e9 }])).toThrow(
      /not believable/,
    )
    expect(() => withOverrides(shippedAlmanac, [{ path: 'species.corn-snake.cold.weeks.latest', value: 1e9 }])).toThrow(
      /not believable/,
    )
  })
})

describe('schools', () => {
  it('follows the choice, else the usual one', () => {
    expect(schoolChoice(shippedAlmanac, {}, 'pairAfterCold').id).toBe('byLoss')
    expect(schoolChoice(shippedAlmanac, { pairAfterCold: 'atOnce' }, 'pairAfterCold').id).toBe('atOnce')
    expect(schoolChoice(shippedAlmanac, { pairAfterCold: 'gone' }, 'pairAfterCold').id).toBe('byLoss')
    const chosen = { 'pairAfterCold': 'atOnce', 'pairAfterCold@milk-snake': 'regained' }
    expect(schoolChoice(shippedAlmanac, chosen, 'pairAfterCold', 'milk-snake').id).toBe('regained')
    expect(schoolChoice(shippedAlmanac, chosen, 'pairAfterCold', 'corn-snake').id).toBe('atOnce')
    expect(() => schoolChoice(shippedAlmanac, {}, 'tea')).toThrow(/no school/)
  })
})
