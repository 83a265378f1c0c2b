import { describe, expect, it } from 'vitest'
import { HouseBuilder, dated } from '../../tests/fixtures/records'
import { shippedAlmanac, speciesOf, type Almanac, type Species } from '../almanac'
import { defaultSettings } from '../settings'
import { almanacOf, checkEntry, foldHouse, isOneSpecies, withEntry, type DatedEntry, type Records } from '../subjects'
import { ladderStepAt } from '../feeding'
import { benchOf } from './breeding'
import { season } from './season'

const today = 20_782
const species = (id: string) => ({ type: 'species', id })
const number = (id: string) => ({ type: 'number', id })

function problems(records: Records, entry: DatedEntry): string[] {
  const house = foldHouse(records)
  return checkEntry(entry, { records, house, almanac: almanacOf(house), today }).map(p => `${p.path}: ${p.message}`)
}
const entry = (id: string, kind: string, subject: { type: string; id: string }, data: Record<string, unknown>) =>
  dated(today, { id, kind, subject, data })
const added = (id: string, data: Record<string, unknown>) =>
  entry(id, 'speciesAdded', species(id), { latin: '', type: false, parts: {}, ...data })

/** What is written after a first state of the log, each checked as it comes. */
function written(records: Records, ...entries: DatedEntry[]): Records {
  for (const e of entries) {
    expect(problems(records, e), `${e.kind} ${e.id}`).toEqual([])
    records = withEntry(records, e)
  }
  return records
}
const almanacAfter = (records: Records): Almanac => almanacOf(foldHouse(records))
const nothing = () => new HouseBuilder(today).records()
const rat = () => added('hill-rat', { name: 'Hill rat snake', latin: 'Elaphe montana', from: 'corn-snake' })

/** Every mark in a value. */
function marksIn(value: unknown): string[] {
  if (typeof value !== 'object' || value === null) return []
  const own = 'mark' in value && typeof value.mark === 'string' ? [value.mark] : []
  return [...own, ...Object.values(value).flatMap(marksIn)]
}

describe('a species from a relative', () => {
  it('takes everything over, each number marked as borrowed and of whom', () => {
    const made = speciesOf(almanacAfter(written(nothing(), rat())), 'hill-rat')
    expect(made).toMatchObject({ name: 'Hill rat snake', latin: 'Elaphe montana', mode: 'egg' })
    expect(new Set(marksIn(made))).toEqual(new Set(['borrowed']))
    expect(made.incubation!.usualTempC).toMatchObject({ value: 28, mark: 'borrowed', from: 'Corn snake' })
    // and the relative stays as it was
    expect(marksIn(speciesOf(shippedAlmanac, 'corn-snake'))).not.toContain('borrowed')
  })

  it('gives the forecasts of its relative, to the day', () => {
    const of = (speciesId: string) => {
      const b = new HouseBuilder(today)
      b.animal('F', speciesId, { sex: 'female' }).animal('M', speciesId, { sex: 'male' }).pair('F', 'M', -40)
      b.write('copulation', { type: 'pairing', id: 'pair-F' }, -30, { confirmed: true })
      const records = withEntry(b.records(), rat())
      const { lanes } = season(records, almanacAfter(records), defaultSettings, today).season
      return lanes.map(l => l.events.map(e => ({ event: e.event, dist: e.dist })))
    }
    expect(of('hill-rat').flat()).not.toEqual([])
    expect(of('hill-rat')).toEqual(of('corn-snake'))
  })

  it('follows its relative until a part is set, and goes back to it', () => {
    const fertility = { value: 0.4, unit: 'share', mark: 'own' }
    const setOnRelative = entry('n', 'numberSet', number('species.corn-snake.hatchRate.value'), { value: 0.31 })
    const set = entry('c', 'speciesChanged', species('hill-rat'), { parts: { fertility } })
    const back = entry('z', 'speciesChanged', species('hill-rat'), { back: ['fertility'] })
    const records = written(nothing(), rat(), set, setOnRelative)
    expect(speciesOf(almanacAfter(records), 'hill-rat').fertility).toEqual(fertility)
    // an own number on the relative reaches what is borrowed from it, and not what is set
    expect(speciesOf(almanacAfter(records), 'corn-snake').hatchRate).toMatchObject({ value: 0.31, mark: 'own' })
    expect(speciesOf(almanacAfter(records), 'hill-rat').hatchRate).toMatchObject({
      value: 0.31,
      mark: 'borrowed',
      from: 'Corn snake',
    })
    expect(speciesOf(almanacAfter(written(records, back)), 'hill-rat').fertility).toMatchObject({
      value: 0.9,
      mark: 'borrowed',
    })
  })

  it('of a relative that has borrowed itself, names the one it was first taken from', () => {
    const records = written(nothing(), rat(), added('cave-rat', { name: 'Cave rat snake', from: 'hill-rat' }))
    expect(speciesOf(almanacAfter(records), 'cave-rat').clutchSize).toMatchObject({
      mark: 'borrowed',
      from: 'Corn snake',
    })
  })

  it('without an incubation table a hatch is not invented', () => {
    const b = new HouseBuilder(today).animal('F', 'hill-rat', { sex: 'female' })
    b.pair('F', null, -40)
    b.write('laid', { type: 'pairing', id: 'pair-F' }, -10, { tag: 'C', eggs: 8, slugs: 0 }, 'C')
    const bare = entry('x', 'speciesChanged', species('hill-rat'), { parts: { incubation: null } })
    const records = [rat(), bare].reduce(withEntry, b.records())
    const { lanes, alarms } = season(records, almanacAfter(records), defaultSettings, today).season
    const lane = lanes.find(l => l.id === 'clutch:C')
    expect(alarms.filter(a => a.broken)).toEqual([])
    expect(lane?.events.some(e => e.event === 'hatched' && !e.observed) ?? false).toBe(false)
  })
})

describe('a type within a species', () => {
  const dwarf = () => added('dwarf', { name: 'Boa, hill form', from: 'boa-constrictor', type: true })
  const slow = (): DatedEntry => {
    const ladder = speciesOf(shippedAlmanac, 'boa-constrictor').ladder
    const slower = ladder.map(s => ({ ...s, fromDay: s.fromDay * 2, mark: 'own' as const }))
    return entry('slow', 'speciesChanged', species('dwarf'), { parts: { ladder: slower } })
  }

  it('has its own few numbers and the rest of its species, unmarked', () => {
    const almanac = almanacAfter(written(nothing(), dwarf(), slow()))
    const made = speciesOf(almanac, 'dwarf')
    const whole = speciesOf(almanac, 'boa-constrictor')
    expect(made.typeOf).toBe('boa-constrictor')
    expect(made.clocks).toEqual(whole.clocks)
    expect(ladderStepAt(made.ladder, 80).step.meal[0]!.prey).toBe('mouse.fuzzy')
    expect(ladderStepAt(whole.ladder, 80).step.meal[0]!.prey).toBe('mouse.hopper')
  })

  it('follows what the house says of its species, part or number, shipped types too, and keeps what it says itself', () => {
    const set = (id: string, path: string, value: number) =>
      entry(id, 'numberSet', number(`species.${path}.value`), { value })
    const fertility = { value: 0.6, unit: 'share', mark: 'own' }
    const almanac = almanacAfter(
      written(
        nothing(),
        dwarf(),
        set('n1', 'boa-constrictor.hatchRate', 0.7),
        set('n2', 'dwarf.survival90', 0.5),
        set('n3', 'boa-constrictor.survival90', 0.8),
        set('n4', 'boa-constrictor.adultMassG', 6000),
        entry('f', 'speciesChanged', species('boa-constrictor'), { parts: { fertility } }),
      ),
    )
    for (const id of ['dwarf', 'boa-dwarf', 'boa-constrictor'])
      expect(speciesOf(almanac, id)).toMatchObject({ hatchRate: { value: 0.7, mark: 'own' }, fertility })
    expect(['dwarf', 'boa-constrictor'].map(id => speciesOf(almanac, id).survival90.value)).toEqual([0.5, 0.8])
    // the dwarf form is shipped with a weight and young of its own
    for (const part of ['survival90', 'adultMassG'] as const)
      expect(speciesOf(almanac, 'boa-dwarf')[part]).toEqual(speciesOf(shippedAlmanac, 'boa-dwarf')[part])
    expect(speciesOf(almanac, 'dwarf').adultMassG.value).toBe(6000)
  })

  it('of a number that would break what follows, the follower is named and nothing is written', () => {
    const records = written(
      nothing(),
      dwarf(),
      entry('own', 'numberSet', number('species.dwarf.clutchSize.latest'), { value: 30 }),
    )
    // 35 young at least stand in no order with the 30 at most that the type says itself
    const most = entry('m', 'numberSet', number('species.boa-constrictor.clutchSize.latest'), { value: 90 })
    const least = entry('l', 'numberSet', number('species.boa-constrictor.clutchSize.likely'), { value: 35 })
    expect(problems(written(records, most), least)).toEqual([
      'data.value: Boa, hill form: Earliest, likely and latest must be in order',
    ])
  })

  it('breeds with its species: pairs, parents and loci know no difference', () => {
    const b = new HouseBuilder(today)
      .animal('F', 'boa-constrictor', { sex: 'female', bornDay: today - 3000 })
      .animal('M', 'dwarf', { sex: 'male', bornDay: today - 3000 })
      .animal('Y', 'dwarf', { bornDay: today - 100 })
    const records = [dwarf()].reduce(withEntry, b.records())
    expect(isOneSpecies(foldHouse(records), 'dwarf', 'boa-constrictor')).toBe(true)
    const paired = entry('p', 'paired', { type: 'pairing', id: 'p' }, { tag: 'P', damId: 'F', sireId: 'M' })
    const parents = entry(
      'q',
      'parentsStated',
      { type: 'animal', id: 'Y' },
      { damId: 'F', sires: [{ id: 'M', chance: 1 }], origin: 'bred' },
    )
    expect([...problems(records, paired), ...problems(records, parents)]).toEqual([])
    const other = entry('r', 'parentsStated', { type: 'animal', id: 'Y' }, { damId: null, sires: [], origin: 'bred' })
    expect(problems(records, other)).toEqual([])
  })

  it('does not bear its young otherwise', () => {
    expect(
      problems(nothing(), added('odd', { name: 'Odd', from: 'boa-constrictor', type: true, parts: { mode: 'egg' } })),
    ).toEqual(['data.parts: A type bears its young as its species does'])
  })
})

describe('the bench of a species with types', () => {
  it('holds both, and judges a female by the weight of her own type', () => {
    const b = new HouseBuilder(today)
    for (const [id, speciesId] of [
      ['D', 'boa-dwarf'],
      ['W', 'boa-constrictor'],
    ] as const) {
      b.animal(id, speciesId, { sex: 'female', bornDay: today - 4000 })
      b.write('weighed', { type: 'animal', id }, -5, { massG: 1600 })
    }
    b.animal('M', 'boa-constrictor', { sex: 'male', bornDay: today - 4000 })
    b.write('weighed', { type: 'animal', id: 'M' }, -5, { massG: 1500 })
    const house = foldHouse(b.records())
    const bench = benchOf({ house, almanac: shippedAlmanac, settings: defaultSettings, today }, 'boa-constrictor', [])!
    expect(bench.dams.map(d => d.tag)).toEqual(['D', 'W'])
    const said = bench.text.map(i => bench.texts[i]!)
    // 60 % of 2,200 g, and of 5,000 g (weights of usual adults, from memory)
    expect(said[0]).not.toMatch(/wait a year/)
    expect(said[1]).toBe('W weighs 1600 g, under 3000 g: wait a year')
  })
})

describe('an animal and its type', () => {
  it('may be told later, also of one that is paired; another species may not', () => {
    const b = new HouseBuilder(today)
      .animal('F', 'boa-constrictor', { sex: 'female', bornDay: today - 3000 })
      .animal('M', 'boa-constrictor', { sex: 'male', bornDay: today - 3000 })
    b.pair('F', 'M', -30)
    const corrected = (speciesId: string) =>
      problems(b.records(), entry('c', 'animalCorrected', { type: 'animal', id: 'F' }, { speciesId }))
    expect(corrected('boa-dwarf')).toEqual([])
    expect(corrected('rainbow-boa')).toEqual([expect.stringMatching(/F is set in a pair/)])
  })
})

describe('a species that was entered twice', () => {
  it('counts as the other in everything, and what is written of it stays', () => {
    const b = new HouseBuilder(today)
      .animal('F', 'hill-rat', { sex: 'female', bornDay: today - 2000 })
      .animal('M', 'corn-snake', { sex: 'male', bornDay: today - 2000 })
    const before = withEntry(b.records(), added('hill-rat', { name: 'Hill rat snake', from: 'milk-snake' }))
    const pair = entry('p', 'paired', { type: 'pairing', id: 'p' }, { tag: 'P', damId: 'F', sireId: 'M' })
    expect(problems(before, pair)).toEqual(['data.sireId: Dam and sire are of different species'])
    const merged = written(before, entry('z', 'speciesMerged', species('hill-rat'), { into: 'corn-snake' }))
    expect(problems(merged, pair)).toEqual([])
    const [one, other] = ['hill-rat', 'corn-snake'].map(id => speciesOf(almanacAfter(merged), id))
    expect({ ...one, id: '', name: '', latin: '', typeOf: undefined, retired: undefined }).toEqual({
      ...other,
      id: '',
      name: '',
      latin: '',
      typeOf: undefined,
      retired: undefined,
    })
    expect(one!.retired).toBe(true)
    expect(foldHouse(merged).animals.F!.speciesId).toBe('hill-rat')
  })

  it('is not one with what bears its young otherwise, nor with itself; a shipped one with none', () => {
    const records = written(nothing(), rat())
    const into = (id: string, other: string) =>
      problems(records, entry('z', 'speciesMerged', species(id), { into: other }))
    expect(into('hill-rat', 'rosy-boa').join()).toMatch(/bears its young otherwise/)
    expect(into('hill-rat', 'hill-rat').join()).toMatch(/one with itself/)
    expect(into('corn-snake', 'milk-snake').join()).toMatch(/Only a species that this house added/)
  })
})

describe('one animal with numbers of its own', () => {
  it('is fed by its own ladder; the others of its species are not, and pairs with them stand', () => {
    const b = new HouseBuilder(today)
    for (const id of ['A', 'B']) b.animal(id, 'milk-snake', { sex: 'female', bornDay: today - 200 })
    const ladder = [{ fromDay: 0, everyDays: 3, meal: [{ prey: 'mouse.pinky', count: 2 }], mark: 'own' }]
    const name = 'Milk snake: A'
    const records = written(
      b.records(),
      added('own-a', { name, from: 'milk-snake', type: true, parts: { ladder } }),
      entry('r', 'speciesRetired', species('own-a'), {}),
      entry('z', 'animalCorrected', { type: 'animal', id: 'A' }, { speciesId: 'own-a' }),
    )
    const { tasks } = season(records, almanacAfter(records), defaultSettings, today).season
    const fed = (id: string) => tasks.find(t => t.id === `feed:${id}`)!.what
    expect([fed('A'), fed('B')]).toEqual(['Feed 2 mouse pinkies, live', 'Feed 1 mouse hopper, live'])
    // taken back in the order in which one stands on the other
    const voided = entry('u', 'void', { type: 'entry', id: 'z' }, {})
    expect(foldHouse(written(records, voided)).animals.A!.speciesId).toBe('milk-snake')
    expect(problems(records, entry('u', 'void', { type: 'entry', id: 'own-a' }, {}))[0]).toMatch(/take that back first/)
  })
})

describe('a venomous species', () => {
  it('stays marked so, also where it is borrowed', () => {
    const sexing = { system: 'ZW', systemFrom: { mark: 'own' }, signs: [] }
    const message = 'data.parts.sexing: Eyelash viper is venomous: that stays said of it and of what is like it'
    const bare = entry('c', 'speciesChanged', species('eyelash-viper'), { parts: { sexing } })
    expect(problems(nothing(), bare)).toEqual([message])
    expect(problems(nothing(), added('v', { name: 'Other viper', from: 'eyelash-viper', parts: { sexing } }))).toEqual([
      message,
    ])
    expect(problems(nothing(), added('v', { name: 'Other viper', from: 'eyelash-viper' }))).toEqual([])
  })
})

describe('what contradicts itself is refused, with the field', () => {
  const corn = speciesOf(shippedAlmanac, 'corn-snake')
  const change = (parts: Record<string, unknown>) =>
    problems(nothing(), entry('c', 'speciesChanged', species('corn-snake'), { parts }))

  it.each<[string, Partial<Record<keyof Species, unknown>>, RegExp]>([
    [
      'clocks that run backward',
      { clocks: { 'laid>copulation': { ...corn.clocks['copulation>laid']!, from: 'laid', to: 'copulation' } } },
      /^data.parts.clocks.laid>copulation: This clock runs backward/,
    ],
    ['a ladder without a first step', { ladder: corn.ladder.slice(1) }, /ladder: The first step of a ladder/],
    [
      'a ladder whose steps are out of order',
      { ladder: [corn.ladder[0], corn.ladder[2], corn.ladder[1]] },
      /ladder: Each step of a ladder begins later/,
    ],
    [
      'prey that is not there',
      { ladder: [{ ...corn.ladder[0], meal: [{ prey: 'dragon', count: 1 }] }] },
      /ladder.0.meal.0.prey: The almanac has no feeder “dragon”/,
    ],
    [
      'a table that does not fall with warmth',
      { incubation: { ...corn.incubation, points: corn.incubation!.points.map(p => ({ ...p, days: 60 })) } },
      /incubation.points: Warmer must be quicker/,
    ],
    ['earliest after latest', { clutchSize: { ...corn.clutchSize, earliest: 90 } }, /clutchSize: Earliest, likely/],
    ['a winter without numbers', { cold: null }, /cold: A species with a winter needs/],
    ['what must be known', { clutchSize: null }, /clutchSize/],
    ['young heavier than adults', { youngMassG: { ...corn.youngMassG, value: 9000 } }, /youngMassG: Young weigh more/],
  ])('%s', (_, parts, message) => {
    expect(change(parts).join()).toMatch(message)
  })

  it('a name or a Latin name twice, and what takes over from nothing', () => {
    expect(problems(nothing(), added('a', { name: 'corn SNAKE', from: 'milk-snake' }))).toEqual([
      'data.name: The almanac has a Corn snake already',
    ])
    expect(
      problems(nothing(), added('a', { name: 'Red one', latin: 'pantherophis guttatus', from: 'milk-snake' })),
    ).toEqual(['data.latin: Pantherophis guttatus is in the almanac already, as Corn snake'])
    expect(problems(nothing(), added('a', { name: 'Nobody', from: 'nobody' }))).toEqual([
      'data.from: The almanac has no such species',
    ])
    expect(problems(nothing(), added('a', { name: 'Bare', from: null })).join()).toMatch(/data.parts.group/)
  })

  it('a part under a number of one’s own', () => {
    const own = entry('n', 'numberSet', number('species.corn-snake.ladder.4.everyDays'), { value: 12 })
    const records = written(nothing(), own)
    const short = entry('c', 'speciesChanged', species('corn-snake'), { parts: { ladder: corn.ladder.slice(0, 2) } })
    expect(problems(records, short)[0]).toMatch(/^data.parts: A number of your own stands on what this changes/)
  })
})

describe('what is kept of a species', () => {
  const kept = () => withEntry(new HouseBuilder(today).animal('R-1', 'hill-rat').records(), rat())
  const undo = (id: string) => entry(`undo-${id}`, 'void', { type: 'entry', id }, {})

  it('keeps it from being taken back; retired, it stands for what is written', () => {
    expect(problems(kept(), undo('hill-rat'))).toEqual([
      'subject.id: R-1 names what this brought into being; take that back first',
    ])
    expect(problems(written(nothing(), rat()), undo('hill-rat'))).toEqual([])
    const retired = written(kept(), entry('r', 'speciesRetired', species('hill-rat'), {}))
    expect(speciesOf(almanacAfter(retired), 'hill-rat').retired).toBe(true)
    expect(foldHouse(retired).animals['R-1']).toBeDefined()
    expect(
      speciesOf(almanacAfter(written(retired, entry('u', 'speciesUsed', species('hill-rat'), {}))), 'hill-rat').retired,
    ).toBeUndefined()
  })

  it('renamed, keeps its history', () => {
    const renamed = written(kept(), entry('c', 'speciesChanged', species('hill-rat'), { name: 'Fell rat snake' }))
    expect(speciesOf(almanacAfter(renamed), 'hill-rat').name).toBe('Fell rat snake')
    expect(foldHouse(renamed).animals['R-1']!.speciesId).toBe('hill-rat')
  })
})

describe('a feeder of one’s own', () => {
  const moth = () =>
    entry(
      'moth',
      'feederAdded',
      { type: 'feeder', id: 'moth' },
      { name: 'Wax moth', one: 'wax moth', many: 'wax moths', from: 'mealworm', parts: {} },
    )

  it('is taken over from a relative, and stands in a ladder', () => {
    const ladder = [{ fromDay: 0, everyDays: 2, meal: [{ prey: 'moth', count: 3 }], mark: 'own' }]
    const set = entry('c', 'speciesChanged', species('golden-mantella'), { parts: { ladder } })
    const almanac = almanacAfter(written(nothing(), moth(), set))
    expect(almanac.feeders.moth).toMatchObject({ name: 'Wax moth', supply: { kind: 'bought' } })
    // pack, wait, days on food, days kept, how cool it may stand
    expect(marksIn(almanac.feeders.moth!.supply)).toEqual(Array(5).fill('borrowed'))
    expect(speciesOf(almanac, 'golden-mantella').ladder).toEqual(ladder)
    expect(problems(nothing(), set).join()).toMatch(/The almanac has no feeder “moth”/)
  })

  it('cannot be taken back under a culture of it', () => {
    const b = new HouseBuilder(today)
    b.culture('M1', 'moth', -3)
    const records = withEntry(b.records(), moth())
    expect(problems(records, entry('undo', 'void', { type: 'entry', id: 'moth' }, {}))[0]).toMatch(/M1 names what/)
  })
})
