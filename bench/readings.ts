// A year of probes that read every minute, at a tenth of the size: time of a batch beside a bare table, and room on disk.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import knex from 'knex'
import { planHere } from '../tests/fixtures/planHere'
import { DeviceKeeper } from '../server/devices/deviceKeeper'
import { openDatabase } from '../server/db/open'
import { HouseKeeper } from '../server/house/houseKeeper'

process.env.MANTEL_TODAY = '2026-11-25'
const NOW = Date.parse('2026-11-25T08:00:00Z')
const [PROBES, RAW_DAYS, DAYS, A_DAY, MINUTE] = [10, 30, 365, 1440, 60_000]
const SCALE = 100 / PROBES

const folder = mkdtempSync(join(tmpdir(), 'mantel-readings-'))
const db = await openDatabase(join(folder, 'readings.sqlite'))
const house = await HouseKeeper.open(db, await planHere())
const devices = await DeviceKeeper.open(house)
const bare = knex({
  client: 'better-sqlite3',
  connection: { filename: join(folder, 'bare.sqlite') },
  useNullAsDefault: true,
})
await bare.schema.createTable('bare', table => {
  table.integer('device').notNullable()
  table.integer('at').notNullable()
  table.float('value').notNullable()
})

const valueAt = (probe: number, minute: number) => 24 + probe / 10 + 3 * Math.sin(minute / 240) + (minute % 7) / 20
const took = { mantel: 0, bare: 0, batches: 0 }
for (let p = 0; p < PROBES; p++) {
  const place = await house.requests.addPlace({
    name: `Tub ${p}`,
    kind: 'tub',
    parentId: null,
    order: p,
    tempC: null,
    capacity: null,
  })
  const wish = { name: `Probe ${p}`, kind: 'probe' as const, placeId: place.id, zone: 'air' as const }
  const { device } = await devices.add(wish)
  // months ago: what stays of them is an hour's sums
  const hours = Array.from({ length: (DAYS - RAW_DAYS) * 24 }, (_, h) => ({
    at: new Date(NOW - DAYS * A_DAY * MINUTE + h * 60 * MINUTE).toISOString(),
    tempC: valueAt(p, h * 60),
  }))
  for (let i = 0; i < hours.length; i += 5000) await devices.takeFile(device, hours.slice(i, i + 5000))
  for (let day = RAW_DAYS - 1; day >= 0; day--) {
    const from = NOW - (day + 1) * A_DAY * MINUTE + MINUTE
    const readings = Array.from({ length: A_DAY }, (_, m) => ({
      at: new Date(from + m * MINUTE).toISOString(),
      tempC: valueAt(p, m),
    }))
    const start = performance.now()
    await devices.take(device, readings)
    const between = performance.now()
    const rows = readings.map(r => ({ device: p, at: Date.parse(r.at), value: r.tempC }))
    await bare.transaction(trx => trx.batchInsert('bare', rows, 200))
    took.mantel += between - start
    took.bare += performance.now() - between
    took.batches++
  }
}
const sizeOf = async (of: typeof db): Promise<number> => {
  const [pages, size] = await Promise.all([of.raw('PRAGMA page_count'), of.raw('PRAGMA page_size')])
  return (pages as [{ page_count: number }])[0].page_count * (size as [{ page_size: number }])[0].page_size
}
const MB = 1024 ** 2
console.log(
  `A day of one probe (${A_DAY} readings): ${(took.mantel / took.batches).toFixed(1)} ms; in a bare table ${(took.bare / took.batches).toFixed(1)} ms: ${(took.mantel / took.bare).toFixed(2)} ×`,
)
console.log(
  `${PROBES} probes, ${DAYS} days: ${((await sizeOf(db)) / MB).toFixed(1)} MB; so ${Math.round(((await sizeOf(db)) * SCALE) / MB)} MB for 100`,
)
console.log(`The same raw readings in a bare table: ${((await sizeOf(bare)) / MB).toFixed(1)} MB`)
const start = performance.now()
const again = await HouseKeeper.open(db, await planHere())
console.log(`House with these readings opened in ${Math.round(performance.now() - start)} ms`)
await again.close()
await bare.destroy()
rmSync(folder, { recursive: true, force: true })
process.exit(0)
