import { describe, expect, it } from 'vitest'
import { HouseBuilder, dated } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { defaultSettings } from '../settings'
import { THE_HOUSE, checkEntry, foldHouse, ownNumbers, withEntry, type DatedEntry, type Records } from '.'

const today = 20_782
const fold = (records: Records) => foldHouse(records)
const problems = (records: Records, entry: DatedEntry) =>
  checkEntry(entry, { records, house: fold(records), almanac: shippedAlmanac, today }).map(
    p => `${p.path}: ${p.message}`,
  )
const after = (records: Records, ...entries: DatedEntry[]) => fold(entries.reduce(withEntry, records))

const animal = (id: string) => ({ type: 'animal', id })
const correct = (id: string, data: Record<string, unknown>, at = today): DatedEntry =>
  dated(at, { id: `fix-${id}-${JSON.stringify(data)}`, kind: 'animalCorrected', subject: animal(id), data })
const undo = (id: string) => dated(today, { id: `undo-${id}`, kind: 'void', subject: { type: 'entry', id }, data: {} })

const kings = () =>
  new HouseBuilder(today)
    .place('tub')
    .animal('K-1', 'corn-snake', { sex: 'female', bornDay: today - 1500, placeId: 'tub' })
    .animal('K-2', 'corn-snake', { sex: 'male', bornDay: today - 1500 })
    .animal('Y-1', 'corn-snake', { bornDay: today - 100, damId: 'K-1', sireId: 'K-2' })

describe('a card is corrected by an entry, and stands as before when that is taken back', () => {
  it('tag, name, birth and sex as stated; what was found out since stands', () => {
    const records = kings().records()
    const fix = correct('K-2', { tag: 'K-20', name: 'Bram', sex: 'unknown', born: '2022-05-01' })
    expect(problems(records, fix)).toEqual([])
    const corrected = after(records, fix).animals['K-2']!
    expect(corrected).toMatchObject({
      tag: 'K-20',
      name: 'Bram',
      sex: 'unknown',
      statedSex: 'unknown',
      bornDay: 19_113,
    })
    expect(after(records, fix, undo(fix.id)).animals['K-2']).toEqual(fold(records).animals['K-2'])
    const proved = dated(today, {
      id: 'p',
      kind: 'sexProved',
      subject: animal('Y-1'),
      data: { proof: 'dna', says: 'male' },
    })
    expect(after(records, proved, correct('Y-1', { sex: 'female' })).animals['Y-1']).toMatchObject({
      sex: 'male',
      statedSex: 'female',
    })
  })

  it('keeps its own tag, and takes no other’s', () => {
    expect(problems(kings().records(), correct('K-1', { tag: 'k-1' }))).toEqual([])
    expect(problems(kings().records(), correct('K-1', { tag: 'k-2' }))).toEqual([
      'data.tag: The tag k-2 is already in use',
    ])
  })

  it('a birth after its entries, after its young, or in the future is refused', () => {
    const b = kings()
    b.write('weighed', animal('K-2'), -30, { massG: 300 })
    const born = (id: string, day: string) => problems(b.records(), correct(id, { born: day }))[0]
    expect(born('K-2', '2026-11-20')).toBe('data.born: Entries of K-2 lie before this day')
    expect(born('K-1', '2026-11-20')).toMatch(/^data.born: /)
    expect(born('Y-1', '2022-11-01')).toMatch(/^data.born: K-1 /)
    expect(born('Y-1', '2026-12-20')).toBe('data.born: It cannot be born in the future')
    expect(born('Y-1', '2026-09-01')).toBeUndefined()
  })

  it('a species or a sex from which something follows is not changed under it', () => {
    const b = kings()
    b.animal('F-1', 'corn-snake', { sex: 'female' })
    expect(problems(b.records(), correct('F-1', { speciesId: 'milk-snake' }))).toEqual([])
    expect(problems(b.records(), correct('K-1', { speciesId: 'milk-snake' }))[0]).toMatch(
      /K-1 has young of its species/,
    )
    expect(problems(b.records(), correct('K-1', { sex: 'male' }))[0]).toMatch(/^data.sex: /)
    b.pair('F-1', 'K-2', -20)
    expect(problems(b.records(), correct('F-1', { speciesId: 'milk-snake' }))[0]).toMatch(/F-1 is set in a pair/)
    expect(problems(b.records(), correct('F-1', { sex: 'male' }))).toEqual(['data.sex: F-1 is the female of pair-F-1'])
  })

  it('also of one that has died or left', () => {
    const b = kings()
    b.write('died', animal('K-2'), -3)
    expect(problems(b.records(), correct('K-2', { name: 'Bram' }))).toEqual([])
    expect(problems(b.records(), correct('K-2', {}))).toEqual(['data: Nothing is corrected by this'])
  })
})

describe('animals and places come and go by entries', () => {
  it('one added by mistake is taken back, unless something names it or was written of it', () => {
    const b = kings()
    expect(problems(b.records(), undo('Y-1'))).toEqual([])
    expect(after(b.records(), undo('Y-1')).animals['Y-1']).toBeUndefined()
    expect(problems(b.records(), undo('K-1'))).toEqual([
      'subject.id: Y-1 names what this brought into being; take that back first',
    ])
    b.write('shed', animal('Y-1'), -1)
    expect(problems(b.records(), undo('Y-1'))).toEqual([
      'subject.id: 1 later entry stands on this one; take those back first',
    ])
    expect(problems(b.records(), undo('tub'))).toEqual([
      'subject.id: K-1 names what this brought into being; take that back first',
    ])
  })

  it('a dam must be one, and of the species', () => {
    const young = (damId: string, part: Record<string, unknown> = {}) =>
      dated(today, {
        id: 'n',
        kind: 'animalAdded',
        subject: animal('n'),
        data: { tag: 'N', speciesId: 'corn-snake', born: '2026-11-01', damId, ...part },
      })
    const records = kings().records()
    expect(problems(records, young('K-1'))).toEqual([])
    expect(problems(records, young('K-2'))[0]).toMatch(/^data.damId: /)
    expect(problems(records, young('K-1', { speciesId: 'milk-snake' }))[0]).toMatch(/^data.damId: /)
    expect(problems(records, young('nobody'))).toEqual(['data.damId: There is no such animal'])
  })

  it('a place is changed field by field, and never stands in itself', () => {
    const b = kings().place('shelf', { parentId: 'tub', tempC: 24 })
    const change = (id: string, data: Record<string, unknown>) =>
      dated(today, { id: `c-${id}`, kind: 'placeChanged', subject: { type: 'place', id }, data })
    expect(problems(b.records(), change('tub', { parentId: 'shelf' }))).toEqual([
      'data.parentId: A place cannot stand inside itself',
    ])
    const moved = after(b.records(), change('shelf', { parentId: null })).places.shelf
    expect(moved).toMatchObject({ parentId: null, tempC: 24, name: 'shelf' })
  })
})

describe('settings and own numbers are written like all else', () => {
  const setting = (id: string, data: Record<string, unknown>) =>
    dated(today, { id, kind: 'settingsChanged', subject: { type: 'settings', id: THE_HOUSE }, data })
  const number = (id: string, kind: string, path: string, data: Record<string, unknown> = {}) =>
    dated(today, { id, kind, subject: { type: 'number', id: path }, data })
  const fertility = 'species.corn-snake.fertility.value'

  it('a change says only what changes, and taken back it is as before', () => {
    const records = kings().records()
    const [first, second] = [setting('1', { appetite: 1.2 }), setting('2', { cultureWeekday: 3 })]
    expect(problems(records, first)).toEqual([])
    const both = after(records, first, second).settings.house!.settings
    expect(both).toEqual({ ...defaultSettings, appetite: 1.2, cultureWeekday: 3 })
    expect(after(records, first, second, undo('1')).settings.house!.settings).toEqual({
      ...defaultSettings,
      cultureWeekday: 3,
    })
  })

  it('what the house or the almanac does not have is refused', () => {
    const b = kings()
    expect(problems(b.records(), setting('1', { timeZone: 'Europe/Berlin' }))).toEqual([])
    b.write('shed', animal('K-1'), -1)
    // what was written for a day stays on it, in whatever zone
    expect(problems(b.records(), setting('1', { timeZone: 'Europe/Berlin' }))[0]).toMatch(
      /^data.sure: No written entry changes its day/,
    )
    expect(problems(b.records(), setting('1', { timeZone: 'Europe/Berlin', sure: true }))).toEqual([])
    expect(problems(b.records(), setting('1', { warmUpDay: today + 900 }))[0]).toMatch(/^data.warmUpDay: /)
    expect(problems(b.records(), setting('1', { schools: { constructor: 'x' } }))).toEqual([
      'data.schools.constructor: There is no such school or choice',
    ])
    const other = dated(today, { id: '1', kind: 'settingsChanged', subject: { type: 'settings', id: 'x' }, data: {} })
    expect(problems(b.records(), other)).toEqual(['subject.id: This is not among the settings of the house'])
  })

  it('an own number stands until it is dropped or taken back', () => {
    const records = kings().records()
    const set = number('1', 'numberSet', fertility, { value: 0.5, note: 'three seasons' })
    expect(problems(records, set)).toEqual([])
    expect(ownNumbers(after(records, set))).toEqual([{ path: fertility, value: 0.5, note: 'three seasons' }])
    const dropped = number('2', 'numberDropped', fertility)
    expect(problems(records, dropped)).toEqual(['subject.id: The house has no number of its own there'])
    expect(problems(withEntry(records, set), dropped)).toEqual([])
    expect(ownNumbers(after(records, set, dropped))).toEqual([])
    expect(ownNumbers(after(records, set, dropped, undo('2')))).toHaveLength(1)
    expect(problems(records, number('3', 'numberSet', 'species.gone.fertility.value', { value: 1 }))[0]).toMatch(
      /^data.value: The almanac has no number/,
    )
  })
})
