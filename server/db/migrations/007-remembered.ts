import type { Knex } from 'knex'

/**
 * What was worked out, for the next start of the same program: to be had again from what is written, and thrown away
 * where another program wrote it.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`CREATE TABLE remembered (
    name TEXT PRIMARY KEY,
    program TEXT NOT NULL,
    value BLOB NOT NULL
  ) WITHOUT ROWID`)
}
