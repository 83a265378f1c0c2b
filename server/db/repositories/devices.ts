import type { Knex } from 'knex'
import type { DeviceKind } from '#shared/contracts/devices'
import type { HourSums } from '../../devices/climate'

export interface Device {
  id: string
  name: string
  kind: DeviceKind
  placeId: string | null
  tokenHash: string
  simulated: boolean
}

interface DeviceRow {
  id: string
  name: string
  kind: DeviceKind
  place_id: string | null
  token_hash: string
  simulated: number
}

interface HourRow {
  place_id: string
  device_id: string
  hour: number
  n: number
  sum_c: number
  min_c: number
  max_c: number
}

export interface RawReading {
  /** Milliseconds since 1970. */
  at: number
  tempC: number
}

const ROWS_AT_ONCE = 120

export async function allDevices(db: Knex): Promise<Device[]> {
  return (await db<DeviceRow>('devices').orderBy('name')).map(r => ({
    id: r.id,
    name: r.name,
    kind: r.kind,
    placeId: r.place_id,
    tokenHash: r.token_hash,
    simulated: Boolean(r.simulated),
  }))
}

export async function insertDevice(db: Knex, d: Device): Promise<void> {
  await db<DeviceRow>('devices').insert({
    id: d.id,
    name: d.name,
    kind: d.kind,
    place_id: d.placeId,
    token_hash: d.tokenHash,
    simulated: d.simulated ? 1 : 0,
  })
}

/** The device leaves with its raw readings; the hours of its place stay. */
export async function deleteDevice(db: Knex, id: string): Promise<void> {
  await db<DeviceRow>('devices').where({ id }).delete()
}

export async function allHours(
  db: Knex,
  fromHour: number,
): Promise<{ placeId: string; hour: number; sums: HourSums }[]> {
  const rows = await db<HourRow>('readings_hourly').where('hour', '>=', fromHour)
  return rows.map(r => ({
    placeId: r.place_id,
    hour: r.hour,
    sums: { n: r.n, sumC: r.sum_c, minC: r.min_c, maxC: r.max_c },
  }))
}

/** Adds to the hours of a place what a device read in them. */
export async function addHours(
  db: Knex,
  placeId: string,
  deviceId: string,
  hours: ReadonlyMap<number, HourSums>,
): Promise<void> {
  for (const [hour, s] of hours) {
    await db.raw(
      `INSERT INTO readings_hourly (place_id, device_id, hour, n, sum_c, min_c, max_c) VALUES (?, ?, ?, ?, ?, ?, ?)
       ON CONFLICT (place_id, device_id, hour) DO UPDATE SET n = n + excluded.n, sum_c = sum_c + excluded.sum_c, min_c = min(min_c, excluded.min_c), max_c = max(max_c, excluded.max_c)`,
      [placeId, deviceId, hour, s.n, s.sumC, s.minC, s.maxC],
    )
  }
}

const INSTANTS_AT_ONCE = 500

/** Readings of a device at these instants that are stored already. */
export async function storedReadings(
  db: Knex,
  deviceId: string,
  instants: readonly number[],
): Promise<Map<number, number>> {
  const known = new Map<number, number>()
  for (let i = 0; i < instants.length; i += INSTANTS_AT_ONCE) {
    const rows = await db<{ device_id: string; at: number; temp_c: number }>('readings')
      .where({ device_id: deviceId })
      .whereIn('at', instants.slice(i, i + INSTANTS_AT_ONCE))
    for (const r of rows) known.set(r.at, r.temp_c)
  }
  return known
}

export async function insertReadings(db: Knex, deviceId: string, readings: readonly RawReading[]): Promise<void> {
  await db.batchInsert(
    'readings',
    readings.map(r => ({ device_id: deviceId, at: r.at, temp_c: r.tempC })),
    ROWS_AT_ONCE,
  )
}

export async function deleteReadingsBefore(db: Knex, deviceId: string, at: number): Promise<void> {
  await db('readings').where({ device_id: deviceId }).where('at', '<', at).delete()
}

export async function latestReadings(db: Knex): Promise<Map<string, RawReading>> {
  // SQLite gives the other columns of the row that holds the maximum
  const rows = (await db('readings')
    .select('device_id', 'temp_c')
    .max({ at: 'at' })
    .groupBy('device_id')) as unknown as { device_id: string; temp_c: number; at: number }[]
  return new Map(rows.map(r => [r.device_id, { at: r.at, tempC: r.temp_c }]))
}

export async function insertSetAside(
  db: Knex,
  deviceId: string,
  receivedAt: number,
  rows: readonly { reason: string; payload: string }[],
): Promise<void> {
  await db.batchInsert(
    'readings_set_aside',
    rows.map(r => ({ device_id: deviceId, received_at: receivedAt, ...r })),
    ROWS_AT_ONCE,
  )
}

export async function setAsideCounts(db: Knex): Promise<Map<string, { count: number; lastReason: string }>> {
  const rows = (await db('readings_set_aside')
    .select('device_id', 'reason')
    .count({ count: '*' })
    .max({ id: 'id' })
    .groupBy('device_id')) as unknown as { device_id: string; reason: string; count: number }[]
  return new Map(rows.map(r => [r.device_id, { count: Number(r.count), lastReason: r.reason }]))
}

/** Lets go of set-aside readings of a device that are older, or more than the newest so many. */
export async function pruneSetAside(db: Knex, deviceId: string, before: number, most: number): Promise<void> {
  await db('readings_set_aside').where({ device_id: deviceId }).where('received_at', '<', before).delete()
  const [last] = await db<{ id: number; device_id: string }>('readings_set_aside')
    .where({ device_id: deviceId })
    .orderBy('id', 'desc')
    .offset(most)
    .limit(1)
    .select('id')
  if (last) await db('readings_set_aside').where({ device_id: deviceId }).where('id', '<=', last.id).delete()
}
