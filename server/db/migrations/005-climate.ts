import type { Knex } from 'knex'

/**
 * Readings of more than temperature, and of more than one spot of a place. A device has a number, which is never given
 * again, so that a row of a minute is small; raw rows lie in the order in which they are asked for.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('devices', t => {
    t.text('zone').notNullable().defaultTo('air')
    t.integer('no').notNullable().defaultTo(0)
  })
  await knex.raw('UPDATE devices SET no = rowid')
  await knex.raw('CREATE UNIQUE INDEX devices_no ON devices (no)')
  await knex.raw(`CREATE TABLE readings_raw (
    device_no INTEGER NOT NULL REFERENCES devices (no) ON DELETE CASCADE,
    channel TEXT NOT NULL,
    at INTEGER NOT NULL,
    value REAL NOT NULL,
    PRIMARY KEY (device_no, channel, at)
  ) WITHOUT ROWID`)
  await knex.raw(`INSERT INTO readings_raw (device_no, channel, at, value)
    SELECT d.no, 't', r.at, r.temp_c FROM readings r JOIN devices d ON d.id = r.device_id`)
  await knex.schema.dropTable('readings')
  await knex.raw('ALTER TABLE readings_raw RENAME TO readings')
  await knex.raw(`CREATE TABLE readings_by_hour (
    place_id TEXT NOT NULL,
    device_no INTEGER NOT NULL,
    channel TEXT NOT NULL,
    zone TEXT NOT NULL,
    hour INTEGER NOT NULL,
    n INTEGER NOT NULL,
    sum REAL NOT NULL,
    min REAL NOT NULL,
    max REAL NOT NULL,
    PRIMARY KEY (place_id, device_no, channel, zone, hour)
  ) WITHOUT ROWID`)
  // hours of devices that are removed keep a number of their own, below all others
  await knex.raw(`INSERT INTO readings_by_hour (place_id, device_no, channel, zone, hour, n, sum, min, max)
    SELECT h.place_id,
           COALESCE(d.no, -(SELECT COUNT(DISTINCT o.device_id) FROM readings_hourly o WHERE o.device_id <= h.device_id)),
           't', 'air', h.hour, h.n, h.sum_c, h.min_c, h.max_c
    FROM readings_hourly h LEFT JOIN devices d ON d.id = h.device_id`)
  await knex.schema.dropTable('readings_hourly')
  await knex.raw('ALTER TABLE readings_by_hour RENAME TO readings_hourly')
}
