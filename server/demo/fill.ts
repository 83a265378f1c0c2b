import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { addHours, insertDevice, insertReadings } from '../db/repositories/devices'
import { insertEntries } from '../db/repositories/entries'
import { hashOf } from '../devices/deviceKeeper'
import type { DemoHouse } from './alderYard'

/** Fills an empty database with a demo house; a database that holds anything is left alone. */
export async function fillWithDemo(db: Knex, demo: DemoHouse): Promise<boolean> {
  if (await db('entries').first('id')) return false
  await db.transaction(async trx => {
    await insertEntries(trx, demo.entries)
    for (const device of demo.devices) {
      // nobody holds its token: it reads inside the server
      await insertDevice(trx, {
        id: device.id,
        name: device.name,
        kind: device.kind,
        placeId: device.placeId,
        tokenHash: hashOf(randomUUID()),
        simulated: true,
      })
      if (device.placeId) await addHours(trx, device.placeId, device.id, device.hours)
      await insertReadings(trx, device.id, device.recent)
    }
  })
  return true
}
