// The judgement of a big house in the cold: 1,000 animals with 20 weighings each, 120 days of hourly readings.
import { foundings } from '../tests/fixtures/records'
import { Bench } from 'tinybench'
import { shippedAlmanac } from '#core/almanac'
import { theilSen } from '#core/brumation'
import { seededRandom } from '#core/chance'
import type { HourlyLog } from '#core/channels'
import { recordsFrom, type AnimalCard, type DatedEntry, type Place } from '#core/subjects'
import { coldOf, defaultSettings, houseOf } from '#core/season'

const today = 20_782
const ANIMALS = 1000
const WEIGHINGS = 20
const DAYS = 120
const random = seededRandom(5)

const places: Place[] = [
  { id: 'chest', name: 'Chest', kind: 'cold', parentId: null, order: 0, tempC: 12, capacity: null },
]
const animals: AnimalCard[] = Array.from({ length: ANIMALS }, (_, i) => ({
  id: `a${i}`,
  tag: `A-${i}`,
  name: null,
  speciesId: 'california-kingsnake',
  sex: 'female',
  bornDay: today - 1500,
  placeId: 'chest',
  damId: null,
  sireId: null,
  clutchId: null,
  foundedBy: null,
}))
const log: DatedEntry[] = animals.flatMap((a, n) => [
  ...Array.from({ length: WEIGHINGS }, (_, i): DatedEntry => ({
    id: `w${n}-${i}`,
    at: new Date((today - DAYS + i * 6) * 86_400_000).toISOString(),
    day: today - DAYS + i * 6,
    subject: { type: 'animal', id: a.id },
    kind: 'weighed',
    data: { massG: 500 - i * (0.5 + random()) },
    source: 'demo',
  })),
  {
    id: `c${n}`,
    at: new Date((today - DAYS) * 86_400_000 + 1).toISOString(),
    day: today - DAYS,
    subject: { type: 'animal', id: a.id },
    kind: 'cooledDown',
    data: {},
    source: 'demo',
  },
])
const temps = Float64Array.from({ length: DAYS * 24 }, () => 12 + random())
const climate: HourlyLog = { from: (today - DAYS) * 24, min: temps, mean: temps, max: temps }
const house = houseOf(recordsFrom([...foundings(places, animals), ...log], { chest: { 'temperature:air': climate } }))
const points = animals.map(a => house.animals[a.id]!.weights.map(w => ({ x: w.day, y: w.massG })))

const bench = new Bench({ iterations: 10, time: 0, warmupIterations: 2, warmupTime: 0 })
let verdicts = 0
bench
  // new settings each time, so that nothing is remembered
  .add(`judgement of ${ANIMALS} animals, ${WEIGHINGS} weighings each, ${DAYS} days of hourly readings`, () => {
    const context = { house, almanac: shippedAlmanac, settings: { ...defaultSettings }, today }
    for (const animal of Object.values(house.animals)) verdicts += coldOf(animal, context)!.verdict.reasons.length
  })
  .add('baseline: the robust slope of each alone', () => {
    for (const list of points) verdicts += theilSen(list)!.slope
  })
await bench.run()
const p50 = bench.tasks.map(t => ('latency' in t.result! ? t.result.latency.p50 : Number.NaN))
console.table(bench.tasks.map((t, i) => ({ 'what': t.name, 'median ms': Number(p50[i]!.toFixed(1)) })))
console.log(`${(p50[0]! / p50[1]!).toFixed(1)} × the baseline (${verdicts > 0 ? 'all judged' : 'nothing judged'})`)
