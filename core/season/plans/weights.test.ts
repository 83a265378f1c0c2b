import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { solverFrom } from '#shared/solver'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shipped, shippedAlmanac, withOwn } from '../../almanac'
import { defaultSettings, type HouseSettings } from '../../settings'
import { materialId, ownRows } from '../../subjects'
import { keptOf } from './kept'
import { jointInput, sharing } from './together'
import { houseOf, planFeeders, planJobs, seasonOfHouse, type FeederPlan, type FeederWeights } from '..'

const today = 20_000
const solve = solverFrom(await highsLoader())
const alike = { ...defaultSettings, schools: { cupRhythm: 'asNeeded' } }
const byCost: HouseSettings = { ...defaultSettings, schools: { cupRhythm: 'asNeeded', unitWeight: 'byCost' } }
/** An hour is worth so much, and a start of usual length takes so many minutes. */
const hour = shippedAlmanac.schools.unitWeight!.choices.find(c => c.id === 'byCost')!.fact!.value
const usualStart = (shippedAlmanac.common.startMinutes!.value / 60) * hour

function house(prices: { crickets: number; roaches: number }, b = new HouseBuilder(today)) {
  for (let i = 0; i < 12; i++) b.animal(`G-${i}`, 'fat-tailed-gecko', { bornDay: today - 120 })
  b.culture('F-1', 'fly.small', -20)
  b.write('preyCounted', { type: 'prey', id: 'cricket.half' }, 0, { count: 0 })
  b.write('preyCounted', { type: 'prey', id: 'roach.small' }, 0, { count: 0 })
  const supplier = { type: 'supplier' as const, id: 'near' }
  b.write('supplierAdded', supplier, -90, { name: 'Near', leadDays: 2 }, 'near')
  const offers = [
    { prey: 'cricket.half', pieces: 500, price: prices.crickets },
    { prey: 'roach.small', pieces: 500, price: prices.roaches },
  ]
  b.write('priceListSet', supplier, -60, { offers })
  return b
}
function worked(b: HouseBuilder, settings = byCost) {
  const house = houseOf(b.records())
  const { almanac } = withOwn(shipped, { ...ownRows(house, settings.cultureWeekday), numbers: [] })
  const { season, scenarios } = seasonOfHouse(house, almanac, settings, today)
  const jobs = planJobs(season.prey, scenarios, house, almanac, settings, today)
  return { jobs, plans: planFeeders(season, scenarios, house, almanac, settings, solve) }
}
const weightsOf = (b: HouseBuilder): Record<string, FeederWeights> =>
  Object.assign({}, ...worked(b).jobs.map(j => j.weights))
const packs = (plans: readonly FeederPlan[], prey: string) => plans.find(p => p.prey === prey)?.units ?? 0
const missing = (plans: readonly FeederPlan[]) => plans.reduce((n, p) => n + p.missing.reduce((a, m) => a + m, 0), 0)

describe('what a unit weighs', () => {
  it('is the same of all, as long as the school says so', () => {
    for (const job of worked(house({ crickets: 60, roaches: 5 }), alike).jobs) expect(job.weights).toBeUndefined()
  })

  it('leaves hunger what it is; by cost a hungry meal weighs as so many of the dearest', () => {
    const hungryCosts = (settings: HouseSettings) =>
      worked(house({ crickets: 30, roaches: 12 }), settings).jobs.map(job => {
        const kept = keptOf(job)
        return { job, cost: jointInput(kept, sharing(kept, job), job).hungryCost }
      })
    const usual = shippedAlmanac.common.hungryCost!.value
    for (const { cost } of hungryCosts(alike)) expect(cost).toBe(usual)
    const insects = hungryCosts(byCost).find(({ job }) => job.looks.some(l => l.prey === 'cricket.half'))!
    expect(insects.cost).toBeGreaterThanOrEqual((usual * 30) / usualStart - 1e-9)
  })

  it('is a pack’s price, and a cup’s materials and work, beside the work of a usual start', () => {
    const b = house({ crickets: 12, roaches: 30 })
    const { recipe } = shippedAlmanac.feeders['fly.small']!
    const mix = recipe!.parts.find(p => p.what === 'dry mix')!.amount
    const weights = () => weightsOf(b)
    expect(weights()['cricket.half']!.usual).toEqual({ money: 12, units: 12 / usualStart })
    expect(weights()['roach.small']!.usual.units).toBeCloseTo(30 / usualStart, 9)
    const work = (recipe!.minutes?.value ?? shippedAlmanac.common.startMinutes!.value) / 60
    expect(weights()['fly.small']!.usual.money).toBeCloseTo(work * hour, 9)
    // 900 mL for 18: two cents a mL
    b.write('materialBought', { type: 'material', id: materialId('dry mix', mix.unit) }, -3, { amount: 900, price: 18 })
    expect(weights()['fly.small']!.usual.money).toBeCloseTo(work * hour + mix.value * 0.02, 9)
  })

  it('without a price is one', () => {
    expect(weightsOf(house({ crickets: 12, roaches: 30 }))['isopod.dwarf']?.usual.units ?? 1).toBeGreaterThan(0)
    const b = new HouseBuilder(today)
    for (let i = 0; i < 4; i++) b.animal(`G-${i}`, 'fat-tailed-gecko', { bornDay: today - 120 })
    expect(weightsOf(b)['cricket.half']!.usual).toEqual({ money: null, units: 1 })
  })

  it('moves the plan to what is cheaper and does as well, and never saves a meal', () => {
    // a meal of something else weighs nearly a third of a start: a pack feeds a hundred
    const dear = { crickets: 900, roaches: 6 }
    const [weighed, counted] = [worked(house(dear)).plans, worked(house(dear), alike).plans]
    expect(packs(weighed, 'cricket.half')).toBeLessThan(packs(counted, 'cricket.half'))
    expect(packs(weighed, 'roach.small')).toBeGreaterThan(packs(counted, 'roach.small'))
    const money = (plans: readonly FeederPlan[]) =>
      packs(plans, 'cricket.half') * dear.crickets + packs(plans, 'roach.small') * dear.roaches
    expect(money(weighed)).toBeLessThan(money(counted))
    for (const price of [0, 900, 9000]) {
      const { plans } = worked(house({ crickets: price, roaches: price }))
      expect(missing(plans)).toBeLessThanOrEqual(missing(counted) + 1)
    }
  })
})
