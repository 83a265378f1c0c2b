import highsLoader from 'highs'
import { shipped, withOwn } from '#core/almanac'
import { PlanMemory, houseOf, planFeeders, seasonOfHouse } from '#core/season'
import { ownRows, recordsFrom } from '#core/subjects'
import { solverFrom } from '#shared/solver'
import { alderYard } from '../server/demo/alderYard'
const today = 20_782
const highs = await highsLoader()
let n = 0, t = 0
const s0 = solverFrom(highs)
const solve: typeof s0 = ((...a: any[]) => { const s = performance.now(); const r = (s0 as any)(...a); n++; t += performance.now() - s; console.log('   solve', Math.round(performance.now() - s), (a[0] as string).length); return r }) as any
const demo = alderYard(today)
const records = recordsFrom(demo.entries)
for (const cap of [36, 20, 12, 9, 36, 9]) {
  const house = houseOf(records)
  for (const p of Object.values(house.places)) if (p.name === 'Fly board') (p as any).capacity = cap
  const { almanac } = withOwn(shipped, { ...ownRows(house, demo.settings.cultureWeekday), numbers: [] })
  const { season, scenarios } = seasonOfHouse(house, almanac, demo.settings, today)
  n = 0; t = 0
  const s = performance.now()
  const plans = planFeeders(season, scenarios, house, almanac, demo.settings, solve, new PlanMemory())
  console.log(cap, Math.round(performance.now() - s), 'ms; solver', n, Math.round(t), plans.reduce((a, p) => a + p.shortDays, 0))
}
