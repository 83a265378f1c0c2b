import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac, speciesOf } from '../almanac'
import { HouseBuilder } from '../../tests/fixtures/records'
import { defaultSettings, houseOf, season } from '.'
import { lossesOf, survivalOf, watchedYoung } from './survival'
import { tellLosses } from './survivalWording'

const today = 20_560
const species = speciesOf(almanac, 'leopard-gecko')
const firstMeal = Object.values(species.clocks).find(c => c.to === 'firstMeal')!.days.likely

/** A clutch of so many that all hatched so many days after their first meal was due. */
function hatchery(clutches: Record<string, { count: number; age: number }>): HouseBuilder {
  const b = new HouseBuilder(today).animal('F', species.id, { sex: 'female' })
  const pair = b.pair('F', null, -400)
  for (const [id, { count, age }] of Object.entries(clutches)) {
    const laid = { tag: id, eggs: count, slugs: 0, tempC: 28, placeId: null }
    b.write('laid', { type: 'pairing', id: pair }, -age - 60, laid, id)
    b.write('hatched', { type: 'clutch', id }, -age - firstMeal, { count })
  }
  return b
}
const at = (b: HouseBuilder) => ({ house: houseOf(b.records()), almanac, settings: defaultSettings, today })
const seen = (b: HouseBuilder) => watchedYoung(at(b)).bySpecies.get(species.id)!
const clutch = (id: string) => ({ type: 'clutch' as const, id })

describe('young that are watched', () => {
  it('count from their first meal to their loss, their sale, their 90th day, or today', () => {
    const b = hatchery({ C1: { count: 4, age: 40 }, C2: { count: 3, age: 200 } })
    expect(seen(b)).toEqual({ lost: 0, young: 7, youngDays: 4 * 40 + 3 * 90 })
    b.write('youngLost', clutch('C1'), -30, { count: 1 })
    b.write('youngSold', clutch('C1'), -10, { count: 2 })
    expect(seen(b)).toEqual({ lost: 1, young: 7, youngDays: 10 + 2 * 30 + 40 + 3 * 90 })
    // what dies when it is half a year old is no loss of the first 90 days
    b.write('youngLost', clutch('C2'), -20, { count: 1 })
    expect(seen(b)).toEqual({ lost: 1, young: 7, youngDays: 10 + 2 * 30 + 40 + 3 * 90 })
  })

  it('are the same whether they got tags or not', () => {
    const b = hatchery({ C1: { count: 4, age: 40 } })
    b.write('tagged', clutch('C1'), -35, { count: 2 }, 'tags')
    for (const id of ['Y1', 'Y2'])
      b.animal(id, species.id, { clutchId: 'C1', bornDay: today - 40 - firstMeal, foundedBy: 'tags' })
    b.write('died', { type: 'animal', id: 'Y1' }, -30)
    b.write('youngLost', clutch('C1'), -20, { count: 1 })
    expect(seen(b)).toEqual({ lost: 2, young: 4, youngDays: 10 + 40 + 20 + 40 })
  })
})

describe('what the house learns of them', () => {
  it('moves the share that is usual, and the mouths that are planned for', () => {
    const good = hatchery({ C1: { count: 40, age: 89 }, C2: { count: 10, age: 1 } })
    const bad = hatchery({ C1: { count: 40, age: 89 }, C2: { count: 10, age: 1 } })
    bad.write('youngLost', clutch('C1'), -60, { count: 20 })
    const share = (b: HouseBuilder) => survivalOf(species, seen(b), { almanac }).share
    expect(share(good)).toBeGreaterThan(species.survival90.value)
    expect(share(bad)).toBeLessThan(species.survival90.value - 0.1)
    const mouths = (b: HouseBuilder) =>
      season(b.records(), almanac, defaultSettings, today).season.mouths.find(m => m.laneId === 'clutch:C2')!
    expect(mouths(bad).survival90).toBe(share(bad))
    const need = (b: HouseBuilder) => {
      const rows = season(b.records(), almanac, defaultSettings, today).season.prey
      const of = rows.flatMap(p => p.causes.filter(c => c.id === 'clutch:C2').map(c => c.total))
      return of.reduce((a, n) => a + n, 0)
    }
    expect(need(bad)).toBeLessThan(need(good))
    const lane = season(bad.records(), almanac, defaultSettings, today).season.lanes.find(l => l.title === 'C2')!
    expect(lane.young.reasons.at(-1)!.inputs.map(i => i.value)).toContain(
      '20 of 50 lost in 2,370 days, summed over the young',
    )
  })

  it('says nothing where nothing hatched, and nothing of tadpoles', () => {
    expect(survivalOf(species, undefined, { almanac })).toEqual({ share: species.survival90.value, reasons: [] })
    expect(watchedYoung(at(new HouseBuilder(today))).bySpecies.size).toBe(0)
  })
})

describe('losses of one clutch', () => {
  const told = (b: HouseBuilder) => {
    const { house } = at(b)
    return tellLosses(lossesOf(house.clutches.C1!, at(b))!, almanac)
  }
  const alarm = (b: HouseBuilder) =>
    season(b.records(), almanac, defaultSettings, today).season.alarms.find(a => a.id.startsWith('losses:'))

  it('two of 23 by the fourth day of many are told by their chance, against the others', () => {
    const b = hatchery({ C1: { count: 23, age: 60 }, C2: { count: 40, age: 300 } })
    b.write('youngLost', clutch('C1'), -50, { count: 1 })
    expect(told(b)).toMatch(new RegExp(`^1 of 23 lost by day ${60 + firstMeal}: usual for them`))
    expect(alarm(b)).toBeUndefined()
    b.write('youngLost', clutch('C1'), -2, { count: 9 })
    expect(told(b)).toMatch(/^10 of 23 lost .*far more than is usual/)
    expect(alarm(b)).toMatchObject({ level: 'harm', subject: { type: 'clutch', id: 'C1' } })
    expect(alarm(b)!.reasons[0]!.inputs.map(i => i.value)).toContain('10 of 23')
  })

  it('of a few that die as they hatch are no alarm; of a third of them are', () => {
    const b = hatchery({ C1: { count: 30, age: -firstMeal }, C2: { count: 40, age: 300 } })
    b.write('youngLost', clutch('C1'), 0, { count: 2 })
    expect(alarm(b)).toBeUndefined()
    b.write('youngLost', clutch('C1'), 0, { count: 8 })
    expect(alarm(b)).toMatchObject({ level: 'harm' })
  })

  it('are told for some weeks, and no longer', () => {
    const b = hatchery({ C1: { count: 23, age: 60 } })
    b.write('youngLost', clutch('C1'), -40, { count: 12 })
    expect(told(b)).toMatch(/far more/)
    expect(alarm(b)).toBeUndefined()
  })

  it('of a house that always loses many are usual for it', () => {
    const b = hatchery({ C1: { count: 20, age: 60 }, C2: { count: 200, age: 300 } })
    b.write('youngLost', clutch('C2'), -280, { count: 80 })
    b.write('youngLost', clutch('C1'), -10, { count: 7 })
    expect(told(b)).toMatch(/: usual for them/)
  })
})
