import type { Knex } from 'knex'
import type { DeviceKind } from '#shared/contracts/devices'
import { CHANNELS, CHANNEL_IDS, type CalibrationMethod, type Channel, type Zone } from '#core/channels'
import type { HourSums, ReadAt } from '../../devices/climate'

export interface Device {
  id: string
  /** Its number, which is never given again: rows of readings carry it. */
  no: number
  name: string
  kind: DeviceKind
  placeId: string | null
  /** Where in the place it reads. */
  zone: Zone
  tokenHash: string
  simulated: boolean
}

interface DeviceRow {
  id: string
  no: number
  zone: Zone
  name: string
  kind: DeviceKind
  place_id: string | null
  token_hash: string
  simulated: number
}

interface HourRow {
  place_id: string
  device_no: number
  channel: string
  zone: Zone
  hour: number
  n: number
  sum: number
  min: number
  max: number
}

export interface RawReading {
  channel: Channel
  /** Milliseconds since 1970. */
  at: number
  value: number
}

const CHANNEL_OF = new Map<string, Channel>(CHANNEL_IDS.map(id => [CHANNELS[id].code, id]))
const channelOf = (code: string): Channel => CHANNEL_OF.get(code)!

const ROWS_AT_ONCE = 120

export async function allDevices(db: Knex): Promise<Device[]> {
  return (await db<DeviceRow>('devices').orderBy('name')).map(r => ({
    id: r.id,
    no: r.no,
    zone: r.zone,
    name: r.name,
    kind: r.kind,
    placeId: r.place_id,
    tokenHash: r.token_hash,
    simulated: Boolean(r.simulated),
  }))
}

/** Adds a device under the next number. @returns its number */
export async function insertDevice(db: Knex, d: Omit<Device, 'no'>): Promise<number> {
  const [row] = (await db.raw(`SELECT max(
    (SELECT COALESCE(max(no), 0) FROM devices), (SELECT COALESCE(max(device_no), 0) FROM readings_hourly)) AS last`)) as {
    last: number
  }[]
  const no = row!.last + 1
  await db<DeviceRow>('devices').insert({
    id: d.id,
    no,
    zone: d.zone,
    name: d.name,
    kind: d.kind,
    place_id: d.placeId,
    token_hash: d.tokenHash,
    simulated: d.simulated ? 1 : 0,
  })
  return no
}

interface CalibrationRow {
  device_no: number
  channel: string
  at: number
  shown: number
  reference: number
  method: string
}

export interface Calibration extends Omit<CalibrationRow, 'device_no' | 'channel' | 'method'> {
  deviceNo: number
  channel: Channel
  method: CalibrationMethod
}

/** What every instrument ever showed against a reference, oldest first. */
export async function allCalibrations(db: Knex): Promise<Calibration[]> {
  return (await db<CalibrationRow>('calibrations').orderBy('at')).map(({ device_no, channel, method, ...row }) => ({
    ...row,
    deviceNo: device_no,
    channel: channelOf(channel),
    method: method as CalibrationMethod,
  }))
}

export async function insertCalibration(db: Knex, { deviceNo, channel, ...row }: Calibration): Promise<void> {
  await db<CalibrationRow>('calibrations')
    .insert({ ...row, device_no: deviceNo, channel: CHANNELS[channel].code })
    .onConflict(['device_no', 'channel', 'at'])
    .merge()
}

/** The device leaves with its raw readings; the hours of its place stay. */
export async function deleteDevice(db: Knex, id: string): Promise<void> {
  await db<DeviceRow>('devices').where({ id }).delete()
}

export async function allHours(
  db: Knex,
  fromHour: number,
): Promise<{ readAt: ReadAt; hour: number; sums: HourSums }[]> {
  const rows = await db<HourRow>('readings_hourly').where('hour', '>=', fromHour)
  return rows.map(({ place_id, device_no, channel, zone, hour, n, sum, min, max }) => ({
    readAt: { placeId: place_id, deviceNo: device_no, channel: channelOf(channel), zone },
    hour,
    sums: { n, sum, min, max },
  }))
}

/** Writes hours of which nothing is stored yet, many at once. */
export async function insertHours(db: Knex, at: ReadAt, hours: ReadonlyMap<number, HourSums>): Promise<void> {
  const { placeId, deviceNo, channel, zone } = at
  await db.batchInsert(
    'readings_hourly',
    [...hours].map(([hour, sums]) => ({
      place_id: placeId,
      device_no: deviceNo,
      channel: CHANNELS[channel].code,
      zone,
      hour,
      ...sums,
    })),
    ROWS_AT_ONCE,
  )
}

/** Adds to the hours of a place what a device read in them. */
export async function addHours(db: Knex, at: ReadAt, hours: ReadonlyMap<number, HourSums>): Promise<void> {
  for (const [hour, s] of hours) {
    await db.raw(
      `INSERT INTO readings_hourly (place_id, device_no, channel, zone, hour, n, sum, min, max)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)
       ON CONFLICT (place_id, device_no, channel, zone, hour) DO UPDATE SET
         n = n + excluded.n, sum = sum + excluded.sum, min = min(min, excluded.min), max = max(max, excluded.max)`,
      [at.placeId, at.deviceNo, CHANNELS[at.channel].code, at.zone, hour, s.n, s.sum, s.min, s.max],
    )
  }
}

const INSTANTS_AT_ONCE = 500

/** Readings of one channel of a device at these instants that are stored already. */
export async function storedReadings(
  db: Knex,
  deviceNo: number,
  channel: Channel,
  instants: readonly number[],
): Promise<Map<number, number>> {
  const known = new Map<number, number>()
  for (let i = 0; i < instants.length; i += INSTANTS_AT_ONCE) {
    const rows = await db<{ device_no: number; channel: string; at: number; value: number }>('readings')
      .where({ device_no: deviceNo, channel: CHANNELS[channel].code })
      .whereIn('at', instants.slice(i, i + INSTANTS_AT_ONCE))
    for (const r of rows) known.set(r.at, r.value)
  }
  return known
}

export async function insertReadings(db: Knex, deviceNo: number, readings: readonly RawReading[]): Promise<void> {
  await db.batchInsert(
    'readings',
    readings.map(r => ({ device_no: deviceNo, channel: CHANNELS[r.channel].code, at: r.at, value: r.value })),
    ROWS_AT_ONCE,
  )
}

export async function deleteReadingsBefore(db: Knex, deviceNo: number, at: number): Promise<void> {
  await db('readings').where({ device_no: deviceNo }).where('at', '<', at).delete()
}

/** The latest reading of each channel of each device, by its number. */
export async function latestReadings(db: Knex): Promise<Map<number, RawReading[]>> {
  // SQLite gives the other columns of the row that holds the maximum
  const rows = (await db('readings')
    .select('device_no', 'channel', 'value')
    .max({ at: 'at' })
    .groupBy('device_no', 'channel')) as unknown as {
    device_no: number
    channel: string
    value: number
    at: number
  }[]
  const latest = new Map<number, RawReading[]>()
  for (const r of rows)
    latest.set(r.device_no, [
      ...(latest.get(r.device_no) ?? []),
      { channel: channelOf(r.channel), at: r.at, value: r.value },
    ])
  return latest
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
