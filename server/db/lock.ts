import { mkdirSync, realpathSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import Database from 'better-sqlite3'
import { DatabaseProblem, databaseProblem, isBusy } from './problems'

export interface Holder {
  pid: number
  /** Where it listens, or what it does. */
  address: string
  since: string
}

export interface DatabaseLock {
  release: () => void
}

const lockFile = (file: string): string => join(realpathSync(dirname(file)), `${basename(file)}.lock`)

/** Who holds a database, as its lock tells; null when it tells nothing. */
function readHolder(db: Database.Database): Holder | null {
  try {
    return (db.prepare('SELECT pid, address, since FROM holder').get() as Holder | undefined) ?? null
  } catch {
    return null
  }
}

/**
 * Takes a database for this process alone. The lock is one of the operating system on a small file beside the database,
 * so that it ends with the process, however that ends.
 * @throws DatabaseProblem that says who holds it and where that one listens
 */
export function lockDatabase(file: string, holder: Holder): DatabaseLock {
  mkdirSync(dirname(file), { recursive: true })
  let db: Database.Database | null = null
  try {
    db = new Database(lockFile(file), { timeout: 200 })
    // the lock needs no durability, and readers must see who holds it
    db.pragma('journal_mode = MEMORY')
    db.pragma('synchronous = OFF')
    db.exec('BEGIN IMMEDIATE; CREATE TABLE IF NOT EXISTS holder (pid INTEGER, address TEXT, since TEXT); COMMIT')
    db.exec('BEGIN IMMEDIATE; DELETE FROM holder')
    db.prepare('INSERT INTO holder VALUES (?, ?, ?)').run(holder.pid, holder.address, holder.since)
    db.exec('COMMIT; BEGIN IMMEDIATE')
    // between writing the name and holding on, another may have come in
    if (readHolder(db)?.pid !== holder.pid) throw held(file, readHolder(db))
    const taken = db
    return {
      release: () => {
        if (taken.open) taken.close()
      },
    }
  } catch (error) {
    const by = db ? readHolder(db) : null
    db?.close()
    throw isBusy(error) ? held(file, by) : (databaseProblem(error, file) ?? error)
  }
}

function held(file: string, by: Holder | null): DatabaseProblem {
  const who = by
    ? `by another Mantel (process ${by.pid}, since ${by.since.slice(0, 16).replace('T', ' ')} UTC): ${by.address}`
    : 'by another Mantel'
  return new DatabaseProblem('held', `The database ${file} is held ${who}. Use that one, or stop it first.`)
}
