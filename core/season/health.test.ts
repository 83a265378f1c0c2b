import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { checkEntry, dosesDue, readLogLine, type Treatment } from '../subjects'
import { dayFromIso } from '../units'
import { SeasonMemory, benchCell, defaultSettings, houseOf, season } from '.'
import { careByRoom, walkOf } from '../round'

const today = dayFromIso('2026-11-25')
const K1 = { type: 'animal' as const, id: 'K-1' }
const snake = () => new HouseBuilder(today).animal('K-1', 'california-kingsnake', { bornDay: today - 2000 })
const seen = (house: HouseBuilder, day = today) => season(house.records(), shippedAlmanac, defaultSettings, day).season
const of = (list: readonly { id: string }[], sort: string) => list.filter(x => x.id.startsWith(`${sort}:`))

describe('what is not well', () => {
  it('is looked at every day until a look finds it well, and stays an alarm as long', () => {
    const house = snake()
    house.write('checked', K1, -3, { well: false, signs: ['stuckShed'] })
    const [task] = seen(house).tasks.filter(t => t.id === 'unwell:K-1')
    expect(task).toMatchObject({ what: 'Look again: stuck shed', due: today - 2, kind: 'look' })
    // nothing written for a week: it is still there, and the alarm too
    expect(of(seen(house, today + 7).tasks, 'unwell')).toHaveLength(1)
    expect(of(seen(house, today + 7).alarms, 'unwell')).toHaveLength(1)
    // what the button writes ends it for today, and keeps the sign
    house.write('checked', K1, 0, task!.actions[0]!.data)
    expect(of(seen(house).tasks, 'unwell')).toEqual([])
    expect(seen(house, today + 1).tasks.find(t => t.id === 'unwell:K-1')!.what).toBe('Look again: stuck shed')
    house.write('checked', K1, 0, { well: true })
    expect(of(seen(house, today + 1).tasks, 'unwell')).toEqual([])
    expect(of(seen(house, today + 1).alarms, 'unwell')).toEqual([])
  })

  it('a prolapse and straining do not wait; the program names no illness', () => {
    const told = (sign: string) => {
      const house = snake()
      house.write('checked', K1, 0, { well: false, signs: [sign] })
      return seen(house).alarms.find(a => a.id === 'unwell:K-1')!.todo
    }
    expect(told('prolapse')).toMatch(/reptile vet today/)
    expect(told('straining')).toMatch(/reptile vet today/)
    expect(told('limping')).not.toMatch(/today: this does not wait/)
  })
})

describe('a meal that came up', () => {
  const fed = (house: HouseBuilder, day: number) =>
    house.write('fed', K1, day, { prey: 'mouse.adult', offered: 1, taken: 1 })
  const meal = (house: HouseBuilder, day = today) => seen(house, day).tasks.find(t => t.id.startsWith('feed:'))

  it('stops the food for 12 days, then asks for a small meal (from memory, no source)', () => {
    const house = snake()
    house.write('weighed', K1, -4, { massG: 600 })
    fed(house, -20)
    expect(meal(house)).toBeDefined()
    const usual = meal(house)!.what
    house.write('broughtUp', K1, -2)
    for (const n of [0, 5, 9]) expect(meal(house, today + n), `day ${n}`).toBeUndefined()
    expect(meal(house, today + 10)).toBeDefined()
    expect(meal(house, today + 10)!.what).not.toBe(usual)
    const alarm = seen(house).alarms.find(a => a.id === 'broughtUp:K-1')!
    expect(alarm).toMatchObject({ level: 'watch' })
    expect(alarm.todo).toMatch(/No food until 5 Dec/)
    // a meal that stays down ends it
    house.write('fed', K1, 0, { prey: 'mouse.hopper', offered: 1, taken: 1 })
    expect(of(seen(house).alarms, 'broughtUp')).toEqual([])
  })

  it('is for the vet the second time within weeks, and not the second time in a year', () => {
    const twice = (days: number) => {
      const house = snake()
      house.write('broughtUp', K1, -days - 1)
      house.write('broughtUp', K1, -1)
      return seen(house).alarms.find(a => a.id === 'broughtUp:K-1')!
    }
    expect(twice(20)).toMatchObject({ level: 'harm' })
    expect(twice(20).text).toMatch(/the second time in 9 weeks/)
    expect(twice(200)).toMatchObject({ level: 'watch' })
  })

  it('a refused offer does not end it', () => {
    const house = snake()
    house.write('broughtUp', K1, -2)
    house.write('fed', K1, 0, { prey: 'mouse.hopper', offered: 1, taken: 0 })
    expect(of(seen(house).alarms, 'broughtUp')).toHaveLength(1)
  })
})

describe('a tail that was dropped', () => {
  it('is no loss of weight: what is compared begins after it', () => {
    const gecko = (dropped: boolean) => {
      const house = new HouseBuilder(today).animal('L-1', 'leopard-gecko', { bornDay: today - 1500 })
      const L1 = { type: 'animal' as const, id: 'L-1' }
      house.write('weighed', L1, -60, { massG: 70 })
      if (dropped) house.write('tailDropped', L1, -30)
      house.write('weighed', L1, -29, { massG: 55, sure: true })
      house.write('weighed', L1, -1, { massG: 54.5 })
      return seen(house).alarms.filter(a => a.id === 'loss:L-1').length
    }
    expect(gecko(false)).toBe(1)
    expect(gecko(true)).toBe(0)
  })
})

describe('a treatment by the word of a vet', () => {
  const begun = { what: 'syrup', dose: 'as on the sheet', everyDays: 1, times: 3 }

  it('is due each day in the vet’s words until the last dose, and then no more', () => {
    const house = snake()
    const id = house.write('treatmentStarted', K1, -1, begun)
    const task = (day = today) => seen(house, day).tasks.find(t => t.id === `treat:${id}`)
    expect(task()).toMatchObject({ what: 'Give syrup, 1 of 3', detail: 'as on the sheet', due: today - 1 })
    for (const day of [0, 1, 2]) {
      expect(task(today + day)!.what).toBe(`Give syrup, ${day + 1} of 3`)
      house.write('treated', K1, day, task(today + day)!.actions[0]!.data)
      expect(task(today + day)).toBeUndefined()
    }
    expect(task(today + 3)).toBeUndefined()
    // and cannot be given once more by a late tap
    const records = house.records()
    const again = {
      id: 'x',
      at: '2026-11-30T10:00:00Z',
      day: today + 5,
      subject: K1,
      kind: 'treated',
      data: { of: id },
    }
    const context = { records, house: houseOf(records), almanac: shippedAlmanac, today: today + 5 }
    expect(checkEntry({ ...again, source: 'keeper' } as never, context)[0]).toMatchObject({
      message: 'K-1 has no such treatment running',
    })
  })

  it('gives neither too many nor too few, however often somebody looks (a walk by hand over random courses)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0.25, 1 / 3, 0.5, 1, 2, 3, 7),
        fc.integer({ min: 1, max: 40 }),
        fc.array(fc.boolean(), { minLength: 400, maxLength: 400 }),
        (everyDays, times, there) => {
          let t: Treatment = { day: 0, entryId: 't', ...begun, everyDays, times, given: [], ended: false }
          let sinceLast = Infinity
          for (let day = 0; day < 400; day++, sinceLast++) {
            const aDay = everyDays < 1 ? Math.round(1 / everyDays) : sinceLast >= everyDays ? 1 : 0
            const want = Math.min(aDay, times - t.given.length)
            expect(dosesDue(t, day)).toBe(want)
            if (!there[day]) continue
            for (let n = 0; n < want; n++) {
              t = { ...t, given: [...t.given, day], ended: t.given.length + 1 >= times }
              sinceLast = 0
            }
            expect(dosesDue(t, day)).toBe(0)
          }
          expect(t.given.length).toBeLessThanOrEqual(times)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('the day agreed with the vet is told from that day on until a visit is written', () => {
    const house = snake()
    house.write('vetSeen', K1, -10, { said: 'swab taken', again: '2026-11-27' })
    expect(of(seen(house).tasks, 'vet')).toEqual([])
    expect(of(seen(house, today + 2).tasks, 'vet')).toHaveLength(1)
    expect(of(seen(house, today + 9).tasks, 'vet')).toHaveLength(1)
    house.write('vetSeen', K1, 9, { said: 'all well' })
    expect(of(seen(house, today + 9).tasks, 'vet')).toEqual([])
  })
})

describe('quarantine', () => {
  const K9 = { type: 'animal' as const, id: 'K-9' }
  /** A house with a quarantine shelf in the only room; K-9 has been there for so many days. */
  const apart = (days: number, flag = true) => {
    const house = new HouseBuilder(today)
      .place('Room', { kind: 'room' })
      .place('Shelf', { kind: 'shelf', parentId: 'Room', order: 0, ...(flag && { quarantine: true }) })
      .place('Q 1', { parentId: 'Shelf' })
      .place('Tub 1', { parentId: 'Room', order: 5 })
      .animal('K-9', 'california-kingsnake', { bornDay: today - 2000 })
      .animal('K-1', 'california-kingsnake', { bornDay: today - 2000, placeId: 'Tub 1' })
    house.write('moved', K9, -days, { placeId: 'Q 1' })
    return house
  }
  const ids = (house: HouseBuilder, day = today) =>
    seen(house, day)
      .tasks.filter(t => t.kind === 'quarantine')
      .map(t => t.id)
  const leaving = (house: HouseBuilder, day = today) => {
    const records = house.records()
    const entry = {
      ...{ id: 'm', at: '2026-11-25T10:00:00Z', day, subject: K9, kind: 'moved', source: 'keeper' },
      data: { placeId: 'Tub 2' },
    }
    const context = { records, house: houseOf(records), almanac: shippedAlmanac, today: day }
    return checkEntry(entry as never, context)[0]?.message ?? null
  }

  it('asks for a test after a week, and says when it may leave: 30 to 90 days, 60 here (common practice, no source)', () => {
    expect(ids(apart(3))).toEqual([])
    expect(ids(apart(8))).toEqual(['tested:K-9'])
    const house = apart(8)
    house.write('droppingsTested', K9, 0, { clear: true })
    expect(ids(house)).toEqual([])
    expect(ids(house, today + 51)).toEqual([])
    expect(ids(house, today + 52)).toEqual(['leave:K-9'])
    // what was not clear stays, however long
    house.write('droppingsTested', K9, 0, { clear: false })
    expect(ids(house, today + 90)).toEqual(['tested:K-9'])
  })

  it('a test of before it came does not count; where it came to no quarantine nothing is asked', () => {
    const house = apart(8)
    house.write('droppingsTested', K9, -30, { clear: true })
    expect(ids(house)).toEqual(['tested:K-9'])
    expect(ids(apart(8, false))).toEqual([])
  })

  it('leaving too early is asked, with how long it still has', () => {
    const house = apart(20).place('Tub 2', { parentId: 'Room' })
    expect(leaving(house)).toBe(
      'K-9 has been in quarantine for 20 of 60 days, and no test of its droppings is written. Move it out of quarantine all the same?',
    )
    house.write('droppingsTested', K9, -1, { clear: true })
    expect(leaving(house)).toMatch(/20 of 60 days\. Move/)
    expect(leaving(house, today + 40)).toBeNull()
  })

  it('meets nobody until it is over: the bench says so at once when its place becomes quarantine', () => {
    const house = apart(20, false)
    house.animal('K-8', 'california-kingsnake', { sex: 'female', bornDay: today - 2000, placeId: 'Tub 1' })
    const memory = new SeasonMemory()
    const stopIn = (b: HouseBuilder) => {
      const context = { house: houseOf(b.records()), almanac: shippedAlmanac, settings: defaultSettings, today, memory }
      return benchCell(context, 'K-8', 'K-9', [])!.value.stop
    }
    expect(stopIn(house)).not.toMatch(/quarantine/)
    house.write('placeChanged', { type: 'place', id: 'Shelf' }, 0, { quarantine: true })
    expect(stopIn(house)).toMatch(/K-9 is in quarantine/)
    house.write('droppingsTested', K9, 0, { clear: true })
    expect(stopIn(house)).toMatch(/K-9 is in quarantine/)
  })

  it('is walked last, apart from the room it stands in', () => {
    const house = apart(8)
    const records = houseOf(house.records())
    const { tasks, care } = seen(house)
    const rooms = walkOf(tasks, records).map(r => r.name)
    expect(rooms).toEqual(['Room', 'Room, quarantine'])
    const areas = careByRoom(care, records).map(r => r.name)
    expect(areas.indexOf('Room, quarantine')).toBeGreaterThan(areas.indexOf('Room'))
    // without the flag it comes where it stands: before the tub
    const placesOf = (h: HouseBuilder) => [...new Set(seen(h).tasks.map(t => t.placeId))]
    expect(placesOf(apart(8, false))).toEqual(['Q 1', 'Tub 1'])
    expect(placesOf(house)).toEqual(['Tub 1', 'Q 1'])
  })
})

describe('the log line', () => {
  const house = houseOf(snake().records())
  const read = (line: string) => readLogLine(line, house, shippedAlmanac, 'g', 'C-1')
  it.each([
    ['K-1 brought up its meal', 'broughtUp', {}],
    ['K-1 regurgitated', 'broughtUp', {}],
    ['K-1 dropped its tail', 'tailDropped', {}],
    ['K-1 vet: swab taken', 'vetSeen', { said: 'swab taken' }],
    ['K-1 not well: mites', 'checked', { well: false, signs: ['mites'] }],
    ['K-1 not well: stuck shed', 'checked', { well: false, signs: ['stuckShed'] }],
  ])('reads “%s”', (line, kind, data) => {
    expect(read(line)).toMatchObject({ ok: true, kind, data })
  })
})
