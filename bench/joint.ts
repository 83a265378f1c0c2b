// The joint plan of the demo and of a big house: time, proven gap, memory; beside the whole programme given to the
// solver at once, and beside each prey planned by itself.
import highsLoader from 'highs'
import { shipped, withOwn } from '#core/almanac'
import { PlanMemory, houseOf, planFeeders, planGroup, planJobs, seasonOfHouse } from '#core/season'
import { jointInput, sharing } from '../core/season/plans/together'
import { keptOf } from '../core/season/plans/kept'
import { limitsOf } from '../core/season/plans/limits'
import { JointProgramme } from '../core/supply/joint/programme'
import { ownRows, recordsFrom } from '#core/subjects'
import { solverFrom } from '#shared/solver'
import { alderYard } from '../server/demo/alderYard'
import { bigHouse } from './bigHouse'

const today = 20_782
const highs = await highsLoader()
const solve = solverFrom(highs)
const demo = alderYard(today)
const timed = <T>(run: () => T): [T, number] => {
  const start = performance.now()
  return [run(), performance.now() - start]
}
/** The longest that the whole programme is searched, in seconds. */
const WHOLE_SECONDS = 20

const big = bigHouse({ animals: 2000, clutches: 300, cultures: 120, entries: 5000 }, today).records
const houses = {
  'demo': recordsFrom(demo.entries),
  'demo, 95 of 100 seasons': recordsFrom(demo.entries),
  '2,000 animals, 300 clutches, 120 cultures': big,
  // all that is frozen is planned together: beside hunger that nothing avoids
  '2,000 animals, a freezer of 2,000 L': big,
}
for (const [name, records] of Object.entries(houses)) {
  const house = houseOf(records)
  const { almanac } = withOwn(shipped, { ...ownRows(house, demo.settings.cultureWeekday), numbers: [] })
  const settings = {
    ...demo.settings,
    safeSeasons: name.includes('95') ? 0.95 : null,
    freezerLitres: name.includes('freezer') ? 2000 : null,
  }
  const { season, scenarios } = seasonOfHouse(house, almanac, settings, today)
  const jobs = planJobs(season.prey, scenarios, house, almanac, settings, today)
  const memory = new PlanMemory()
  const all = () => planFeeders(season, scenarios, house, almanac, settings, solve, memory)
  const [plans, firstMs] = timed(all)
  const [, againMs] = timed(() => planFeeders(season, scenarios, house, almanac, settings, solve))
  const [, knownMs] = timed(all)
  const largest = jobs.reduce((a, b) => (b.looks.length > a.looks.length ? b : a))
  const [, largestMs] = timed(() => planGroup(largest, solve))
  // each prey by itself, with nothing that may stand for it: what was done before
  const bare = {
    ...largest,
    others: [],
    almanac: {
      ...largest.almanac,
      feeders: Object.fromEntries(
        Object.entries(largest.almanac.feeders).map(([id, f]) => [id, { ...f, standIns: [], otherWays: [] }]),
      ),
    },
  }
  const [alone, aloneMs] = timed(() => bare.looks.flatMap(look => planGroup({ ...bare, looks: [look] }, solve)))
  const hungry = (list: typeof plans) => list.reduce((n, p) => n + p.shortDays, 0)
  console.log(`\n${name}: ${plans.length} prey in ${jobs.length} groups`)
  console.log(
    `  all plans, cold ${firstMs.toFixed(0)} ms, warm ${againMs.toFixed(0)} ms, unchanged ${knownMs.toFixed(1)} ms`,
  )
  const beside = (largestMs / aloneMs).toFixed(2)
  const spares = plans.reduce((n, p) => n + p.spares, 0)
  console.log(
    `  largest group ${largestMs.toFixed(0)} ms; each of its prey alone ${aloneMs.toFixed(0)} ms (${beside} ×)`,
  )
  console.log(
    `  hungry days expected: ${hungry(plans).toFixed(2)} together, ${hungry(alone).toFixed(2)} alone; spares ${spares}`,
  )
  const told = plans.flatMap(p => p.reasons).filter(r => r.rule.startsWith('Planned together'))
  for (const line of new Set(told.map(r => r.inputs.find(i => i.label.startsWith('Cost'))!.value)))
    console.log(`  ${line}`)
  const safety = plans.flatMap(p => p.reasons).find(r => r.rule.startsWith('Spares'))
  if (safety) console.log(`  ${safety.inputs.map(i => `${i.label}: ${i.value}`).join('; ')}`)
  const kept = keptOf(largest)
  if (kept.length > 1 && settings.safeSeasons === null) {
    const programme = new JointProgramme(jointInput(kept, sharing(kept, largest), largest, limitsOf(kept, largest)))
    const [found, wholeMs] = timed(() =>
      highs.solve(programme.text(programme.wholeStarts(1000)), {
        output_flag: false,
        random_seed: 1,
        mip_rel_gap: 0.02,
        time_limit: WHOLE_SECONDS,
      }),
    )
    console.log(
      `  whole programme at once: ${found.Status} after ${wholeMs.toFixed(0)} ms, cost ${found.ObjectiveValue.toFixed(1)}`,
    )
  }
  console.log(`  heap ${Math.round(process.memoryUsage().heapUsed / 1e6)} MB`)
}
