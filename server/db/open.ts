import { existsSync, mkdirSync } from 'node:fs'
import { dirname } from 'node:path'
import knexModule, { type Knex } from 'knex'
import { backupBeforeMigration } from './backup'
import { migrationNames, migrationSource } from './migrations'
import { DatabaseProblem, databaseProblem } from './problems'

/**
 * A lock held by another program is waited for so long without letting anything else run; the rest is the caller's to
 * wait.
 */
const BUSY_MS = 100

interface Connection {
  pragma: (text: string) => unknown
}

function connect(file: string): Knex {
  return knexModule({
    client: 'better-sqlite3',
    connection: { filename: file },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (connection: Connection, done: (error: Error | null) => void) => {
        try {
          connection.pragma(`busy_timeout = ${BUSY_MS}`)
          connection.pragma('journal_mode = WAL')
          connection.pragma('foreign_keys = ON')
          // what is acknowledged has reached the disk, also when the power fails
          connection.pragma('synchronous = FULL')
          done(null)
        } catch (error) {
          done(error as Error)
        }
      },
    },
  })
}

/** Migrations that ran on this database, oldest first; none on a new one. */
async function migrationsRun(knex: Knex): Promise<string[]> {
  if (!(await knex.schema.hasTable('knex_migrations'))) return []
  return (await knex<{ id: number; name: string }>('knex_migrations').orderBy('id')).map(r => r.name)
}

/**
 * Opens the database file (making its folder), and brings its tables up to date; before that a filled one is backed up.
 * The caller holds the lock of the database, so that a lock left by a migration that was cut off is nobody's.
 * @param file path of the SQLite file, or `:memory:`
 * @throws DatabaseProblem in a keeper's words
 */
export async function openDatabase(file: string): Promise<Knex> {
  let knex: Knex | null = null
  try {
    const stands = file !== ':memory:' && existsSync(file)
    if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true })
    knex = connect(file)
    const run = await migrationsRun(knex)
    const unknown = run.filter(name => !migrationNames.includes(name))
    if (unknown.length)
      throw new DatabaseProblem(
        'newer',
        `The database ${file} was written by a newer Mantel (it knows ${unknown.at(-1)}). Start that version, or restore a backup made before it: npm run restore FILE.`,
      )
    const next = migrationNames.find(name => !run.includes(name))
    if (stands && run.length && next) await backupBeforeMigration(file, next)
    if (run.length) await knex.migrate.forceFreeMigrationsLock({ migrationSource })
    await knex.migrate.latest({ migrationSource })
    return knex
  } catch (error) {
    await knex?.destroy()
    throw databaseProblem(error, file) ?? error
  }
}

/**
 * Brings what stands in the write-ahead log into the file itself, and empties the log. Nothing is lost without it: it
 * only keeps the log short.
 */
export async function checkpoint(knex: Knex): Promise<void> {
  await knex.raw('PRAGMA wal_checkpoint(TRUNCATE)')
}
