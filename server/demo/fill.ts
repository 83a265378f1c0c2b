import type { Knex } from 'knex'
import { insertAnimals, insertPlaces } from '../db/repositories/cards'
import { insertEntries } from '../db/repositories/entries'
import { writeSettings } from '../db/repositories/ways'
import type { DemoHouse } from './alderYard'

/** Fills an empty database with a demo house; a database that holds anything is left alone. */
export async function fillWithDemo(db: Knex, demo: DemoHouse): Promise<boolean> {
  const [row] = await db('animals').count<{ n: number }[]>({ n: '*' })
  const [log] = await db('entries').count<{ n: number }[]>({ n: '*' })
  if (row!.n || log!.n) return false
  await writeSettings(db, demo.settings)
  await db.transaction(async (trx) => {
    await insertPlaces(trx, demo.places)
    await insertEntries(trx, demo.entries)
    await insertAnimals(trx, demo.animals)
  })
  return true
}
