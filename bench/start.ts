// The start of a big house: opened from its database, and moved over from the program before the one log.
// npm run bench:start [entries]
import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 } from 'uuid'
import { fillOld, oldDatabase } from '../tests/fixtures/oldHouse'
import { planHere } from '../tests/fixtures/planHere'
import { openDatabase } from '../server/db/open'
import { HouseKeeper } from '../server/house/houseKeeper'
import { bigHouse } from './bigHouse'

process.env.MANTEL_TODAY = '2026-11-25'
const entries = Number(process.argv[2] ?? 500_000)
const folder = mkdtempSync(join(tmpdir(), 'mantel-start-'))
const file = join(folder, 'house.sqlite')
const timed = async <T>(what: string, run: () => Promise<T>): Promise<T> => {
  const start = performance.now()
  const value = await run()
  console.log(`${what}: ${Math.round(performance.now() - start)} ms`)
  return value
}

const { places, animals, log } = bigHouse({ animals: 2000, clutches: 300, cultures: 120, entries }, 20_782)
const old = await oldDatabase(file, 3)
await timed(`Plain baseline: ${log.length} rows written`, () =>
  fillOld(old, { places, animals, entries: log, settings: { timeZone: '"Europe/Berlin"' }, numbers: [] }),
)
await old.destroy()
console.log(`${Math.round(statSync(file).size / 1e6)} MB`)
const moved = await timed('Opened by the new program, which backs it up and moves it over', () => openDatabase(file))
await moved.destroy()
const db = await timed('Opened again', () => openDatabase(file))
const rows = await timed('Plain baseline: all rows read', () => db('entries').select())
const keeper = await timed('The house stands', async () => HouseKeeper.open(db, await planHere()))
await timed('Its season', () => keeper.queries.season())
console.log(`${rows.length} entries, ${Object.keys(keeper.house.animals).length} animals`)

const list = ['tag,species,born', ...Array.from({ length: 2000 }, (_, i) => `L-${i},corn snake,2025-05-01`)].join('\n')
await timed('A list of 2,000 animals added to it', () => keeper.requests.addList(list))
await keeper.queries.season()
for (const turn of [1, 2, 3]) {
  const batch = animals.slice(0, 500).map(({ id }, i) => ({
    id: v7(),
    at: new Date(Date.UTC(2026, 10, 24, 8 + turn) + i * 1000).toISOString(),
    kind: 'weighed',
    subject: { type: 'animal' as const, id },
    data: { massG: 300 + turn, sure: true },
    source: 'keeper' as const,
  }))
  await timed('A batch of 500 weights', () => keeper.writer.write(batch))
}
await keeper.close()
rmSync(folder, { recursive: true, force: true })
process.exit()
