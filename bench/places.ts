// A day's care of 2,000 animals in 400 tubs with all jobs, and the watch over 100 probes, beside plain loops.
import { Bench } from 'tinybench'
import { foundings } from '../tests/fixtures/records'
import { shippedAlmanac } from '#core/almanac'
import { seededRandom } from '#core/chance'
import type { HourlyLog, PlaceLogs } from '#core/channels'
import { careLines } from '#core/jobs'
import { SeasonMemory, defaultSettings, houseOf, seasonOfHouse } from '#core/season'
import { recordsFrom, type AnimalCard, type DatedEntry, type Place } from '#core/subjects'

const today = 20_782
const [RACKS, TUBS, ANIMALS, PROBES, DAYS] = [40, 400, 2000, 100, 365]
const SPECIES = ['mourning-gecko', 'corn-snake', 'leopard-gecko', 'golden-mantella', 'hermanns-tortoise']
const random = seededRandom(11)

const blank = { tempC: null, capacity: null }
const places: Place[] = [
  { id: 'room', name: 'Room', kind: 'room', parentId: null, order: 0, ...blank },
  ...Array.from({ length: RACKS }, (_, i): Place => ({
    id: `r${i}`,
    name: `Rack ${i}`,
    kind: 'rack',
    size: { widthCm: 60, depthCm: 40, heightCm: 30 },
    parentId: 'room',
    order: i,
    ...blank,
  })),
  ...Array.from({ length: TUBS }, (_, i): Place => ({
    id: `t${i}`,
    name: `Tub ${i}`,
    kind: 'tub',
    parentId: `r${i % RACKS}`,
    order: i,
    ...blank,
  })),
]
const animals: AnimalCard[] = Array.from({ length: ANIMALS }, (_, i) => ({
  id: `a${i}`,
  tag: `A-${i}`,
  name: null,
  speciesId: SPECIES[(i % TUBS) % SPECIES.length]!,
  sex: 'female',
  bornDay: today - 1500,
  placeId: `t${i % TUBS}`,
  damId: null,
  sireId: null,
  clutchId: null,
  foundedBy: null,
}))
const log: DatedEntry[] = Array.from({ length: RACKS * 30 * 3 }, (_, i) => {
  const day = today - 30 + Math.floor(i / (RACKS * 3))
  const job = ['water', 'spotClean', 'mist'][i % 3]!
  return {
    id: `c${i}`,
    at: new Date(day * 86_400_000 + 10 * 3_600_000 + i).toISOString(),
    day,
    subject: { type: 'place', id: `r${Math.floor(i / 3) % RACKS}` },
    kind: 'cared',
    data: { job, but: [`t${Math.floor(random() * TUBS)}`] },
    source: 'demo',
  }
})
const climate: Record<string, PlaceLogs> = Object.fromEntries(
  Array.from({ length: PROBES }, (_, i) => {
    const mean = Float64Array.from({ length: DAYS * 24 }, (_x, h) => 24 + 3 * Math.sin(h / 4) + random())
    const row: HourlyLog = { from: (today - DAYS) * 24 + 12, min: mean, mean, max: mean }
    return [`t${i}`, { 'temperature:air': row }]
  }),
)
const house = houseOf(recordsFrom([...foundings(places, animals), ...log], climate))
const bench = new Bench({ iterations: 10, time: 0, warmupIterations: 2, warmupTime: 0 })
let lines = 0
bench
  .add('care of a day, all jobs', () => {
    lines = careLines(house, shippedAlmanac, today).length
  })
  .add('plain loop: every tub, every entry of its rack', () => {
    lines = 0
    for (const tub of places)
      for (const entry of log)
        if (entry.subject.id === tub.parentId && !(entry.data.but as string[]).includes(tub.id)) lines++
  })
const context = () => seasonOfHouse(house, shippedAlmanac, defaultSettings, today, new SeasonMemory())
await bench.run()
console.log(`${lines} counted; ${ANIMALS} animals, ${TUBS} tubs, ${PROBES} probes over ${DAYS} days`)
console.table(bench.table())
const memory = new SeasonMemory()
const took = (make: () => unknown): number => {
  const start = performance.now()
  make()
  return Math.round(performance.now() - start)
}
console.log(`season from nothing: ${took(context)} ms`)
seasonOfHouse(house, shippedAlmanac, defaultSettings, today, memory)
console.log(`season once more: ${took(() => seasonOfHouse(house, shippedAlmanac, defaultSettings, today, memory))} ms`)
