import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { defaultSettings, houseOf } from '#core/season'
import { cardOf, foldHouse, ownNumbers, recordsFrom, type DatedEntry, type House, type Place } from '#core/subjects'
import { planHere } from '../../../tests/fixtures/planHere'
import { fillOld, oldDatabase, type OldHouse } from '../../../tests/fixtures/oldHouse'
import { setMantelToday } from '../../../tests/fixtures/today'
import { alderYard } from '../../demo/alderYard'
import { HouseKeeper } from '../../house/houseKeeper'
import { openDatabase } from '../open'
import { allEntries } from '../repositories/entries'

const today = 20_782
let folder = ''
let file = ''
let db: Knex | null = null
beforeEach(() => {
  setMantelToday('2026-11-25')
  folder = mkdtempSync(join(tmpdir(), 'mantel-move-'))
  file = join(folder, 'old.sqlite')
})
afterEach(async () => {
  await db?.destroy()
  db = null
  rmSync(folder, { recursive: true, force: true })
})

const json = (settings: object) =>
  Object.fromEntries(Object.entries(settings).map(([key, value]) => [key, JSON.stringify(value)]))

/** What an old program could write: of places and of the house nothing but what they are. */
const ofThen = (entries: readonly DatedEntry[]) =>
  entries.filter(
    e => !['job', 'place', 'settings'].includes(e.subject.type) || ['placeAdded', 'settingsChanged'].includes(e.kind),
  )

/** The demo house in the form of the program before: cards in tables, the rest in the log. */
function oldDemo(): OldHouse {
  const { entries: all, settings } = alderYard(today)
  const entries = ofThen(all)
  const of = (kind: string) => entries.filter(e => e.kind === kind)
  return {
    places: of('placeAdded').map(e => ({ id: e.id, ...e.data }) as unknown as Place),
    animals: of('animalAdded').map(cardOf),
    entries: entries.filter(e => !['placeAdded', 'animalAdded', 'settingsChanged'].includes(e.kind)),
    settings: { ...json(settings), version: '7' },
    numbers: [{ path: 'species.corn-snake.fertility.value', value: 0.5, note: 'three seasons' }],
  }
}

/** What an old program made of the same rows: the order of animals and places included. */
const ordered = (house: House) => [Object.keys(house.animals), Object.keys(house.places)]

/** An old card says no day of coming; what is moved later has one either way. */
const withoutArrival = (house: House) => ({
  ...house,
  numbers: {},
  animals: Object.fromEntries(Object.entries(house.animals).map(([id, a]) => [id, { ...a, placedDay: undefined }])),
})

describe('cards, places, settings and own numbers become entries', () => {
  it('the demo house of the version before stands as it stood, with its history', async () => {
    const old = await oldDatabase(file, 3)
    const before = oldDemo()
    await fillOld(old, before)
    await old('devices').insert({
      id: 'd',
      name: 'Probe',
      kind: 'probe',
      place_id: before.places[0]!.id,
      token_hash: 'x',
    })
    await old('readings').insert({ device_id: 'd', at: 5, temp_c: 12 })
    await old('readings_hourly').insert({
      place_id: before.places[0]!.id,
      device_id: 'd',
      hour: 1,
      n: 1,
      sum_c: 12,
      min_c: 12,
      max_c: 12,
    })
    await old.destroy()
    db = await openDatabase(file)
    const { settings } = alderYard(today)
    const house = houseOf(recordsFrom(await allEntries(db)))
    const wanted = houseOf(recordsFrom(ofThen(alderYard(today).entries)))
    expect(withoutArrival(house)).toEqual(withoutArrival(wanted))
    expect(ordered(house)).toEqual(ordered(wanted))
    expect(ownNumbers(house)).toEqual([
      { path: 'species.corn-snake.fertility.value', value: 0.5, note: 'three seasons' },
    ])
    expect(house.settings.house!.settings).toEqual(settings)
    // nothing that was written is lost or changed, and what reads a place reads it still
    const kept = new Map((await allEntries(db)).map(e => [e.id, e]))
    for (const entry of before.entries) expect(kept.get(entry.id)).toEqual(entry)
    expect(kept.size).toBe(before.entries.length + before.places.length + before.animals.length + 2)
    expect(await db('devices').select('id', 'place_id')).toEqual([{ id: 'd', place_id: before.places[0]!.id }])
    expect([await db('readings').count({ n: '*' }), await db('readings_hourly').count({ n: '*' })]).toEqual([
      [{ n: 1 }],
      [{ n: 1 }],
    ])
    expect(await db.raw('PRAGMA foreign_keys')).toEqual([{ foreign_keys: 1 }])
    expect(await db.raw('PRAGMA foreign_key_check')).toEqual([])
    for (const table of ['animals', 'places', 'settings', 'almanac_overrides'])
      expect(await db.schema.hasTable(table), table).toBe(false)
  })

  it('a house of the first version too, and an empty one', async () => {
    const old = await oldDatabase(file, 1)
    await old('places').insert({ id: 'chest', name: 'Chest', kind: 'cold', walk_order: 1, temp_c: 12 })
    await old.destroy()
    db = await openDatabase(file)
    const { places } = houseOf(recordsFrom(await allEntries(db)))
    expect(places).toEqual({
      chest: { id: 'chest', name: 'Chest', kind: 'cold', parentId: null, order: 1, tempC: 12, capacity: null },
    })
    const empty = await oldDatabase(join(folder, 'empty.sqlite'), 3)
    await empty.destroy()
    const now = await openDatabase(join(folder, 'empty.sqlite'))
    expect(await allEntries(now)).toEqual([])
    await now.destroy()
  })

  it('young that were tagged keep to their tagging: taken back, they leave, and their tags are free', async () => {
    const old = await oldDatabase(file, 3)
    const tagging = '018f0000-0000-7000-8000-00000000aaaa'
    const of = (id: string, part: Partial<DatedEntry>): DatedEntry => ({
      id,
      at: '2026-11-20T08:00:00.000Z',
      day: today - 5,
      subject: { type: 'clutch', id: 'litter' },
      kind: 'tagged',
      data: {},
      source: 'keeper',
      ...part,
    })
    const card = {
      ...cardOf({ id: 'dam', data: { tag: 'B-1', speciesId: 'rosy-boa', sex: 'female', born: '2020-01-01' } }),
    }
    const blank = { name: null, placeId: null, damId: null, sireId: null, clutchId: null, foundedBy: null }
    await fillOld(old, {
      places: [],
      animals: [
        { ...card, ...blank },
        {
          ...card,
          ...blank,
          id: 'y1',
          tag: 'Y-1',
          sex: 'unknown',
          damId: 'dam',
          clutchId: 'litter',
          foundedBy: tagging,
        },
      ],
      entries: [
        of('pair', {
          subject: { type: 'pairing', id: 'pair' },
          kind: 'paired',
          data: { tag: 'P-1', damId: 'dam', sireId: null },
        }),
        of('litter', {
          subject: { type: 'pairing', id: 'pair' },
          kind: 'born',
          data: { tag: 'L-1', live: 3, still: 0, slugs: 0, placeId: null },
        }),
        of(tagging, { data: { count: 1 } }),
      ],
      settings: {},
      numbers: [],
    })
    await old.destroy()
    db = await openDatabase(file)
    const keeper = await HouseKeeper.open(db, await planHere())
    expect(keeper.house.animals.y1).toMatchObject({ tag: 'Y-1', foundedBy: tagging })
    await keeper.writer.write([
      {
        id: '018f0000-0000-7000-8000-00000000bbbb',
        at: '2026-11-25T08:00:00Z',
        subject: { type: 'entry', id: tagging },
        kind: 'void',
        data: {},
        source: 'keeper',
      },
    ])
    expect(keeper.house.animals.y1).toBeUndefined()
    await keeper.requests.addAnimal({
      tag: 'Y-1',
      name: null,
      speciesId: 'rosy-boa',
      sex: 'unknown',
      born: null,
      placeId: null,
    })
    expect(foldHouse(recordsFrom(await allEntries(db)))).toEqual(keeper.house)
  })

  it('a setting or an own number that could not be read is told as before, and the others stand', async () => {
    const old = await oldDatabase(file, 3)
    await fillOld(old, {
      places: [],
      animals: [],
      entries: [],
      settings: { ...json({ ...defaultSettings, houseName: 'North shed' }), schools: '{"warmUp": ', appetite: '900' },
      numbers: [{ path: 'species.gone.fertility.value', value: 0.5, note: null }],
    })
    await old.destroy()
    db = await openDatabase(file)
    const keeper = await HouseKeeper.open(db, await planHere())
    expect(keeper.session.settings).toEqual({ ...defaultSettings, houseName: 'North shed' })
    expect(keeper.session.overrides).toEqual([])
    const { season } = await keeper.queries.season()
    expect(season.alarms.map(a => a.text).sort()).toEqual([
      expect.stringMatching(/^The setting “.*” cannot be read/),
      expect.stringMatching(/^Your own number “species.gone.fertility.value” is set aside/),
    ])
  })

  it('cut off in the middle it is whole at the next start', async () => {
    const old = await oldDatabase(file, 3)
    await fillOld(old, oldDemo())
    // stands for a start that was cut off after the move and before it was noted
    await old.destroy()
    const first = await openDatabase(file)
    await first('knex_migrations').where({ name: '004-one-log' }).delete()
    const count = (await allEntries(first)).length
    await first.destroy()
    db = await openDatabase(file)
    expect(await allEntries(db)).toHaveLength(count)
  })
})
