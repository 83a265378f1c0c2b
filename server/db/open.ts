import { mkdirSync } from 'node:fs'
import { dirname } from 'node:path'
import knexModule, { type Knex } from 'knex'
import { migrationSource } from './migrations'

/**
 * Opens the database file (making its folder), turns on WAL and foreign keys, and brings the tables up to date.
 * @param file path of the SQLite file, or `:memory:`
 */
export async function openDatabase(file: string): Promise<Knex> {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true })
  const knex = knexModule({
    client: 'better-sqlite3',
    connection: { filename: file },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (connection: { pragma: (text: string) => unknown }, done: (error: Error | null) => void) => {
        connection.pragma('journal_mode = WAL')
        connection.pragma('foreign_keys = ON')
        connection.pragma('synchronous = NORMAL')
        done(null)
      },
    },
  })
  await knex.migrate.latest({ migrationSource })
  return knex
}
