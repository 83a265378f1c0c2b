import { readFileSync } from 'node:fs'
import { z } from 'zod'
import { describe, expect, it } from 'vitest'
import { moths } from '../../tests/fixtures/moths'
import {
  MOST_SHEET_BYTES,
  Sheet,
  planSheet,
  readSheet,
  readableSheet,
  sheetOf,
  shipped,
  shippedAlmanac as almanac,
  withOverrides,
  withOwn,
  type OwnSpecies,
} from '.'

const own: OwnSpecies = {
  id: '018f0000-0000-7000-8000-0000000000aa',
  added: true,
  from: 'corn-snake',
  type: false,
  name: 'Hill rat snake',
  latin: '',
  parts: {},
  retired: false,
}
const withHill = withOwn(shipped, { species: [own], feeders: [], numbers: [] }).almanac
let n = 0
const newId = () => `018f0000-0000-7000-8000-${String(++n).padStart(12, '0')}`
const overTheWire = (sheet: Sheet) => readSheet(JSON.stringify(sheet)) as Sheet

describe('a sheet', () => {
  it('says the same when it is written and read', () => {
    const sheet = sheetOf(withHill, [own.id, 'boa-dwarf'])
    expect(overTheWire(sheet)).toEqual(sheet)
  })

  it('brings along the species of a type, and every feeder of a ladder', () => {
    const sheet = sheetOf(almanac, ['boa-dwarf'])
    expect(sheet.species.map(s => s.id)).toEqual(['boa-constrictor', 'boa-dwarf'])
    expect(sheet.feeders.map(f => f.id)).toContain('rat.small')
  })

  it('is published as a schema, which is that of this program', () => {
    const published = JSON.parse(readFileSync('docs/sheet.schema.json', 'utf8')) as unknown
    expect(published).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(Sheet))))
  })

  it.each([
    ['not JSON', '{', /not JSON/],
    ['something else', '{"species":[]}', /not a sheet/],
    ['a list', '[1]', /not a sheet/],
    ['nothing', 'null', /not a sheet/],
    ['of a newer program', '{"mantelSheet":2}', /newer Mantel \(form 2/],
    ['too large', ' '.repeat(MOST_SHEET_BYTES + 1), /larger than 5 MB/],
    ['a field that is not known', '{"mantelSheet":1,"species":[],"feeders":[],"more":1}', /more/],
    ['a species without a ladder', '{"mantelSheet":1,"species":[{"id":"x"}],"feeders":[]}', /^species.0/],
  ])('%s is refused in words', (_, text, message) => {
    expect(readSheet(text)).toMatch(message)
  })
})

describe('what taking a sheet over would do', () => {
  it('nothing where all is here already', () => {
    const plan = planSheet(overTheWire(sheetOf(almanac, ['corn-snake'])), almanac, newId)
    expect(plan).toMatchObject({ added: [], changed: [], problems: [], facts: [] })
    expect(plan.same).toBeGreaterThan(3)
  })

  it('adds what is not here, under its own id, with all that it says', () => {
    const plan = planSheet(overTheWire(sheetOf(withHill, [own.id])), almanac, newId)
    expect(plan.added).toEqual([{ id: own.id, name: 'Hill rat snake', of: 'species' }])
    expect(plan.problems).toEqual([])
    const { data } = plan.facts[0]!
    const made = withOwn(shipped, {
      species: [{ ...own, from: null, parts: data.parts as OwnSpecies['parts'] }],
      feeders: [],
      numbers: [],
    }).almanac
    expect(made.species[own.id]).toEqual(withHill.species[own.id])
  })

  it('names the parts that differ, and only those', () => {
    const mine = withOverrides(almanac, [{ path: 'species.corn-snake.fertility.value', value: 0.5 }])
    const plan = planSheet(overTheWire(sheetOf(mine, ['corn-snake'])), almanac, newId)
    expect(plan.changed).toEqual([{ id: 'corn-snake', name: 'Corn snake', part: 'fertility' }])
    expect(plan.facts[0]).toMatchObject({ kind: 'speciesChanged', data: { parts: { fertility: { value: 0.5 } } } })
  })

  it('tells what cannot be taken: a name that another has, another animal under one id', () => {
    const twin = { ...withHill.species[own.id]!, name: 'Corn snake' }
    expect(planSheet({ mantelSheet: 1, species: [twin], feeders: [] }, almanac, newId).problems).toEqual([
      'Corn snake: The almanac has a Corn snake already',
    ])
    const live = { ...almanac.species['corn-snake']!, mode: 'live' as const }
    expect(planSheet({ mantelSheet: 1, species: [live], feeders: [] }, almanac, newId).problems[0]).toMatch(
      /another animal/,
    )
  })

  it('gives an id to what has none that an entry could bear, and follows it through types and ladders', () => {
    const snake = { ...almanac.species['corn-snake']!, id: 'cliff-snake', name: 'Cliff snake', latin: '' }
    const moth = { ...almanac.feeders.mealworm!, id: 'moth', name: 'Moth', one: 'moth', many: 'moths' }
    const ladder = [{ fromDay: 0, everyDays: 2, meal: [{ prey: 'moth', count: 2 }], mark: 'own' as const }]
    const type = { ...snake, id: 'pale', name: 'Cliff snake, pale', typeOf: 'cliff-snake', ladder }
    const plan = planSheet({ mantelSheet: 1, species: [snake, type], feeders: [moth] }, almanac, newId)
    expect(plan.problems).toEqual([])
    const [feeder, species, ofIt] = plan.facts
    expect(ofIt!.data).toMatchObject({ type: true, from: species!.id })
    expect((ofIt!.data.parts as { ladder: typeof ladder }).ladder[0]!.meal[0]!.prey).toBe(feeder!.id)
  })
})

describe('feeders that name each other', () => {
  const [small, large] = ['01890000-0000-7000-8000-0000000000a1', '01890000-0000-7000-8000-0000000000a2']
  const here = {
    ...almanac,
    feeders: { ...almanac.feeders, ...Object.fromEntries(moths(small!, large!).map(m => [m.id, m])) },
  }

  it('go out together where they are of the house; what is shipped is there wherever one reads', () => {
    expect(sheetOf(here, [], [small!]).feeders.map(f => f.id)).toEqual([small, large])
    expect(sheetOf(here, [], [large!]).feeders.map(f => f.id)).toEqual([large, small])
    expect(sheetOf(here, [], ['cricket.quarter']).feeders.map(f => f.id)).toEqual(['cricket.quarter'])
  })
})

describe('a sheet to read', () => {
  it('names every number with where it is from', () => {
    const text = readableSheet(withHill.species[own.id]!, withHill)
    expect(text).toMatch(/^# Hill rat snake/)
    expect(text).toMatch(/\| At 28 °C \| 60 days \| borrowed from Corn snake \|/)
    expect(readableSheet(almanac.species['hermanns-tortoise']!, almanac)).toMatch(/> Protected: permits/)
  })
})
