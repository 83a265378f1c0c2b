import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { DatedEntry } from '#core/subjects'
import { alderYard } from '../demo/alderYard'
import { fillWithDemo } from '../demo/fill'
import { migrationSource } from './migrations'
import { openDatabase } from './open'
import {
  allEntries,
  entriesByIds,
  entriesOfDay,
  entriesOfSubject,
  insertEntries,
  voidedAmong,
} from './repositories/entries'

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
      entry('4', { subject: { type: 'egg', id: 'e' }, v: 3, recordedAt: '2026-11-25T08:01:00.000Z', by: 'Ann' }),
    ]
    await insertEntries(db, rows)
    expect((await allEntries(db)).sort((a, b) => (a.id < b.id ? -1 : 1))).toEqual(rows)
    expect((await entriesOfSubject(db, { type: 'animal', id: 'a' }, 10)).map(e => e.id)).toEqual(['2', '1'])
    expect((await entriesOfSubject(db, { type: 'animal', id: 'a' }, 1)).map(e => e.id)).toEqual(['2'])
    expect((await entriesOfDay(db, 20_782)).map(e => e.id).sort()).toEqual(['1', '3', '4'])
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

  it('migrates a filled database again without loss, and only forward', async () => {
    const demo = alderYard(20_782)
    expect(await fillWithDemo(db, demo)).toBe(true)
    expect(await allEntries(db)).toHaveLength(demo.entries.length)
    await db.migrate.latest({ migrationSource })
    expect(await allEntries(db)).toHaveLength(demo.entries.length)
    const [first] = await migrationSource.getMigrations([])
    const migration = await migrationSource.getMigration(first!)
    await expect(migration.down!(db)).rejects.toThrow(/forward only/)
  })

  it('the demo never goes into a database that holds anything', async () => {
    await insertEntries(db, [entry('mine')])
    expect(await fillWithDemo(db, alderYard(20_782))).toBe(false)
    expect(await allEntries(db)).toHaveLength(1)
  })
})
