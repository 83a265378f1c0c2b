import { describe, expect, it } from 'vitest'
import { defaultSettings } from '#core/season'
import {
  HouseSettings,
  MOST_ENTRIES,
  NewAnimal,
  NewPlace,
  ReadEntries,
  SetOverride,
  TagYoung,
  WriteEntries,
} from './house'

const paths = (result: { error?: { issues: { path: PropertyKey[] }[] } }) =>
  result.error?.issues.map(i => i.path.join('.')) ?? []

describe('the contracts of the API', () => {
  it('an animal needs a tag and a species; the rest has defaults', () => {
    expect(NewAnimal.parse({ tag: ' K-1 ', speciesId: 'corn-snake' })).toEqual({
      tag: 'K-1',
      name: null,
      speciesId: 'corn-snake',
      sex: 'unknown',
      born: null,
      placeId: null,
    })
    expect(paths(NewAnimal.safeParse({ tag: '', speciesId: '' }))).toEqual(['tag', 'speciesId'])
    expect(paths(NewAnimal.safeParse({ tag: 'K-1', speciesId: 'x', sex: 'both' }))).toEqual(['sex'])
    expect(paths(NewAnimal.safeParse({ tag: 'K-1', speciesId: 'x', born: '25.11.2026' }))).toEqual(['born'])
  })

  it('a place has a believable temperature', () => {
    expect(NewPlace.parse({ name: 'Room', kind: 'room' })).toEqual({
      name: 'Room',
      kind: 'room',
      parentId: null,
      order: 0,
      tempC: null,
      capacity: null,
    })
    expect(NewPlace.safeParse({ name: 'Room', kind: 'room', tempC: 82 }).error!.issues[0]!.message).toMatch(
      /check the unit/,
    )
    expect(paths(NewPlace.safeParse({ name: ' ', kind: 'attic' }))).toEqual(['name', 'kind'])
  })

  it('at least one entry and at most 500 at once', () => {
    const entry = {
      id: '018f0000-0000-7000-8000-000000000001',
      at: '2026-11-25T08:00:00Z',
      subject: { type: 'animal', id: 'a' },
      kind: 'shed',
      data: {},
    }
    expect(WriteEntries.parse({ entries: [entry] }).entries[0]).toEqual({ ...entry, source: 'keeper' })
    expect(WriteEntries.safeParse({ entries: [] }).success).toBe(false)
    expect(WriteEntries.safeParse({ entries: new Array(MOST_ENTRIES + 1).fill(entry) }).success).toBe(false)
    expect(paths(WriteEntries.safeParse({ entries: [{ ...entry, subject: { type: '', id: 'a' } }] }))).toEqual([
      'entries.0.subject.type',
    ])
    expect(WriteEntries.safeParse({ entries: [{ ...entry, note: 'x'.repeat(2001) }] }).success).toBe(false)
  })

  it('entries are read by day or by subject', () => {
    expect(ReadEntries.parse({ day: '2026-11-25' })).toEqual({ day: '2026-11-25' })
    expect(ReadEntries.parse({ subjectType: 'animal', subjectId: 'a', limit: '20' })).toEqual({
      subjectType: 'animal',
      subjectId: 'a',
      limit: 20,
    })
    expect(ReadEntries.safeParse({}).success).toBe(false)
    expect(ReadEntries.safeParse({ day: 'today' }).success).toBe(false)
  })

  it('tags go to between one and 300 young', () => {
    expect(TagYoung.safeParse({ count: 0, prefix: 'A' }).success).toBe(false)
    expect(TagYoung.safeParse({ count: 301, prefix: 'A' }).success).toBe(false)
    expect(TagYoung.parse({ count: 300, prefix: 'A' })).toEqual({ count: 300, prefix: 'A', placeId: null })
  })

  it('an own number is a number', () => {
    expect(SetOverride.safeParse({ path: 'a.b.c', value: Number.NaN }).success).toBe(false)
    expect(SetOverride.safeParse({ path: 'a.b.c', value: '5' }).success).toBe(false)
    expect(SetOverride.safeParse({ path: 'a.b.c', value: 5, note: 'three seasons' }).success).toBe(true)
  })

  it.each([
    ['houseName', ''],
    ['timeZone', 'Moon/Crater'],
    ['cultureWeekday', 7],
    ['coverQuantile', 0.2],
    ['coverQuantile', 1],
    ['appetite', 0],
    ['cupYield', 9],
    ['massUnit', 'stone'],
    ['warmUpDay', 1.5],
  ])('settings refuse %s = %s', (key, value) => {
    expect(paths(HouseSettings.safeParse({ ...defaultSettings, [key]: value }))).toEqual([key])
  })

  it('the defaults are settings', () => {
    expect(HouseSettings.parse(defaultSettings)).toEqual(defaultSettings)
  })
})
