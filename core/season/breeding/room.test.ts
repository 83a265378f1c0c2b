import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac } from '../../almanac'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { defaultSettings, houseOf, roomForYoung, season, sexOf } from '..'

const today = 20_550
const animal = (id: string) => ({ type: 'animal' as const, id })
function room(b: HouseBuilder, speciesId: string) {
  const records = b.records()
  const s = season(records, almanac, defaultSettings, today).season
  return roomForYoung({ house: houseOf(records), almanac, settings: defaultSettings, today }, speciesId, s).value
}
function boxes(count: number): HouseBuilder {
  const b = new HouseBuilder(today).place('shelf', { kind: 'shelf' })
  for (let i = 0; i < count; i++) b.place(`box ${i}`)
  return b
}

describe('room for young', () => {
  it('a box with an animal in it, or one whose animal is in the cold elsewhere, is not free; a dead one frees its own', () => {
    const b = boxes(5).place('chest', { kind: 'cold' })
    for (const [i, id] of ['A', 'B', 'C'].entries()) b.animal(id, 'corn-snake', { placeId: `box ${i}` })
    b.write('cooledDown', animal('B'), -10, { placeId: 'chest' })
    b.write('died', animal('C'), -3, {})
    expect(room(b, 'corn-snake').freePlaces).toBe(3)
  })

  it('young that pairs and eggs bring already are taken off', () => {
    const b = boxes(20).animal('F', 'corn-snake', { sex: 'female' }).animal('M', 'corn-snake', { sex: 'male' })
    b.pair('F', 'M', -60, 'P')
    b.write('laid', { type: 'pairing', id: 'P' }, -10, { tag: 'C', eggs: 12, slugs: 2, tempC: 28, placeId: null }, 'C')
    const { expected, left } = room(b, 'corn-snake')
    // ten good eggs times 0.9 fertility times 0.9 hatch, and a chance of a second clutch
    expect(expected).toBeGreaterThanOrEqual(8)
    expect(left).toBe(20 - expected)
  })

  it('the later clutches of a season are expected too, each by its chance', () => {
    const b = boxes(20).animal('F', 'leopard-gecko', { sex: 'female' }).animal('M', 'leopard-gecko', { sex: 'male' })
    b.pair('F', 'M', -20, 'P')
    b.write('copulation', { type: 'pairing', id: 'P' }, -3, { confirmed: true })
    const { clutchSize, fertility, hatchRate } = almanac.species['leopard-gecko']!
    const one =
      ((clutchSize.earliest + 4 * clutchSize.likely + clutchSize.latest) / 6) * fertility.value * hatchRate.value
    // one clutch alone brings 1.4; five to seven follow each other, each less sure
    expect(room(b, 'leopard-gecko').expected).toBeGreaterThan(2 * one)
    expect(room(b, 'leopard-gecko').expected).toBeLessThan(7 * one)
  })

  it('says so when there is none, and what a season of a gecko brings over its clutches', () => {
    const value = room(boxes(0), 'fat-tailed-gecko')
    expect(value.text).toMatch(/^No place is left: 0 free, 0 young expected already/)
    // 1–2 eggs, 3 to 5 clutches, 0.78 · 0.88 come through
    expect(value.brings).toEqual({ low: 2, likely: 7, high: 7 })
    expect(value.weeksToSale).toBe(16)
  })

  it('food that is bought is no limit; food from cups is', () => {
    expect(room(boxes(3), 'corn-snake').fed.young).toBeNull()
    const none = room(boxes(3), 'mourning-gecko')
    expect(none.fed).toEqual({ prey: 'Small fruit fly', young: 0 })
    expect(none.text).toMatch(/none to spare, start cultures first/)
    const b = boxes(3).animal('F', 'mourning-gecko', { sex: 'female', bornDay: today - 200 })
    for (const id of ['c1', 'c2', 'c3', 'c4']) b.culture(id, 'fly.small', -18)
    const fed = room(b, 'mourning-gecko').fed.young!
    expect(fed).toBeGreaterThanOrEqual(0)
    for (const id of ['c5', 'c6', 'c7', 'c8', 'c9']) b.culture(id, 'fly.small', -18)
    expect(room(b, 'mourning-gecko').fed.young!).toBeGreaterThan(fed)
  })
})

describe('the sex of a hatchling', () => {
  it('begins from the temperature its clutch was kept at, or that of its place', () => {
    const make = (tempC: number | null) => {
      const b = new HouseBuilder(today)
        .place('warm', { kind: 'incubator', tempC: 32.5 })
        .animal('D', 'leopard-gecko', { sex: 'female' })
        .animal('S', 'leopard-gecko', { sex: 'male' })
      b.pair('D', 'S', -200, 'P')
      b.write('laid', { type: 'pairing', id: 'P' }, -150, { tag: 'C', eggs: 2, slugs: 0, tempC, placeId: 'warm' }, 'C')
      b.animal('Y', 'leopard-gecko', { clutchId: 'C', damId: 'D', sireId: 'S', bornDay: today - 90 })
      const house = houseOf(b.records())
      return sexOf(house.animals.Y!, { house, almanac, settings: defaultSettings, today }).value
    }
    // Viets et al. 1993: 26 °C nearly all females, 32.5 °C about three quarters males
    expect(make(26).male).toBeCloseTo(0.02, 9)
    expect(make(null)).toMatchObject({ sex: 'male', state: 'open', prior: { label: 'Egg kept at 32.5 °C' } })
    expect(make(null).male).toBeCloseTo(0.75, 9)
  })
})
