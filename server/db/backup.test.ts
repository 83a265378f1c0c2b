import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { DatedEntry } from '#core/subjects'
import { backupFolder, backupTo, checkDatabaseFile, listBackups, makeBackup, restoreBackup } from './backup'
import { backupsToDrop, type BackupKind } from './backupRotation'
import { lockDatabase } from './lock'
import { openDatabase } from './open'
import { DatabaseProblem, databaseProblem } from './problems'
import { allEntries, insertEntries } from './repositories/entries'

let folder = ''
let file = ''
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'mantel-backup-'))
  file = join(folder, 'house.sqlite')
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

const entry = (id: string): DatedEntry => ({
  id,
  at: '2026-11-25T08:00:00.000Z',
  day: 20_782,
  subject: { type: 'animal', id: 'a' },
  kind: 'weighed',
  data: { massG: 12.5 },
  source: 'keeper',
})
const now = new Date('2026-11-25T03:15:00Z')
const idsIn = async (path: string) => {
  const db = await openDatabase(path)
  const ids = (await allEntries(db)).map(e => e.id).sort()
  await db.destroy()
  return ids
}

describe('a backup', () => {
  it('of a house in use holds what only its log holds yet, is one file, and is read through', async () => {
    const db = await openDatabase(file)
    await insertEntries(db, [entry('1'), entry('2')])
    // nothing of it has come into the file itself: copying that alone would lose it
    expect(readFileSync(file).includes('massG')).toBe(false)
    const made = await makeBackup(file, 'asked', now)
    expect(made).toMatchObject({
      name: 'house-2026-11-25T031500Z-asked.sqlite',
      kind: 'asked',
      at: '2026-11-25T03:15:00.000Z',
    })
    expect(existsSync(join(backupFolder(file), `${made.name}-wal`))).toBe(false)
    await insertEntries(db, [entry('3')])
    await db.destroy()
    expect(await idsIn(join(backupFolder(file), made.name))).toEqual(['1', '2'])
    expect(listBackups(file).map(b => b.name)).toEqual([made.name])
  })

  it('goes back in place, and the present house is kept aside with its log', async () => {
    const db = await openDatabase(file)
    await insertEntries(db, [entry('1')])
    await backupTo(file, join(folder, 'away.sqlite'))
    await insertEntries(db, [entry('2')])
    await db.destroy()
    const aside = await restoreBackup(join(folder, 'away.sqlite'), file, now)
    expect(await idsIn(file)).toEqual(['1'])
    expect(await idsIn(aside!)).toEqual(['1', '2'])
    expect(await restoreBackup(join(folder, 'away.sqlite'), join(folder, 'new', 'house.sqlite'), now)).toBeNull()
  })

  it('never writes over a file', async () => {
    await (await openDatabase(file)).destroy()
    writeFileSync(join(folder, 'mine.txt'), 'mine')
    await expect(backupTo(file, join(folder, 'mine.txt'))).rejects.toThrow(/stands already/)
    expect(readFileSync(join(folder, 'mine.txt'), 'utf8')).toBe('mine')
  })

  it('that is damaged, of a newer Mantel, or no house, is refused and nothing is changed', async () => {
    const db = await openDatabase(file)
    await insertEntries(
      db,
      Array.from({ length: 400 }, (_, i) => entry(`e${i}`)),
    )
    await db.destroy()
    const bytes = readFileSync(file)
    bytes.fill(0xab, 4096 * 3, 4096 * 8)
    writeFileSync(join(folder, 'damaged.sqlite'), bytes)
    writeFileSync(join(folder, 'letter.txt'), 'Dear keeper, '.repeat(400))
    const other = new Database(join(folder, 'other.sqlite'))
    other.exec('CREATE TABLE songs (id)')
    other.close()
    await backupTo(file, join(folder, 'newer.sqlite'))
    const newer = new Database(join(folder, 'newer.sqlite'))
    newer.exec("INSERT INTO knex_migrations (name, batch) VALUES ('099-moons', 9)")
    newer.close()
    for (const [name, said] of [
      ['damaged.sqlite', /is damaged/],
      ['letter.txt', /is damaged/],
      ['other.sqlite', /no house of Mantel/],
      ['newer.sqlite', /newer Mantel \(it knows 099-moons\)/],
      ['none.sqlite', /cannot be written|cannot be read/],
    ] as const) {
      expect(() => checkDatabaseFile(join(folder, name)), name).toThrow(said)
      await expect(restoreBackup(join(folder, name), file, now), name).rejects.toThrow(DatabaseProblem)
    }
    expect(await idsIn(file)).toHaveLength(400)
  })

  it('is made before the tables of a filled house are changed', async () => {
    const db = await openDatabase(file)
    await insertEntries(db, [entry('1')])
    await db('knex_migrations').where({ name: '004-one-log' }).delete()
    await db.destroy()
    const told = vi.spyOn(console, 'log').mockImplementation(() => undefined)
    expect(await idsIn(file)).toEqual(['1'])
    told.mockRestore()
    expect(listBackups(file).map(b => b.kind)).toEqual(['migration'])
    expect(checkDatabaseFile(join(backupFolder(file), listBackups(file)[0]!.name))).toEqual([
      '001-first-tables',
      '002-winter',
      '003-access',
      '005-climate',
      '006-calibration',
      '007-remembered',
    ])
  })
})

describe('the rotation', () => {
  const daily = (day: number, kind: BackupKind = 'daily') => ({
    name: `${kind}${day}`,
    kind,
    at: new Date(Date.UTC(2026, 10, 25, 3) - day * 86_400_000).toISOString(),
  })

  it('over two years of days keeps 7 daily, 4 weekly and 12 monthly ones, and they reach back a year', () => {
    const all = Array.from({ length: 730 }, (_, i) => daily(i))
    const dropped = new Set(backupsToDrop(all))
    const kept = all.filter(b => !dropped.has(b))
    // a week's or a month's latest may be one of the seven days
    expect(kept.length).toBeGreaterThanOrEqual(7 + 2 + 11)
    expect(kept.length).toBeLessThanOrEqual(7 + 4 + 12)
    expect(kept.slice(0, 7).map(b => b.name)).toEqual(Array.from({ length: 7 }, (_, i) => `daily${i}`))
    expect(kept.at(-1)!.at.slice(0, 10)).toBe('2025-12-31')
  })

  it('dropped day by day it keeps as many as dropped at once', () => {
    let kept: ReturnType<typeof daily>[] = []
    for (let day = 400; day >= 0; day--) {
      kept = [...kept, daily(day)]
      const dropped = new Set(backupsToDrop(kept))
      kept = kept.filter(b => !dropped.has(b))
    }
    expect(kept.map(b => b.at.slice(0, 7)).filter((m, i, all) => all.indexOf(m) === i)).toHaveLength(12)
    expect(kept.length).toBeLessThanOrEqual(23)
  })

  it('keeps the last five asked for, and those before a change of tables, beside the daily ones', () => {
    const all = [
      ...Array.from({ length: 8 }, (_, i) => daily(i, 'asked')),
      ...Array.from({ length: 8 }, (_, i) => daily(i, 'migration')),
      daily(0),
    ]
    expect(
      backupsToDrop(all)
        .map(b => b.name)
        .sort(),
    ).toEqual(['asked5', 'asked6', 'asked7', 'migration5', 'migration6', 'migration7'])
  })
})

describe('the lock beside the database', () => {
  const holder = { pid: 77, address: 'http://127.0.0.1:4170', since: '2026-11-25T08:00:00.000Z' }

  it('is held by one, who is told to the second; released, the next has it', () => {
    const first = lockDatabase(file, holder)
    expect(() => lockDatabase(file, { ...holder, pid: 78 })).toThrow(
      /held by another Mantel \(process 77, since 2026-11-25 08:00 UTC\): http:\/\/127.0.0.1:4170/,
    )
    first.release()
    const second = lockDatabase(file, { ...holder, pid: 78 })
    expect(() => lockDatabase(file, holder)).toThrow(/process 78/)
    second.release()
  })

  it('of another house is another', () => {
    const locks = [lockDatabase(file, holder), lockDatabase(join(folder, 'other.sqlite'), holder)]
    for (const lock of locks) lock.release()
    expect(locks).toHaveLength(2)
  })
})

describe('a database that cannot be used is told in a keeper’s words', () => {
  it('a newer one is not touched', async () => {
    const db = await openDatabase(file)
    await db('knex_migrations').insert({ name: '099-moons', batch: 9 })
    await db.destroy()
    await expect(openDatabase(file)).rejects.toThrow(/newer Mantel \(it knows 099-moons\).*npm run restore/)
    expect(listBackups(file)).toEqual([])
  })

  it('a damaged one names the backups', async () => {
    writeFileSync(file, 'not a database at all, '.repeat(500))
    await expect(openDatabase(file)).rejects.toThrow(/is damaged.*backup/)
  })

  it('one that another program holds is not waited for long', async () => {
    const db = await openDatabase(file)
    const other = new Database(file)
    other.exec('BEGIN EXCLUSIVE')
    const since = performance.now()
    const error = await insertEntries(db, [entry('1')]).then(
      () => null,
      (e: unknown) => e,
    )
    // the driver waits without letting anything else run: seconds of it would stop the whole server
    expect(performance.now() - since).toBeLessThan(1500)
    expect(databaseProblem(error, file)).toMatchObject({ kind: 'busy' })
    other.exec('COMMIT')
    other.close()
    await insertEntries(db, [entry('1')])
    await db.destroy()
  })

  it.each([
    ['SQLITE_READONLY', 'unwritable'],
    ['SQLITE_CANTOPEN', 'unwritable'],
    ['EACCES', 'unwritable'],
    ['SQLITE_BUSY_SNAPSHOT', 'busy'],
    ['SQLITE_FULL', 'full'],
    ['ENOSPC', 'full'],
    ['SQLITE_CORRUPT_INDEX', 'damaged'],
    ['SQLITE_NOTADB', 'damaged'],
    ['SQLITE_IOERR_READ', 'damaged'],
  ] as const)('%s is %s', (code, kind) => {
    const problem = databaseProblem(Object.assign(new Error('raw'), { code }), '/data/house.sqlite')!
    expect(problem.kind).toBe(kind)
    expect(problem.message).toContain('/data/house.sqlite')
    expect(problem.message).not.toContain('SQLITE')
  })

  it('anything else is none of the database', () => {
    expect(databaseProblem(new Error('x'), file)).toBeNull()
    expect(databaseProblem(Object.assign(new Error('x'), { code: 'SQLITE_CONSTRAINT_FOREIGNKEY' }), file)).toBeNull()
  })

  it('what is acknowledged has reached the disk', async () => {
    const db = await openDatabase(file)
    // 2 = FULL
    expect(await db.raw('PRAGMA synchronous')).toEqual([{ synchronous: 2 }])
    await db.destroy()
  })
})
