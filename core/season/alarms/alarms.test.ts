import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac } from '../../almanac'
import { summarise } from '../../chance'
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

describe('eggs and young among grown animals', () => {
  const PEN = { type: 'place' as const, id: 'pen' }
  /** Eggs laid so many days ago in a pen in which the parents live. */
  const laid = (daysAgo: number, placeId = 'pen') => {
    const b = new HouseBuilder(today)
      .place('pen')
      .place('box')
      .animal('O-1', 'ocellated-lizard', { sex: 'female', placeId: 'pen' })
      .animal('O-2', 'ocellated-lizard', { sex: 'male', placeId: 'pen' })
    b.pair('O-1', 'O-2', -daysAgo - 60)
    b.write('laid', { type: 'pairing', id: 'pair-O-1' }, -daysAgo, { tag: 'C-1', eggs: 9, slugs: 0, placeId }, 'C-1')
    return b
  }
  const told = (b: HouseBuilder, day = today) =>
    season(b.records(), shippedAlmanac, defaultSettings, day).season.alarms.filter(a => a.id.startsWith('hatchCompany'))

  it('are told from a week before the early end of the hatch, once (from memory, no source)', () => {
    expect(told(laid(1))).toEqual([])
    const b = laid(1)
    const first = Array.from({ length: 120 }, (_, n) => n).find(n => told(b, today + n).length)!
    const hatch = (day: number) =>
      season(b.records(), shippedAlmanac, defaultSettings, day).season.lanes.find(l => l.id === 'clutch:C-1')!
    const low = summarise(hatch(today + first).events.find(e => e.event === 'hatched')!.dist)!.low
    expect(low - (today + first)).toBeLessThanOrEqual(7)
    expect(low - (today + first)).toBeGreaterThan(0)
    expect(told(b, today + first)[0]!.text).toMatch(/^pen: C-1 hatches .* beside O-1, O-2/)
    expect(told(laid(1, 'box'), today + first)).toEqual([])
  })

  it('young that are there are told as young; an answer covers these, and a move ends it', () => {
    const b = laid(100)
    b.write('hatched', { type: 'clutch', id: 'C-1' }, -1, { count: 6 })
    const [alarm] = told(b)
    expect(alarm!.text).toBe('pen: 6 young of C-1 are with O-1, O-2, who may eat them')
    b.write('alarmAnswered', PEN, 0, { alarm: alarm!.id, why: 'A screen between them' })
    expect(told(b)).toEqual([])
    const moved = laid(100)
    moved.write('hatched', { type: 'clutch', id: 'C-1' }, -1, { count: 6 })
    for (const id of ['O-1', 'O-2']) moved.write('moved', { type: 'animal', id }, 0, { placeId: 'box' })
    expect(told(moved)).toEqual([])
  })
})
