import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { insertDevice, insertHours, insertReadings } from '../db/repositories/devices'
import { insertEntries } from '../db/repositories/entries'
import { hashOf } from '../devices/deviceKeeper'
import type { DemoHouse } from './alderYard'

/** Fills an empty database with a demo house; a database that holds anything is left alone. */
export async function fillWithDemo(db: Knex, demo: DemoHouse): Promise<boolean> {
  if (await db('entries').first('id')) return false
  await db.transaction(async trx => {
    await insertEntries(trx, demo.entries)
    for (const device of demo.devices()) {
      // nobody holds its token: it reads inside the server
      const no = await insertDevice(trx, {
        id: device.id,
        name: device.name,
        kind: device.kind,
        placeId: device.placeId,
        zone: device.zone,
        tokenHash: hashOf(randomUUID()),
        simulated: true,
      })
      for (const { channel, hours, recent } of device.read) {
        await insertHours(trx, { placeId: device.placeId!, deviceNo: no, channel, zone: device.zone }, hours)
        await insertReadings(trx, no, recent)
      }
    }
  })
  return true
}
