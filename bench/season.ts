// The season of a big house: time, memory, and what one more entry costs, beside plain baselines of the same run.
import { foundings } from '../tests/fixtures/records'
import { Bench } from 'tinybench'
import highsLoader from 'highs'
import { shippedAlmanac } from '#core/almanac'
import { FoldMemory, recordsFrom, withEntry, type DatedEntry } from '#core/subjects'
import { PlanMemory, SeasonMemory, defaultSettings, houseOf, planFeeders, season, seasonOfHouse } from '#core/season'
import { solverFrom } from '#shared/solver'
import { bigHouse } from './bigHouse'

const today = 20_782
const settings = { ...defaultSettings }
const megabytes = (bytes: number) => `${Math.round(bytes / 1e6)} MB`
const before = process.memoryUsage().heapUsed
const { records, log, places, animals } = bigHouse(
  { animals: 2000, clutches: 300, cultures: 120, entries: 500_000 },
  today,
)
console.log(
  `House: ${animals.length} animals, 300 clutches, 120 cultures, ${log.length} entries, ${megabytes(process.memoryUsage().heapUsed - before)} of heap`,
)

// plain baseline: touch every entry once, as any program that reads the log must
const touch = () => {
  let sum = 0
  const sorted = [...log].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0))
  for (const e of sorted) sum += e.day + Object.keys(e.data).length
  return sum
}

const timed = <T>(run: () => T): [T, number] => {
  const start = performance.now()
  return [run(), performance.now() - start]
}

const [, plainMs] = timed(touch)
const fresh = recordsFrom([...foundings(places, animals), ...log])
const [, coldMs] = timed(() => season(fresh, shippedAlmanac, settings, today))
console.log(
  `Season, nothing remembered: ${coldMs.toFixed(0)} ms = ${(coldMs / plainMs).toFixed(2)} × sorting and reading the log once (${plainMs.toFixed(0)} ms); heap ${megabytes(process.memoryUsage().heapUsed)}`,
)

const memories = { fold: new FoldMemory(), season: new SeasonMemory() }
season(records, shippedAlmanac, settings, today, memories)
let serial = 0
const oneMore = (): DatedEntry => ({
  id: `n${serial++}`,
  at: new Date(today * 86_400_000 + serial).toISOString(),
  day: today,
  subject: { type: 'animal', id: `a${serial % 2000}` },
  kind: 'weighed',
  data: { massG: 300 },
  source: 'keeper',
})

const bench = new Bench({ iterations: 20, time: 0, warmupIterations: 3, warmupTime: 0 })
let grown = records
bench
  .add('one more entry: records, fold and season', () => {
    grown = withEntry(grown, oneMore())
    season(grown, shippedAlmanac, settings, today, memories)
  })
  .add('baseline: the same without remembering', () => {
    season(recordsFrom([...foundings(places, animals), ...log]), shippedAlmanac, { ...settings }, today)
  })
await bench.run()
console.table(
  bench.tasks.map(t => ({
    'what': t.name,
    'median ms': Number(('latency' in t.result! ? t.result.latency.p50 : Number.NaN).toFixed(1)),
  })),
)

const solve = solverFrom(await highsLoader())
const house = houseOf(records)
const made = seasonOfHouse(house, shippedAlmanac, settings, today)
const memory = new PlanMemory()
const [plans, planMs] = timed(() =>
  planFeeders(made.season, made.scenarios, house, shippedAlmanac, settings, solve, memory),
)
console.log(`Feeder plans (integer programmes and simulation) for ${plans.length} prey: ${planMs.toFixed(0)} ms`)
const [, againMs] = timed(() =>
  planFeeders(made.season, made.scenarios, house, shippedAlmanac, settings, solve, memory),
)
console.log(`The same plans again: ${againMs.toFixed(0)} ms`)
