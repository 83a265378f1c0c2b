import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { oldDatabase } from '../../../tests/fixtures/oldHouse'
import { Climate } from '../../devices/climate'
import { openDatabase } from '../open'
import { allDevices, allHours, insertDevice, latestReadings } from '../repositories/devices'

let folder = ''
let db: Knex | null = null
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'mantel-climate-'))
  vi.spyOn(console, 'log').mockImplementation(() => undefined)
})
afterEach(async () => {
  vi.restoreAllMocks()
  await db?.destroy()
  db = null
  rmSync(folder, { recursive: true, force: true })
})

const HOUR = 3_600_000

describe('readings of more than temperature', () => {
  it('what was read stays with its place, also of a device that was removed; numbers are never given again', async () => {
    const file = join(folder, 'old.sqlite')
    const old = await oldDatabase(file, 4)
    const device = (id: string, name: string) => ({ id, name, kind: 'probe', token_hash: 'x', simulated: 0 })
    await old('devices').insert([device('a', 'One'), device('b', 'Two')])
    await old('readings').insert([
      { device_id: 'a', at: 10 * HOUR, temp_c: 11.5 },
      { device_id: 'b', at: 10 * HOUR, temp_c: 12.5 },
      { device_id: 'b', at: 11 * HOUR, temp_c: 13 },
    ])
    const hour = (device_id: string, hourNo: number, sum: number) => ({
      place_id: 'chest',
      device_id,
      hour: hourNo,
      n: 2,
      sum_c: sum,
      min_c: sum / 2 - 1,
      max_c: sum / 2 + 1,
    })
    // two devices that are gone, each with its hours
    await old.raw('PRAGMA foreign_keys = OFF')
    await old('readings_hourly').insert([hour('a', 10, 23), hour('gone', 10, 30), hour('lost', 9, 40)])
    await old.destroy()

    db = await openDatabase(file)
    const devices = await allDevices(db)
    expect(devices.map(d => [d.name, d.zone, d.no])).toEqual([
      ['One', 'air', 1],
      ['Two', 'air', 2],
    ])
    expect((await latestReadings(db)).get(2)).toEqual([{ channel: 'temperature', at: 11 * HOUR, value: 13 }])
    const hours = await allHours(db, 0)
    expect(new Set(hours.map(h => h.readAt.deviceNo)).size).toBe(3)
    const climate = new Climate()
    for (const h of hours) climate.add(h.readAt, h.hour, h.sums)
    const log = climate.upTo(11).chest!['temperature:air']!
    // hour 9 by one of them, hour 10 by two: (23 + 30) / 4
    expect([log.from, log.mean[0], log.mean[1]]).toEqual([9, 20, 13.25])
    expect([log.min[1], log.max[1]]).toEqual([10.5, 16])

    await db('devices').where({ no: 2 }).delete()
    expect(await db('readings').count({ n: '*' })).toEqual([{ n: 1 }])
    await db('readings_hourly').insert({
      place_id: 'chest',
      device_no: 7,
      channel: 'h',
      zone: 'air',
      hour: 10,
      n: 1,
      sum: 60,
      min: 60,
      max: 60,
    })
    const added = {
      id: 'c',
      name: 'Three',
      kind: 'probe',
      placeId: null,
      zone: 'spot',
      tokenHash: 'y',
      simulated: false,
    }
    expect(await insertDevice(db, added as Parameters<typeof insertDevice>[1])).toBe(8)
  })
})
