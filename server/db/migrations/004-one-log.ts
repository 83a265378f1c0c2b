import type { Knex } from 'knex'
import { v7 } from 'uuid'
import { calendarOf, dayToIso } from '#core/units'

/*
 * Cards of animals, places, settings and own numbers become entries of the log, and their tables go. What is written
 * here is the form of that day: it is not shared with the program of today, which may have moved on.
 */

interface Entry {
  id: string
  at: string
  subject_type: string
  subject_id: string
  kind: string
  data: Record<string, unknown>
}

const ROWS_AT_ONCE = 60

function parsed(json: string): unknown {
  try {
    return JSON.parse(json) as unknown
  } catch {
    // it fits no setting, so it is told and left out when the house is opened, as before
    return [json]
  }
}

async function places(trx: Knex, at: string): Promise<Entry[]> {
  const rows = await trx('places').orderByRaw('rowid')
  return rows.map(r => ({
    id: r.id as string,
    at,
    subject_type: 'place',
    subject_id: r.id as string,
    kind: 'placeAdded',
    data: {
      name: r.name as string,
      kind: r.kind as string,
      parentId: r.parent_id as string | null,
      order: r.walk_order as number,
      tempC: r.temp_c as number | null,
      capacity: r.capacity as number | null,
    },
  }))
}

async function animals(trx: Knex, at: string): Promise<Entry[]> {
  // when it was added is not known: at the latest with its first entry, or with the one it was tagged by
  const rows = await trx('animals as a')
    .select('a.*')
    .select(
      trx.raw(`(SELECT min(at) FROM entries e WHERE e.subject_type = 'animal' AND e.subject_id = a.id) AS first_at`),
    )
    .select(trx.raw('(SELECT at FROM entries f WHERE f.id = a.founded_by) AS founded_at'))
    .orderByRaw('a.rowid')
  return rows.map(r => ({
    id: r.id as string,
    at: (r.founded_at ?? r.first_at ?? at) as string,
    subject_type: 'animal',
    subject_id: r.id as string,
    kind: 'animalAdded',
    data: {
      tag: r.tag as string,
      name: r.name as string | null,
      speciesId: r.species_id as string,
      sex: r.sex as string,
      born: r.born_day === null ? null : dayToIso(r.born_day as number),
      placeId: r.place_id as string | null,
      damId: r.dam_id as string | null,
      sireId: r.sire_id as string | null,
      clutchId: r.clutch_id as string | null,
      taggedBy: r.founded_by as string | null,
    },
  }))
}

async function settings(trx: Knex, at: string): Promise<Entry[]> {
  const rows = await trx<{ key: string; value: string }>('settings')
  const data = Object.fromEntries(rows.filter(r => r.key !== 'version').map(r => [r.key, parsed(r.value)]))
  if (!Object.keys(data).length) return []
  return [{ id: v7(), at, subject_type: 'settings', subject_id: 'house', kind: 'settingsChanged', data }]
}

async function numbers(trx: Knex, at: string): Promise<Entry[]> {
  const rows = await trx<{ path: string; value: number; note: string | null }>('almanac_overrides').orderBy('path')
  return rows.map(({ path, value, note }) => ({
    id: v7(),
    at,
    subject_type: 'number',
    subject_id: path,
    kind: 'numberSet',
    data: { value, ...(note !== null && { note }) },
  }))
}

/** Tables whose rows named a place name the entry that brought it into the house. */
async function nameEntries(trx: Knex): Promise<void> {
  await trx.schema.createTable('devices_new', t => {
    t.text('id').primary()
    t.text('name').notNullable()
    t.text('kind').notNullable()
    t.text('place_id').nullable().references('entries.id')
    // of the token only its hash is kept
    t.text('token_hash').notNullable()
    t.boolean('simulated').notNullable().defaultTo(false)
  })
  await trx.schema.createTable('readings_hourly_new', t => {
    t.text('place_id').notNullable().references('entries.id')
    t.text('device_id').notNullable()
    t.integer('hour').notNullable()
    t.integer('n').notNullable()
    t.float('sum_c').notNullable()
    t.float('min_c').notNullable()
    t.float('max_c').notNullable()
    t.primary(['place_id', 'device_id', 'hour'])
  })
  for (const table of ['devices', 'readings_hourly']) {
    await trx.raw('INSERT INTO ?? SELECT * FROM ??', [`${table}_new`, table])
    await trx.raw('DROP TABLE ??', [table])
    await trx.raw('ALTER TABLE ?? RENAME TO ??', [`${table}_new`, table])
  }
}

async function move(trx: Knex): Promise<void> {
  await trx.schema.alterTable('entries', t => {
    t.integer('v').notNullable().defaultTo(1)
    t.text('recorded_at').nullable()
    t.text('by').nullable()
  })
  const first = (await trx('entries').min({ at: 'at' }))[0] as { at: string | null } | undefined
  const at = first?.at ?? new Date().toISOString()
  const zone = await trx<{ key: string; value: string }>('settings').where({ key: 'timeZone' }).first()
  const named = zone ? parsed(zone.value) : 'UTC'
  const dayOf = (instant: string): number => {
    try {
      return calendarOf(typeof named === 'string' ? named : 'UTC')(instant)
    } catch {
      return Math.floor(Date.parse(instant) / 86_400_000) || 0
    }
  }
  const entries = [
    ...(await settings(trx, at)),
    ...(await numbers(trx, at)),
    ...(await places(trx, at)),
    ...(await animals(trx, at)),
  ]
  const rows = entries.map(e => ({ ...e, day: dayOf(e.at), data: JSON.stringify(e.data), source: 'import', v: 1 }))
  await trx.batchInsert('entries', rows, ROWS_AT_ONCE)
  await nameEntries(trx)
  for (const table of ['animals', 'places', 'settings', 'almanac_overrides']) await trx.raw('DROP TABLE ??', [table])
  const broken = (await trx.raw('PRAGMA foreign_key_check')) as unknown[]
  if (broken.length) throw new Error(`${broken.length} rows would name what is not there`)
}

/** Foreign keys can only be let rest outside a transaction, so this one makes its own. */
export const config = { transaction: false }

export async function up(knex: Knex): Promise<void> {
  // moved already, and cut off before that was written down
  if (!(await knex.schema.hasTable('animals'))) return
  await knex.raw('PRAGMA foreign_keys = OFF')
  try {
    await knex.transaction(move)
  } finally {
    await knex.raw('PRAGMA foreign_keys = ON')
  }
}
