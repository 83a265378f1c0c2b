import type { Knex } from 'knex'

/**
 * What an instrument showed against a reference. Readings are stored as they were sent; the offset is put to them when
 * they are read. The rows outlive their device, since what it read stays.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`CREATE TABLE calibrations (
    device_no INTEGER NOT NULL,
    channel TEXT NOT NULL,
    at INTEGER NOT NULL,
    shown REAL NOT NULL,
    reference REAL NOT NULL,
    method TEXT NOT NULL,
    PRIMARY KEY (device_no, channel, at)
  ) WITHOUT ROWID`)
}
