// What 300 species of the house's own cost beside none, in the same run: making the almanac, the season, one more
// entry.
import { Bench } from 'tinybench'
import { shipped, shippedAlmanac, withCheckedOwn, type Almanac, type OwnSpecies } from '#core/almanac'
import { FoldMemory, withEntry, type DatedEntry } from '#core/subjects'
import { SeasonMemory, defaultSettings, season } from '#core/season'
import { bigHouse } from './bigHouse'

const today = 20_782
const settings = { ...defaultSettings }
const { records } = bigHouse({ animals: 2000, clutches: 300, cultures: 120, entries: 100_000 }, today)
const relatives = Object.keys(shippedAlmanac.species)
const rows = Array.from({ length: 300 }, (_, i): OwnSpecies => ({
  id: `own-${i}`,
  added: true,
  from: relatives[i % relatives.length]!,
  type: i % 3 === 0,
  name: `Own ${i}`,
  latin: '',
  parts: {},
  retired: false,
}))
const numbers = [{ path: 'species.corn-snake.fertility.value', value: 0.8 }]
const make = (own: readonly OwnSpecies[]) => withCheckedOwn(shipped, { species: own, feeders: [], numbers }).almanac
const plain = make([])
const large = make(rows)

/** One more weight, taken over by a season that remembers. */
function oneMore(almanac: Almanac) {
  const memories = { fold: new FoldMemory(), season: new SeasonMemory() }
  let grown = records
  let n = 0
  season(grown, almanac, settings, today, memories)
  return () => {
    const entry: DatedEntry = {
      id: `n${n++}`,
      at: new Date(today * 86_400_000 + n).toISOString(),
      day: today,
      subject: { type: 'animal', id: `a${n % 2000}` },
      kind: 'weighed',
      data: { massG: 300 },
      source: 'keeper',
    }
    grown = withEntry(grown, entry)
    season(grown, almanac, settings, today, memories)
  }
}

const bench = new Bench({ iterations: 12, time: 0, warmupIterations: 3, warmupTime: 0 })
bench
  .add('baseline: almanac of the house, no species of its own', () => void make([]))
  .add('almanac of the house, 300 species of its own', () => void make(rows))
  .add('baseline: season from nothing', () => void season(records, plain, { ...settings }, today))
  .add('season from nothing, 300 species of its own', () => void season(records, large, { ...settings }, today))
  .add('baseline: one more entry', oneMore(plain))
  .add('one more entry, 300 species of its own', oneMore(large))
await bench.run()
const median = (i: number) => {
  const result = bench.tasks[i]!.result
  return 'latency' in result ? result.latency.p50 : Number.NaN
}
for (let i = 0; i < bench.tasks.length; i += 2)
  console.log(
    `${bench.tasks[i + 1]!.name}: ${median(i + 1).toFixed(1)} ms = ${(median(i + 1) / median(i)).toFixed(2)} × ${bench.tasks[i]!.name.replace('baseline: ', '')} (${median(i).toFixed(1)} ms)`,
  )
