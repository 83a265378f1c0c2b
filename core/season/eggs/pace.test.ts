import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac as almanac, speciesOf } from '../../almanac'
import { mean, seededRandom, stratified } from '../../chance'
import { daysAt, fitThermalTime } from '../../incubation'
import { defaultSettings, houseOf, seasonOfHouse } from '..'
import { warmthOfHouse } from '../warmth'
import { hatchPace, settingChoice } from '.'

const today = 20_000
const species = speciesOf(almanac, 'fat-tailed-gecko')
const atC = 28
/** Days of the table at what the incubator is set to. */
const table = daysAt(fitThermalTime(species.incubation!.points), atC)

/** A house in which clutches came out after these days, and one is laid ten days ago. */
function house(hatched: readonly number[], more: (b: HouseBuilder, id: string) => void = () => {}) {
  const b = new HouseBuilder(today)
    .place('inc', { kind: 'incubator', tempC: atC })
    .animal('F', species.id, { sex: 'female' })
    .animal('M', species.id, { sex: 'male' })
  const pair = { type: 'pairing' as const, id: b.pair('F', 'M', -2000) }
  const lay = (tag: string, day: number) =>
    b.write('laid', pair, day, { tag, eggs: 2, slugs: 0, placeId: 'inc', tempC: null }, tag)
  hatched.forEach((days, i) => {
    const id = lay(`E-${i}`, -1900 + 30 * i)
    b.write('hatched', { type: 'clutch', id }, -1900 + 30 * i + days, { count: 2 })
    more(b, id)
  })
  lay('C-1', -10)
  const context = { house: houseOf(b.records()), almanac, settings: defaultSettings, today }
  const { season } = seasonOfHouse(context.house, almanac, defaultSettings, today)
  const hatch = season.lanes.find(l => l.title === 'C-1')!.events.find(e => e.event === 'hatched')!
  return { context, hatch, pace: hatchPace(species.id, context) }
}

describe('how long eggs take in this house', () => {
  it('is the table while nothing has hatched, and by hand after: the table weighs as four clutches', () => {
    expect(house([]).pace).toEqual({ times: 1, clutches: 0, inputs: [] })
    const days = [Math.round(table * 1.1), Math.round(table * 1.06)]
    const late = days.map(d => d / table - 1)
    const { pace, hatch } = house(days)
    expect(pace.times).toBeCloseTo(1 + (late[0]! + late[1]!) / 6, 9)
    expect(mean(hatch.dist)! - mean(house([]).hatch.dist)!).toBeCloseTo(table * (pace.times - 1), -0.5)
    expect(hatch.reasons.flatMap(r => r.inputs).map(i => i.label)).toContain('Hatches here: 2')
  })

  it('comes near what is so in the end, and a day that is written wrongly moves nothing', () => {
    const slow = Array.from({ length: 40 }, () => Math.round(table * 1.08))
    expect(house(slow).pace.times).toBeCloseTo(1 + (40 * (slow[0]! / table - 1)) / 44, 9)
    // a year late
    expect(house([Math.round(table + 365)]).pace.times).toBe(1)
  })

  it('stays near the table where clutches only differ as they usually do', () => {
    const { spreadShare } = species.incubation!
    const random = seededRandom(7)
    const drawn = [...stratified(200, random)].map(u => Math.round(table * (1 + spreadShare.value * (u - 0.5))))
    expect(Math.abs(house(drawn).pace.times - 1)).toBeLessThan(0.005)
  })

  it('counts what lies in two boxes once, and nothing of eggs whose day of laying is not known', () => {
    const days = Math.round(table * 1.1)
    const two = house([days], (b, id) => {
      const apart = b.write('eggsApart', { type: 'clutch', id }, -1895, {
        tag: 'P',
        eggs: [1],
        placeId: 'inc',
        tempC: null,
      })
      b.write('hatched', { type: 'clutch', id: apart }, -1880 + days, { count: 1 })
    })
    expect(two.pace.clutches).toBe(1)
    const b = new HouseBuilder(today).place('inc', { kind: 'incubator', tempC: atC })
    const laid = new Date((today - 100) * 86_400_000).toISOString().slice(0, 10)
    const data = { tag: 'C', speciesId: species.id, eggs: 2, slugs: 0, laid, give: 9, tempC: null, placeId: 'inc' }
    b.write('eggsBrought', { type: 'clutch', id: 'C' }, -90, data, 'C')
    b.write('hatched', { type: 'clutch', id: 'C' }, -100 + days, { count: 1 })
    expect(
      hatchPace(species.id, { house: houseOf(b.records()), almanac, settings: defaultSettings, today }).clutches,
    ).toBe(0)
  })

  it('what a temperature would bring says the same as the forecast', () => {
    const { context, hatch } = house([Math.round(table * 1.12), Math.round(table * 1.12)])
    const at = settingChoice(context.house.clutches['C-1']!, context)!.settings.find(s => s.tempC === atC)!
    expect(Math.abs(at.hatch.median - mean(hatch.dist)!)).toBeLessThanOrEqual(1)
  })

  it('a window, which has no readings, says the same', () => {
    const b = new HouseBuilder(today)
      .place('inc', { kind: 'incubator', tempC: 26 })
      .animal('F', species.id, { sex: 'female' })
    const pair = { type: 'pairing' as const, id: b.pair('F', null, -200) }
    const clutch = {
      type: 'clutch' as const,
      id: b.write('laid', pair, -100, { tag: 'E', eggs: 2, slugs: 0, placeId: 'inc', tempC: null }, 'E'),
    }
    b.readings(
      'inc',
      Array.from({ length: 100 * 24 }, (_, h) => 29 + Math.sin(h / 7)),
    )
    b.write('hatched', clutch, -100 + Math.round(table), { count: 2 })
    b.write('clutchEnded', clutch, -1)
    const whole = { house: houseOf(b.records()), almanac, settings: defaultSettings, today }
    const warmth = warmthOfHouse(whole)
    const window = { ...whole, house: { ...whole.house, climate: {}, warmth } }
    expect(hatchPace(species.id, whole).clutches).toBe(1)
    expect(hatchPace(species.id, window)).toEqual(hatchPace(species.id, whole))
  })
})
