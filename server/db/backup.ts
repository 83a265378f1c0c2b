import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import Database from 'better-sqlite3'
import { backupsToDrop, type BackupKind } from './backupRotation'
import { migrationNames } from './migrations'
import { DatabaseProblem, databaseProblem } from './problems'

export interface Backup {
  name: string
  kind: BackupKind
  /** When it was made, ISO. */
  at: string
  bytes: number
}

/** `house-2026-11-25T031500Z-daily.sqlite` beside the house, in `backups`. */
const NAME = /^.+-(\d{4}-\d{2}-\d{2}T\d{6}Z)-(daily|asked|migration)\.sqlite$/

export const backupFolder = (file: string): string => join(dirname(file), 'backups')

const stampOf = (at: Date): string => `${at.toISOString().slice(0, 19).replaceAll(':', '')}Z`

function instantOf(stamp: string): string {
  return `${stamp.slice(0, 13)}:${stamp.slice(13, 15)}:${stamp.slice(15, 17)}.000Z`
}

/** Backups of a database, newest first. */
export function listBackups(file: string): Backup[] {
  const folder = backupFolder(file)
  if (!existsSync(folder)) return []
  const own = `${basename(file, '.sqlite')}-`
  return readdirSync(folder)
    .flatMap((name): Backup[] => {
      const match = NAME.exec(name)
      if (!match || !name.startsWith(own) || name.length !== own.length + 18 + 1 + match[2]!.length + 7) return []
      return [
        { name, kind: match[2] as BackupKind, at: instantOf(match[1]!), bytes: statSync(join(folder, name)).size },
      ]
    })
    .sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : a.name < b.name ? 1 : -1))
}

/**
 * Opens a database file and reads all of it.
 * @returns the migrations that ran on it
 * @throws DatabaseProblem when it is damaged, newer, or no database of Mantel
 */
export function checkDatabaseFile(file: string): string[] {
  try {
    const db = new Database(file, { fileMustExist: true, readonly: true })
    try {
      const [{ integrity_check: verdict } = { integrity_check: '' }] = db.pragma('integrity_check(1)') as {
        integrity_check: string
      }[]
      if (verdict !== 'ok')
        throw new DatabaseProblem('damaged', `The file ${file} is damaged (${verdict}). Take another backup.`)
      const known = db.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'knex_migrations'").get()
      if (!known) throw new DatabaseProblem('damaged', `The file ${file} is no house of Mantel.`)
      const run = (db.prepare('SELECT name FROM knex_migrations ORDER BY id').all() as { name: string }[]).map(
        r => r.name,
      )
      const unknown = run.filter(name => !migrationNames.includes(name))
      if (unknown.length)
        throw new DatabaseProblem(
          'newer',
          `The file ${file} was written by a newer Mantel (it knows ${unknown.at(-1)}). Install that version first.`,
        )
      return run
    } finally {
      db.close()
    }
  } catch (error) {
    throw databaseProblem(error, file) ?? error
  }
}

/**
 * A copy by SQLite's online backup, in one piece and without a log beside it; it takes its name only when it has been
 * read through.
 */
async function copyDatabase(source: string, target: string): Promise<void> {
  mkdirSync(dirname(target), { recursive: true })
  const unfinished = `${target}.unfinished`
  rmSync(unfinished, { force: true })
  try {
    const db = new Database(source, { fileMustExist: true })
    try {
      // all pages in one step: a writer in between would make it begin again
      await db.backup(unfinished, { progress: () => 0x7fffffff })
    } finally {
      db.close()
    }
    const copy = new Database(unfinished)
    copy.pragma('journal_mode = DELETE')
    copy.close()
    checkDatabaseFile(unfinished)
    renameSync(unfinished, target)
  } finally {
    for (const rest of ['', '-wal', '-shm', '-journal']) rmSync(unfinished + rest, { force: true })
  }
}

/** Backs a database up beside it, checks the copy, and lets go of those that are older than the rotation keeps. */
export async function makeBackup(file: string, kind: BackupKind, at: Date): Promise<Backup> {
  const name = `${basename(file, '.sqlite')}-${stampOf(at)}-${kind}.sqlite`
  // left by a copy that was cut off
  if (existsSync(backupFolder(file)))
    for (const rest of readdirSync(backupFolder(file)).filter(n => n.includes('.unfinished')))
      rmSync(join(backupFolder(file), rest), { force: true })
  await copyDatabase(file, join(backupFolder(file), name))
  for (const old of backupsToDrop(listBackups(file))) rmSync(join(backupFolder(file), old.name), { force: true })
  return { name, kind, at: instantOf(stampOf(at)), bytes: statSync(join(backupFolder(file), name)).size }
}

/** Backs up to a file that the keeper names. @throws DatabaseProblem when one stands there already */
export async function backupTo(file: string, target: string): Promise<void> {
  if (existsSync(target))
    throw new DatabaseProblem('unwritable', `${target} stands already; name a file that does not.`)
  await copyDatabase(file, target)
}

export async function backupBeforeMigration(file: string, migration: string): Promise<void> {
  const { name } = await makeBackup(file, 'migration', new Date())
  console.log(`Backed up to ${name} before the tables are changed (${migration}).`)
}

/**
 * Puts a backup in the place of the database; the present one is kept aside.
 * @returns where the present one lies now, null when there was none
 * @throws DatabaseProblem when the backup cannot be read or is newer
 */
export async function restoreBackup(backup: string, file: string, at: Date): Promise<string | null> {
  checkDatabaseFile(backup)
  const incoming = `${file}.incoming`
  rmSync(incoming, { force: true })
  await copyDatabase(backup, incoming)
  let aside: string | null = null
  if (existsSync(file)) {
    aside = join(dirname(file), `${basename(file, '.sqlite')}-before-restore-${stampOf(at)}.sqlite`)
    // the log belongs to the file: the three go together
    for (const part of ['', '-wal', '-shm']) if (existsSync(file + part)) renameSync(file + part, aside + part)
  }
  renameSync(incoming, file)
  return aside
}
