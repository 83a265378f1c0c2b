import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import knex, { type Knex } from 'knex'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { AnimalCard, DatedEntry, Place } from '#core/logbook'
import { defaultSettings } from '#core/season'
import { alderYard } from '../demo/alderYard'
import { fillWithDemo } from '../demo/fill'
import { migrationSource } from './migrations'
import { openDatabase } from './open'
import {
  allAnimals,
  allPlaces,
  deleteAnimalsFoundedBy,
  insertAnimals,
  insertPlaces,
  updatePlace,
} from './repositories/cards'
import { allDevices, insertDevice } from './repositories/devices'
import {
  allEntries,
  entriesByIds,
  entriesOfDay,
  entriesOfSubject,
  insertEntries,
  voidedAmong,
} from './repositories/entries'
import { deleteOverride, readOverrides, readSettings, writeOverride, writeSettings } from './repositories/ways'

let db: Knex
let folder = ''
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'mantel-db-'))
  db = await openDatabase(join(folder, 'deep', 'house.sqlite'))
})
afterEach(async () => {
  await db.destroy()
  rmSync(folder, { recursive: true, force: true })
})

const entry = (id: string, part: Partial<DatedEntry> = {}): DatedEntry => ({
  id,
  at: '2026-11-25T08:00:00.000Z',
  day: 20_782,
  subject: { type: 'animal', id: 'a' },
  kind: 'weighed',
  data: { massG: 12.5 },
  source: 'keeper',
  ...part,
})
const card = (id: string, part: Partial<AnimalCard> = {}): AnimalCard => ({
  id,
  tag: id,
  name: null,
  speciesId: 'corn-snake',
  sex: 'unknown',
  bornDay: null,
  placeId: null,
  damId: null,
  sireId: null,
  clutchId: null,
  foundedBy: null,
  ...part,
})
const place = (id: string, part: Partial<Place> = {}): Place => ({
  id,
  name: id,
  kind: 'room',
  parentId: null,
  order: 1,
  tempC: null,
  capacity: null,
  ...part,
})

describe('the database', () => {
  it('makes its folder, and runs with WAL and foreign keys', async () => {
    expect(await db.raw('PRAGMA journal_mode')).toEqual([{ journal_mode: 'wal' }])
    expect(await db.raw('PRAGMA foreign_keys')).toEqual([{ foreign_keys: 1 }])
  })

  it('gives entries back as they were written, newest first by subject, and by day', async () => {
    const rows = [
      entry('1', { note: 'calm' }),
      entry('2', { at: '2026-11-26T08:00:00.000Z', day: 20_783 }),
      entry('3', { subject: { type: 'clutch', id: 'c' }, kind: 'candled', data: { good: 3 } }),
    ]
    await insertEntries(db, rows)
    expect((await allEntries(db)).sort((a, b) => (a.id < b.id ? -1 : 1))).toEqual(rows)
    expect((await entriesOfSubject(db, { type: 'animal', id: 'a' }, 10)).map(e => e.id)).toEqual(['2', '1'])
    expect((await entriesOfSubject(db, { type: 'animal', id: 'a' }, 1)).map(e => e.id)).toEqual(['2'])
    expect((await entriesOfDay(db, 20_782)).map(e => e.id).sort()).toEqual(['1', '3'])
    expect((await entriesByIds(db, ['3', 'nothing'])).map(e => e.id)).toEqual(['3'])
  })

  it('knows what was taken back', async () => {
    await insertEntries(db, [
      entry('1'),
      entry('2'),
      entry('v', { kind: 'void', subject: { type: 'entry', id: '1' }, data: {} }),
    ])
    expect(await voidedAmong(db, ['1', '2'])).toEqual(new Set(['1']))
  })

  it('writes an id once only', async () => {
    await insertEntries(db, [entry('1')])
    await expect(insertEntries(db, [entry('1')])).rejects.toThrow(/UNIQUE/)
  })

  it('a batch that fails leaves nothing', async () => {
    await insertEntries(db, [entry('1')])
    await expect(
      db.transaction(async trx => {
        await insertEntries(trx, [entry('2'), entry('1')])
      }),
    ).rejects.toThrow()
    expect(await allEntries(db)).toHaveLength(1)
  })

  it('keeps cards, whose places, parents and founding entries must be there', async () => {
    await insertPlaces(db, [place('room')])
    await insertEntries(db, [entry('f')])
    await insertAnimals(db, [
      card('dam', { placeId: 'room' }),
      card('young', { damId: 'dam', foundedBy: 'f', bornDay: 20_000 }),
    ])
    expect((await allAnimals(db)).map(a => a.id)).toEqual(['dam', 'young'])
    await expect(insertAnimals(db, [card('x', { placeId: 'nowhere' })])).rejects.toThrow(/FOREIGN KEY/)
    await expect(insertAnimals(db, [card('y', { tag: 'dam' })])).rejects.toThrow(/UNIQUE/)
    await deleteAnimalsFoundedBy(db, 'f')
    expect((await allAnimals(db)).map(a => a.id)).toEqual(['dam'])
  })

  it('changes a place', async () => {
    await insertPlaces(db, [
      place('room'),
      place('tub', { parentId: 'room', kind: 'tub', tempC: 24.5, capacity: null }),
    ])
    await updatePlace(db, place('tub', { parentId: 'room', kind: 'incubator', tempC: 29, capacity: null }))
    expect((await allPlaces(db)).find(p => p.id === 'tub')).toEqual(
      place('tub', { parentId: 'room', kind: 'incubator', tempC: 29, capacity: null }),
    )
  })

  it('keeps settings and own numbers; settings that no longer fit become the default', async () => {
    expect(await readSettings(db)).toEqual({ settings: defaultSettings, version: 0, unreadable: [] })
    const mine = { ...defaultSettings, houseName: 'North shed', cultureWeekday: 4, schools: { rodentSize: 'widest' } }
    await writeSettings(db, mine, 4)
    expect(await readSettings(db)).toEqual({ settings: mine, version: 4, unreadable: [] })
    await db('settings').where({ key: 'cultureWeekday' }).update({ value: '99' })
    await db('settings').where({ key: 'appetite' }).update({ value: '{broken' })
    // each for itself: the name and the rest stand
    expect(await readSettings(db)).toEqual({
      settings: { ...mine, cultureWeekday: defaultSettings.cultureWeekday },
      version: 4,
      unreadable: ['cultureWeekday', 'appetite'],
    })
    await writeOverride(db, { path: 'a.b', value: 2 })
    await writeOverride(db, { path: 'a.b', value: 3, note: 'three seasons' })
    expect(await readOverrides(db)).toEqual([{ path: 'a.b', value: 3, note: 'three seasons' }])
    await deleteOverride(db, 'a.b')
    expect(await readOverrides(db)).toEqual([])
  })

  it('migrates a filled database again without loss, and only forward', async () => {
    const demo = alderYard(20_782)
    expect(await fillWithDemo(db, demo)).toBe(true)
    const before = [(await allEntries(db)).length, (await allAnimals(db)).length]
    expect(before).toEqual([demo.entries.length, demo.animals.length])
    await db.migrate.latest({ migrationSource })
    expect([(await allEntries(db)).length, (await allAnimals(db)).length]).toEqual(before)
    const [first] = await migrationSource.getMigrations([])
    const migration = await migrationSource.getMigration(first!)
    await expect(migration.down!(db)).rejects.toThrow(/forward only/)
  })

  it('brings a database of the first version up to date, with what it holds', async () => {
    const file = join(folder, 'old.sqlite')
    const old = knex({ client: 'better-sqlite3', connection: { filename: file }, useNullAsDefault: true })
    const migrations = await migrationSource.getMigrations([])
    await old.migrate.latest({
      migrationSource: { ...migrationSource, getMigrations: async () => migrations.slice(0, 1) },
    })
    await old('places').insert({ id: 'chest', name: 'Chest', kind: 'cold', walk_order: 1, temp_c: 12 })
    await insertAnimals(old, [card('a', { placeId: 'chest' })])
    await insertEntries(old, [entry('1', { kind: 'cooledDown', data: {} })])
    await old.destroy()
    const now = await openDatabase(file)
    expect(await allPlaces(now)).toEqual([place('chest', { name: 'Chest', kind: 'cold', tempC: 12 })])
    expect([(await allEntries(now)).length, (await allAnimals(now)).length]).toEqual([1, 1])
    await insertDevice(now, {
      id: 'd',
      name: 'Probe',
      kind: 'probe',
      placeId: 'chest',
      tokenHash: 'x',
      simulated: false,
    })
    expect((await allDevices(now)).map(d => d.name)).toEqual(['Probe'])
    await now.destroy()
  })

  it('the demo never goes into a database that holds anything', async () => {
    await insertAnimals(db, [card('mine')])
    expect(await fillWithDemo(db, alderYard(20_782))).toBe(false)
    expect(await allAnimals(db)).toHaveLength(1)
  })
})
