import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac } from '../../almanac'
import { quantile } from '../../chance'
import { readLogLine, type Place } from '../../subjects'
import { dayFromIso } from '../../units'
import { defaultSettings, freeHomes, houseOf, season, seasonOfHouse, warmthOfHouse, type PlaceView } from '..'
import { isLightAt, lightHoursOf, tellHour } from './light'
import suncalc from 'suncalc'

const today = dayFromIso('2026-11-25')
const settings = { ...defaultSettings, timeZone: 'Europe/Berlin' }
const NOON = today * 24 + 12

/** Hours before noon of today (UTC), oldest first. */
const hourly = (hours: number, valueAt: (hour: number, i: number) => number | null) =>
  Array.from({ length: hours }, (_, i) => valueAt(NOON - hours + i, i))
/** A probe never reads exactly the same. */
const about = (v: number, i: number) => v + 0.2 * Math.sin(i)
/** In Berlin in November the clock is an hour ahead of UTC; lamps burn from 8 to 20. */
const lit = (hour: number) => (hour + 1) % 24 >= 8 && (hour + 1) % 24 < 20

const gecko = () =>
  new HouseBuilder(today).place('pen', { kind: 'tub' }).animal('G-1', 'leopard-gecko', { placeId: 'pen' })

const seen = (house: HouseBuilder, day = today) => season(house.records(), shippedAlmanac, settings, day).season
const seriesIn = (places: PlaceView[], placeId = 'pen', zone = 'air', channel = 'temperature') =>
  places.find(p => p.placeId === placeId)!.series.find(s => s.zone === zone && s.channel === channel)!
const alarmIds = (house: HouseBuilder, day = today) =>
  seen(house, day)
    .alarms.map(a => a.id)
    .filter(id => id.startsWith('place:'))

describe('a place against what lives in it', () => {
  it('damp over 60 % for days is told for a leopard gecko: noisy breath follows (common practice, no source)', () => {
    const damp = (hours: number) =>
      gecko().readings(
        'pen',
        hourly(200, (_, i) => about(i < 200 - hours ? 50 : 64, i)),
        { channel: 'humidity' },
      )
    expect(alarmIds(damp(40))).toEqual([])
    const [alarm] = seen(damp(80)).alarms.filter(a => a.id.startsWith('place:'))
    expect(alarm).toMatchObject({ level: 'watch', subject: { type: 'place', id: 'pen' } })
    expect(alarm!.text).toMatch(/pen has been over its band for 3 days, at 64 %; it should be at most 55 %; in it G-1/)
    expect(alarm!.todo).toMatch(/noisy breath/)
  })

  it('a spot is cold by day only where its lamp failed, and never by night', () => {
    const house = (lampFails: boolean) =>
      new HouseBuilder(today)
        .place('pen', { kind: 'tub' })
        .animal('L-1', 'collared-lizard', { placeId: 'pen' })
        .readings(
          'pen',
          hourly(96, (h, i) => about(lit(h) && !(lampFails && i > 60) ? 42 : 20, i)),
          { zone: 'spot' },
        )
    expect(alarmIds(house(false))).toEqual([])
    expect(alarmIds(house(true))).toEqual(['place:low:harm:pen:temperature:spot'])
    // before the lamps go on nothing is wrong yet
    expect(isLightAt({ on: 8, off: 20 }, 7.9)).toBe(false)
    expect(isLightAt({ on: 20, off: 8 }, 2)).toBe(true)
  })

  it('lamp hours are those of the place, of what it stands in, or of the almanac', () => {
    const house = (light: Place['light']) =>
      new HouseBuilder(today)
        .place('rack', { kind: 'rack', light })
        .place('pen', { kind: 'tub', parentId: 'rack' })
        .animal('L-1', 'collared-lizard', { placeId: 'pen' })
        // the spot is warm by night: lamps of a rack that burns then
        .readings(
          'pen',
          hourly(96, (h, i) => about(lit(h) ? 20 : 42, i)),
          { zone: 'spot' },
        )
    expect(alarmIds(house(undefined))).toEqual(['place:low:harm:pen:temperature:spot'])
    expect(alarmIds(house({ on: 20, off: 8 }))).toEqual([])
  })

  it('a warm room is too warm for those behind glass, a cool one is no fault: heat inside only adds', () => {
    const room = (tempC: number) =>
      new HouseBuilder(today)
        .place('room', { kind: 'room' })
        .place('pen', { kind: 'tub', parentId: 'room' })
        .animal('G-1', 'leopard-gecko', { placeId: 'pen' })
        .readings(
          'room',
          hourly(96, (_, i) => about(tempC, i)),
        )
    expect(alarmIds(room(16))).toEqual([])
    expect(alarmIds(room(29))).toEqual(['place:high:room:temperature:air'])
    expect(alarmIds(room(33))).toEqual(['place:high:harm:room:temperature:air'])
    // who is endangered stands deeper
    expect(seen(room(33)).alarms.find(a => a.id.startsWith('place:'))!.text).toMatch(/in it G-1$/)
  })

  it('an animal in the cold is watched by its winter, an empty place by nobody', () => {
    const house = gecko().readings(
      'pen',
      hourly(96, (_, i) => about(12, i)),
      { zone: 'warm' },
    )
    expect(alarmIds(house)).toEqual(['place:low:harm:pen:temperature:warm'])
    house.write('cooledDown', { type: 'animal', id: 'G-1' }, -20)
    expect(alarmIds(house)).toEqual([])
  })

  it('two that cannot live together by their warmth are named', () => {
    const house = new HouseBuilder(today)
      .place('pen', { kind: 'tub' })
      .animal('L-1', 'collared-lizard', { placeId: 'pen' })
      .animal('S-1', 'fire-salamander', { placeId: 'pen' })
      .readings(
        'pen',
        hourly(48, (_, i) => about(20, i)),
      )
    const conflict = seen(house).alarms.find(a => a.id.startsWith('place:conflict'))
    expect(conflict!.text).toMatch(/Collared lizard need is too much for Fire salamander/i)
  })

  it('at the end of summer time a night is an hour longer, and lamps still go by the clock', () => {
    const day = dayFromIso('2026-10-25')
    const start = day * 24 - 60
    const house = new HouseBuilder(day)
      .place('pen', { kind: 'tub' })
      .animal('L-1', 'collared-lizard', { placeId: 'pen' })
      .readings(
        'pen',
        Array.from({ length: 72 }, (_, i) => {
          const clock = (start + i + (start + i >= day * 24 + 1 ? 1 : 2)) % 24
          return about(clock >= 8 && clock < 20 ? 42 : 20, i)
        }),
        { zone: 'spot' },
      )
    expect(alarmIds(house, day)).toEqual([])
  })
})

describe('readings by hand', () => {
  const read = (house: HouseBuilder, days: number, data: object) =>
    house.write('placeRead', { type: 'place', id: 'pen' }, days, { zone: 'air', ...data })

  it('speak for a week, and against a probe only when they are newer', () => {
    const house = gecko()
    read(house, -1, { channel: 'temperature', zone: 'warm', value: 26 })
    expect(alarmIds(house)).toEqual(['place:low:pen:temperature:warm'])
    expect(seriesIn(seen(house).places, 'pen', 'warm').latest).toMatchObject({ value: 26, byHand: true })
    expect(alarmIds(house, today + 9)).toEqual([])
    house.readings(
      'pen',
      hourly(30, (_, i) => about(31.5, i)),
      { zone: 'warm' },
    )
    expect(seriesIn(seen(house).places, 'pen', 'warm').latest!.byHand).toBe(false)
    expect(alarmIds(house)).toEqual([])
  })

  it('a UV index under the band of a sun-basker says what to do with the lamp', () => {
    const house = new HouseBuilder(today).place('pen').animal('L-1', 'collared-lizard', { placeId: 'pen' })
    read(house, 0, { channel: 'uvIndex', zone: 'spot', value: 1.2 })
    const [alarm] = seen(house).alarms.filter(a => a.id.startsWith('place:'))
    expect(alarm!.text).toMatch(/UV index 1.2; it should be at least UV index 2.6/)
    expect(alarm!.todo).toMatch(/Lower the lamp or replace it/)
  })

  it('lines of the log: by the name of a place, with its rack where there are two', () => {
    const house = houseOf(
      new HouseBuilder(today)
        .place('a', { name: 'Rack A' })
        .place('b', { name: 'Rack B' })
        .place('a4', { name: 'Tub 4', parentId: 'a' })
        .place('b4', { name: 'Tub 4', parentId: 'b' })
        .place('glass', { name: 'Glass 2' })
        .animal('T-14', 'leopard-gecko')
        .records(),
    )
    const line = (text: string) => readLogLine(text, house, shippedAlmanac, 'g', 'C-1')
    expect(line('Glass 2 62 %')).toMatchObject({
      ok: true,
      kind: 'placeRead',
      subject: { type: 'place', id: 'glass' },
      data: { channel: 'humidity', zone: 'air', value: 62 },
    })
    expect(line('Tub 4 spot 41 C')).toMatchObject({
      ok: false,
      ask: 'Which Tub 4? Write Rack A Tub 4 or Rack B Tub 4.',
    })
    expect(line('Rack B Tub 4 spot 105.8 F yesterday')).toMatchObject({
      subject: { id: 'b4' },
      data: { channel: 'temperature', zone: 'spot', value: 41 },
      daysAgo: 1,
    })
    expect(line('glass 2: warm end 31,5 °C, 48 %')).toMatchObject({
      data: { zone: 'warm', value: 31.5 },
      more: [{ data: { channel: 'humidity', value: 48 } }],
    })
    expect(line('Glass 2 spot uvi 3.1')).toMatchObject({ data: { channel: 'uvIndex', zone: 'spot', value: 3.1 } })
    expect(line('Glass 2 62')).toMatchObject({ ok: false })
    expect(line('T-14 41 C')).toMatchObject({ ok: false })
    expect(line('Glass 21 62 %')).toMatchObject({ ok: false })
  })
})

describe('an answer to an alarm', () => {
  it('is silent until it is over, and does not cover what begins later or becomes harm', () => {
    const damp = (from: number, to: number) =>
      gecko().readings(
        'pen',
        hourly(400, (_, i) => about(i >= from && i < to ? 64 : 50, i)),
        { channel: 'humidity' },
      )
    const answer = (house: HouseBuilder, days: number) =>
      house.write('alarmAnswered', { type: 'place', id: 'pen' }, days, {
        alarm: 'place:high:pen:humidity:air',
        why: 'Drying out',
      })
    const running = damp(300, 400)
    answer(running, -1)
    expect(alarmIds(running)).toEqual([])
    expect(seriesIn(seen(running).places, 'pen', 'air', 'humidity').troubles[0]!.answered).toBe('Drying out')
    // answered ten days ago: that trouble was over, this one is new
    const later = damp(300, 400)
    answer(later, -10)
    expect(alarmIds(later)).toHaveLength(1)
  })
})

describe('warmth that is read moves the dates of what lies in it', () => {
  const eggs = (tempC: number | null, read: number | null | 'none') => {
    const house = new HouseBuilder(today)
      .place('incubator', { kind: 'incubator', tempC })
      .animal('K-1', 'california-kingsnake', { sex: 'female' })
      .animal('K-2', 'california-kingsnake', { sex: 'male' })
    house.pair('K-1', 'K-2', -90, 'P-1')
    house.write(
      'laid',
      { type: 'pairing', id: 'P-1' },
      -30,
      { tag: 'C-1', eggs: 8, slugs: 0, placeId: 'incubator' },
      'C-1',
    )
    if (read !== 'none')
      house.readings(
        'incubator',
        hourly(30 * 24 + 6, (_, i) => (read === null ? null : about(read, i))),
      )
    return house
  }
  const hatch = (house: HouseBuilder) =>
    quantile(seen(house).lanes[0]!.events.find(e => e.event === 'hatched')!.dist, 0.5)!

  it('an incubator that runs warm brings the hatch forward, as one set so would be', () => {
    const set = hatch(eggs(28, 'none'))
    expect(hatch(eggs(28, 28))).toBe(set)
    expect(hatch(eggs(28, 29.5))).toBeLessThan(set)
    expect(Math.abs(hatch(eggs(28, 29.5))! - hatch(eggs(29.5, 'none'))!)).toBeLessThanOrEqual(1)
    // a probe that has said nothing changes nothing, and its silence is told once
    expect(hatch(eggs(28, null))).toBe(set)
    const silent = seen(eggs(28, null)).alarms.filter(a => /silent/i.test(a.id))
    expect(silent.map(a => a.id)).toEqual(['eggSilent:incubator'])
  })

  it('the working says how many hours were read and what they come to', () => {
    const event = seen(eggs(28, 29.5)).lanes[0]!.events.find(e => e.event === 'hatched')!
    const told = event.reasons.find(r => r.rule.startsWith('Development added up'))!
    expect(told.inputs.map(i => `${i.label}: ${i.value}`)).toEqual(
      expect.arrayContaining(['Read at: incubator', 'Goes on at: 29.5 °C', 'Counted as: 29.5 °C']),
    )
  })

  it('a shelf that runs cool makes cups late, in the need and in the plan’s key', () => {
    const flies = (read: number | null) => {
      const house = new HouseBuilder(today).place('shelf', { kind: 'shelf', tempC: 25 })
      house.write(
        'cultureStarted',
        { type: 'culture', id: 'F-1' },
        -8,
        { tag: 'F-1', feederId: 'fly.small', placeId: 'shelf' },
        'F-1',
      )
      if (read !== null)
        house.readings(
          'shelf',
          hourly(10 * 24, (_, i) => about(read, i)),
        )
      return house
    }
    const firstYield = (house: HouseBuilder) => {
      const row = seen(house).prey.find(p => p.prey === 'fly.small')!.running
      return row.findIndex((_, i) => row.slice(0, i + 1).reduce((a, b) => a + b, 0) > 20)
    }
    expect(firstYield(flies(18))).toBeGreaterThan(firstYield(flies(null)))
    expect(firstYield(flies(25))).toBe(firstYield(flies(null)))
  })

  it('a window without the readings, told what they come to, computes the same season', () => {
    const house = eggs(28, 29.6)
    const whole = houseOf(house.records())
    const told = { ...whole, climate: {}, warmth: warmthOfHouse({ house: whole, almanac: shippedAlmanac, today }) }
    const [a, b] = [whole, told].map(h => seasonOfHouse(h, shippedAlmanac, settings, today).season)
    expect(b!.lanes.map(l => l.events.map(e => e.dist))).toEqual(a!.lanes.map(l => l.events.map(e => e.dist)))
    expect(b!.prey.map(p => p.high)).toEqual(a!.prey.map(p => p.high))
  })
})

describe('homes that will be too small', () => {
  const box = { widthCm: 30, depthCm: 18, heightCm: 12 }
  const wide = { widthCm: 75, depthCm: 40, heightCm: 20 }
  const rack = () =>
    new HouseBuilder(today)
      .place('rack', { kind: 'rack', size: box })
      .place('box 1', { parentId: 'rack' })
      .place('box 2', { parentId: 'rack' })
      .place('wide', { parentId: 'rack', size: wide })
      .animal('K-1', 'california-kingsnake', { placeId: 'box 1', bornDay: today - 400 })
  const K1 = { type: 'animal' as const, id: 'K-1' }
  const homesOf = (house: HouseBuilder, day = today, more = {}) =>
    season(house.records(), shippedAlmanac, { ...settings, ...more }, day).season.homes

  it('takes the size of a home from its rack, and its own before that; tells the free one that is large enough', () => {
    const house = rack()
    house.write('weighed', K1, 0, { massG: 45 })
    const [home] = homesOf(house).outgrown
    expect(home).toMatchObject({ placeId: 'box 1', animalIds: ['K-1'], size: box, fits: ['wide'], fitting: 1 })
    expect(home!.mid!).toBeGreaterThan(today)
    // half the floor is what the usual school gives; with all of it the box is too small since long
    const [stretched] = homesOf(house, today, { schools: { homeRoom: 'stretch' } }).outgrown
    expect(stretched!.need.floorM2).toBeCloseTo(2 * home!.need.floorM2, 9)
    expect(stretched!.mid!).toBeLessThanOrEqual(today)
  })

  it('says the same day while days pass and nothing is written, and leaves out what grows over it later', () => {
    const house = rack()
    house.write('weighed', K1, 0, { massG: 45 })
    const days = [0, 20, 60].map(n => homesOf(house, today + n).outgrown[0]!.mid)
    expect(new Set(days).size).toBe(1)
    const young = rack()
    young.write('weighed', K1, 0, { massG: 12 })
    expect(homesOf(young).outgrown).toEqual([])
  })

  it('nothing grows in the cold, and a home is kept for who is there', () => {
    const awake = rack().place('chest', { kind: 'cold' })
    awake.write('weighed', K1, -40, { massG: 45 })
    const before = homesOf(awake).outgrown[0]!.mid!
    awake.write('cooledDown', K1, -30, { placeId: 'chest' })
    const { outgrown } = homesOf(awake)
    expect(outgrown[0]!.placeId).toBe('box 1')
    expect(outgrown[0]!.mid! - before).toBeGreaterThanOrEqual(30)
    expect(freeHomes(houseOf(awake.records())).map(p => p.id)).toEqual(['box 2', 'wide'])
    awake.write('warmedUp', K1, 0, {})
    expect(homesOf(awake).outgrown[0]!.mid! - before).toBe(30)
  })

  it('one of which neither weight nor birth is known is taken as grown; of an unknown size nothing is said but that', () => {
    const unknown = rack()
      .animal('K-2', 'california-kingsnake', { placeId: 'box 2', bornDay: null })
      .place('bare')
      .animal('K-3', 'california-kingsnake', { placeId: 'bare' })
    const homes = homesOf(unknown)
    expect(homes.outgrown.find(h => h.placeId === 'box 2')!.mid!).toBeLessThanOrEqual(today)
    expect(homes.unsized).toEqual(['bare'])
  })

  it('young that come want homes, the earlier first; what they take is not free for the next', () => {
    const house = rack()
    for (const [n, laid] of [
      [1, -40],
      [2, -20],
    ] as const) {
      house.animal(`F${n}`, 'corn-snake', { sex: 'female' }).animal(`M${n}`, 'corn-snake', { sex: 'male' })
      const pair = house.pair(`F${n}`, `M${n}`, laid - 60)
      house.write('laid', { type: 'pairing', id: pair }, laid, { tag: `C-${n}`, eggs: 9, slugs: 0, tempC: 28 })
    }
    const young = homesOf(house).young.filter(y => y.label.startsWith('C-'))
    expect(young.map(y => y.label)).toEqual(['C-1', 'C-2'])
    expect(young[0]!.homes).toBe(young[0]!.count)
    expect(young[0]!.count).toBeGreaterThan(2)
    // box 2 and the wide one are free, and both go to the first
    expect(young.map(y => y.free)).toEqual([2, 0])
  })
})

describe('hours of light that follow the sun', () => {
  const hours = (date: string, latitude: number | null, light: Place['light'] = { on: 7, off: 21, bySun: true }) => {
    const b = new HouseBuilder(today).place('room', { kind: 'room', light }).place('pen', { parentId: 'room' })
    return lightHoursOf(houseOf(b.records()), shippedAlmanac, 'pen', dayFromIso(date), latitude)
  }
  const long = ({ on, off }: { on: number; off: number }) => off - on

  it('are as long as the day outside, about the middle of the longest (against suncalc, within a quarter hour)', () => {
    for (const [date, latitude] of [
      ['2026-03-20', 51.5],
      ['2026-10-10', 51.5],
      ['2026-11-25', 40],
      ['2026-06-01', -33],
    ] as const) {
      const sun = suncalc.getTimes(new Date(`${date}T12:00:00Z`), latitude, 0)
      const outside = (sun.sunset.getTime() - sun.sunrise.getTime()) / 3_600_000
      const light = hours(date, latitude)
      expect(Math.abs(long(light) - outside), `${date} at ${latitude}°`).toBeLessThanOrEqual(0.5)
      expect((light.on + light.off) / 2).toBeCloseTo(14, 0)
    }
  })

  it('never longer than said, never under eight hours (from memory, no source), polar night included', () => {
    expect(long(hours('2026-06-21', 60))).toBe(14)
    expect(long(hours('2026-12-21', 69))).toBe(8)
    // hours over midnight keep their middle
    expect(hours('2026-12-21', 69, { on: 18, off: 8, bySun: true })).toEqual({ on: 21, off: 5 })
  })

  it('without a latitude, or without the sun, they are as they were said', () => {
    expect(hours('2026-12-21', null)).toMatchObject({ on: 7, off: 21 })
    expect(hours('2026-12-21', 51.5, { on: 7, off: 21 })).toEqual({ on: 7, off: 21 })
    expect([tellHour(7.25), tellHour(20)]).toEqual(['7:15', '20:00'])
  })
})
