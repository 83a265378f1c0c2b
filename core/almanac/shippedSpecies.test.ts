import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { feederOf, feederProblem, rootOf, shippedAlmanac as almanac, speciesProblem, type Fact, type Species } from '.'

const all = Object.values(almanac.species)
const ids = all.map(s => s.id)

/** Every value with a mark in it. */
function marked(value: unknown): Fact[] {
  if (typeof value !== 'object' || value === null) return []
  return ['mark' in value ? (value as Fact) : [], ...Object.values(value).map(marked)].flat()
}

/** What an animal weighs at an age, its length taken to grow evenly: mass is as length cubed. */
function massAt(s: Species, age: number): number {
  const [young, adult] = [Math.cbrt(s.youngMassG.value), Math.cbrt(s.adultMassG.value)]
  return (young + (adult - young) * Math.min(1, age / s.matureDays.value)) ** 3
}

describe('what is shipped', () => {
  it('is enough to begin with: 64 species and types, 40 feeders', () => {
    expect(all.length).toBeGreaterThanOrEqual(64)
    expect(Object.keys(almanac.feeders).length).toBeGreaterThanOrEqual(40)
    expect(new Set(all.map(s => s.name.toLowerCase())).size).toBe(all.length)
  })

  it('names of every borrowed value whom it is of, and of every published one its source', () => {
    const names = new Set(all.map(s => s.name))
    for (const s of all)
      for (const fact of marked(s)) {
        if (fact.mark === 'borrowed') expect(names, `${s.id} ${JSON.stringify(fact)}`).toContain(fact.from)
        if (fact.mark === 'published') expect(almanac.sources, s.id).toHaveProperty([fact.source!])
      }
  })

  it.each(ids)('%s can stand in the almanac', id => {
    expect(speciesProblem(almanac.species[id]!, almanac)).toBeNull()
  })

  it.each(Object.keys(almanac.feeders))('feeder %s can stand in the almanac', id => {
    expect(feederProblem(almanac.feeders[id]!, almanac)).toBeNull()
  })
})

/** Bounds by group, from memory: outside of them a number is a slip of the pen. */
const GROUPS: Record<
  Species['group'],
  { adultG: [number, number]; incubationC: [number, number]; days: [number, number] }
> = {
  snake: { adultG: [50, 10_000], incubationC: [25, 34], days: [40, 90] },
  lizard: { adultG: [2, 1000], incubationC: [19, 35], days: [30, 290] },
  tortoise: { adultG: [300, 80_000], incubationC: [24, 35], days: [45, 180] },
  frog: { adultG: [1, 600], incubationC: [0, 0], days: [0, 0] },
}

describe('numbers are believable for their group', () => {
  it.each(ids)('%s', id => {
    const s = almanac.species[id]!
    const { adultG, incubationC, days } = GROUPS[s.group]
    expect(s.adultMassG.value).toBeGreaterThanOrEqual(adultG[0])
    expect(s.adultMassG.value).toBeLessThanOrEqual(adultG[1])
    expect(s.youngMassG.value / s.adultMassG.value).toBeLessThan(0.15)
    expect(s.matureDays.value).toBeGreaterThan(90)
    expect(s.matureDays.value).toBeLessThan(6000)
    for (const { tempC, days: at } of s.incubation?.points ?? []) {
      expect(tempC).toBeGreaterThanOrEqual(incubationC[0])
      expect(tempC).toBeLessThanOrEqual(incubationC[1])
      expect(at).toBeGreaterThanOrEqual(days[0])
      expect(at).toBeLessThanOrEqual(days[1])
    }
    if (s.incubation) expect(s.incubation.lethalAboveC.value).toBeGreaterThan(s.incubation.usualTempC.value)
    if (s.cold) expect(s.cold.holdC.value).toBeLessThan(s.cold.warmC.value)
    expect(s.mode === 'live').toBe(Object.values(s.clocks).some(c => c.to === 'born'))
    expect(s.clutchSize.unit).toBe(s.mode === 'live' ? 'young' : 'eggs')
    expect(s.cautions.length).toBeGreaterThan(0)
  })

  it.each(ids)(
    '%s: no prey of its ladder is heavier than a quarter of it, but the newborn rodents of the smallest',
    id => {
      // common practice, no source: prey of 10–15 % of body weight; how it grows is a rough guess, so up to a quarter
      const s = almanac.species[id]!
      for (const step of s.ladder)
        for (const { prey } of step.meal) {
          const feeder = feederOf(almanac, prey)
          if (feeder.supply.kind === 'fresh' || prey === 'mouse.pinky') continue
          expect(feeder.massG.earliest / massAt(s, step.fromDay), `day ${step.fromDay} ${prey}`).toBeLessThanOrEqual(
            0.25,
          )
        }
    },
  )
})

/** Bounds of where animals live, °C, % and UV index, from memory: outside of them a number is a slip of the pen. */
const CLIMATES = {
  spot: [25, 48],
  warm: [26, 36],
  air: [8, 33],
  cool: [18, 28],
  night: [5, 27],
  water: [10, 28],
  humidity: [10, 100],
  uvIndex: [0.3, 6],
} as const
/**
 * Ferguson et al. 2010, Zoo Biol. 29:317–334 (from memory): desert sun-baskers live above a mean UV index of 2.6,
 * shade-dwellers below 1.
 */
const SUN = ['bearded-dragon', 'collared-lizard', 'spiny-tailed-lizard']

describe('how each is kept', () => {
  it.each(ids)('%s: a believable climate, the warm places warmer than the cool ones and the nights', id => {
    const { climate } = almanac.species[id]!
    expect(climate, id).toBeDefined()
    for (const [zone, [least, most]] of Object.entries(CLIMATES)) {
      const band = climate![zone as keyof typeof CLIMATES]
      if (!band) continue
      expect(band.low.value, `${id} ${zone}`).toBeGreaterThanOrEqual(least)
      expect(band.high.value, `${id} ${zone}`).toBeLessThanOrEqual(most)
    }
    const order = [climate!.spot ?? climate!.warm, climate!.air ?? climate!.cool, climate!.night].filter(b => b)
    for (const [i, band] of order.entries())
      if (i) expect(band!.low.value, `${id} ${i}`).toBeLessThan(order[i - 1]!.low.value)
  })

  it('who basks in desert sun has the UV index of it', () => {
    for (const id of SUN) expect(almanac.species[id]!.climate!.uvIndex!.low.value, id).toBeGreaterThanOrEqual(2.6)
  })

  it('all that live on insects on land are dusted, with a rule for vitamin D3; nothing else is', () => {
    for (const s of all) {
      const wanted = s.eats === 'insects' && s.group !== 'snake' && !s.climate?.water
      expect([s.id, s.supplements?.d3Every.unit ?? null]).toEqual([s.id, wanted ? 'meals' : null])
    }
  })
})

describe('docs/sources.md', () => {
  it('counts the marks as they are', () => {
    const text = readFileSync('docs/sources.md', 'utf8')
    const words = {
      published: 'published',
      practice: 'common practice',
      memory: 'from memory, to be checked',
      borrowed: 'borrowed from a relative',
    }
    const all = marked(almanac)
    for (const [mark, word] of Object.entries(words))
      expect(text).toContain(`| ${word} | ${all.filter(f => f.mark === mark).length} |`)
  })
})

describe('what can do harm', () => {
  it('venomous snakes are never probed, and say so', () => {
    for (const id of ['eyelash-viper', 'western-diamondback']) {
      const s = almanac.species[id]!
      expect(s.sexing?.venomous, id).toBe(true)
      expect(s.sexing?.probe, id).toBeUndefined()
      expect(s.cautions.join(' '), id).toMatch(/trained and licensed keepers only.*teaches no handling/)
    }
  })

  it.each([
    'hermanns-tortoise',
    'greek-tortoise',
    'marginated-tortoise',
    'horsfields-tortoise',
    'radiated-tortoise',
    'african-spurred-tortoise',
    'red-footed-tortoise',
    'carolina-box-turtle',
    'golden-mantella',
    'dyeing-dart-frog',
    'leaf-tailed-gecko',
    'giant-day-gecko',
    'spiny-tailed-lizard',
    'ocellated-lizard',
    'sand-lizard',
    'axolotl',
  ])('%s is protected: it asks for papers', id => {
    expect(almanac.species[id]!.cautions.join(' ')).toMatch(/[Pp]rotected.*(papers|permits)/)
  })

  it('dart frogs eat nothing hard (common practice, no source: hard shells block the gut)', () => {
    for (const id of ['dyeing-dart-frog', 'green-and-black-dart-frog', 'bumblebee-dart-frog'])
      for (const step of almanac.species[id]!.ladder)
        for (const { prey } of step.meal) expect(prey, id).toMatch(/^(fly\.|springtail|isopod\.dwarf)/)
  })

  it('snake-eaters are kept alone', () => {
    for (const s of all.filter(x => x.mating?.eatsMates)) expect(s.cold?.company ?? 'never', s.id).toBe('never')
  })
})

describe('types', () => {
  it('are of a species that is there, and bear their young as it does', () => {
    const types = all.filter(s => s.typeOf)
    expect(types.map(t => rootOf(almanac, t.id))).toEqual(types.map(t => t.typeOf))
    for (const t of types)
      expect([t.mode, t.group]).toEqual([almanac.species[t.typeOf!]!.mode, almanac.species[t.typeOf!]!.group])
    // dwarf and island boas wean slowly (common practice, no source: six months to a year)
    expect(almanac.species['boa-dwarf']!.keptDays.value).toBeGreaterThan(
      almanac.species['boa-constrictor']!.keptDays.value,
    )
  })
})
