import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac } from '../../almanac'
import { defaultSettings, season } from '..'

const today = 20_000
const house = () =>
  new HouseBuilder(today).animal('K-1', 'corn-snake', { sex: 'female' }).animal('K-2', 'corn-snake', { sex: 'male' })
const alarms = (b: HouseBuilder) =>
  season(b.records(), shippedAlmanac, defaultSettings, today).season.alarms.map(a => [a.id, a.level])
const k1 = { type: 'animal' as const, id: 'K-1' }

describe('an animal that is not well', () => {
  it('alarms until a look finds it well', () => {
    const b = house()
    b.write('checked', k1, -3, { well: false, signs: ['breathing'] })
    expect(alarms(b)).toEqual([['unwell:K-1', 'harm']])
    b.write('checked', k1, -1, { well: true })
    expect(alarms(b)).toEqual([])
  })
})

describe('an animal that eats and loses', () => {
  const weighed = (...rows: [number, number][]) => {
    const b = house()
    for (const [day, massG] of rows) b.write('weighed', k1, day, { massG })
    return b
  }

  it('is watched from a tenth of its best weight, and is harm from a fifth', () => {
    expect(alarms(weighed([-60, 500], [-1, 460]))).toEqual([])
    expect(alarms(weighed([-60, 500], [-1, 440]))).toEqual([['loss:K-1', 'watch']])
    expect(alarms(weighed([-60, 500], [-30, 480], [-1, 395]))).toEqual([['loss:K-1', 'harm']])
    // of another year
    expect(alarms(weighed([-400, 500], [-1, 395]))).toEqual([])
  })

  it('is lighter by her clutch when she laid since, and by her winter when she was cooled', () => {
    const b = weighed([-60, 500], [-1, 395])
    const pair = b.pair('K-1', 'K-2', -100)
    b.write('laid', { type: 'pairing', id: pair }, -5, { tag: 'C-1', eggs: 9, slugs: 0, tempC: null, placeId: null })
    expect(alarms(b).map(([id]) => id)).not.toContain('loss:K-1')
  })
})

describe('eggs by the readings of their incubator', () => {
  const hours = (n: number, c: number | null) => new Array<number | null>(n).fill(c)
  /** A clutch in a box of an incubator, read hourly up to noon. */
  const laid = (readings: (number | null)[], at = 'inc', more: (b: HouseBuilder) => void = () => undefined) => {
    const b = house()
      .place('room', { kind: 'room' })
      .place('inc', { kind: 'incubator', parentId: 'room', tempC: 28 })
      .place('box', { parentId: 'inc' })
    b.pair('K-1', 'K-2', -80)
    b.write('laid', { type: 'pairing', id: 'pair-K-1' }, -20, { tag: 'C-1', eggs: 8, slugs: 0, placeId: 'box' }, 'c1')
    more(b)
    b.readings(at, readings)
    return alarms(b).filter(([id]) => /^egg/.test(id!))
  }

  it('twenty days at 38 °C are harm, though 28 °C is typed; so is one hour, and it is over after two days', () => {
    expect(laid(hours(480, 38))).toEqual([['eggHeat:inc', 'harm']])
    expect(laid([...hours(400, 28), 36, ...hours(40, 28)])).toEqual([['eggHeat:inc', 'harm']])
    expect(laid([...hours(400, 28), 36, ...hours(48, 28)])).toEqual([])
    expect(laid(hours(480, 28))).toEqual([])
  })

  it('a probe that falls silent is told, and after a day it is harm', () => {
    expect(laid([...hours(400, 28), ...hours(3, null)])).toEqual([])
    expect(laid([...hours(400, 28), ...hours(5, null)])).toEqual([['eggSilent:inc', 'watch']])
    expect(laid([...hours(400, 28), ...hours(24, null)])).toEqual([['eggSilent:inc', 'harm']])
  })

  it('a warm room says nothing of the incubator in it; eggs that are out or gone say nothing either', () => {
    expect(laid(hours(480, 38), 'room')).toEqual([])
    const gone = (b: HouseBuilder) => b.write('eggsLost', { type: 'clutch', id: 'c1' }, -1, { count: 8 })
    expect(laid(hours(480, 38), 'inc', gone)).toEqual([])
  })
})
