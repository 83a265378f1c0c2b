import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac, speciesOf } from '../almanac'
import { houseOf } from '../season'
import { recordsFrom, withEntries, type DatedEntry, type JobState } from '../subjects'
import { dayFromIso, dayToIso } from '../units'
import { careEntries, careLines, isInSeason, jobsAt, ownDue, rhythmsOf, tellOwnRhythm, type CareLine } from '.'

const today = 20_782

/** Two geckos and a snake in a rack, each in a tub of its own, with an empty one; a chameleon alone in a room. */
const house = () =>
  new HouseBuilder(today)
    .place('room', { kind: 'room', name: 'Room' })
    .place('rack', { kind: 'rack', name: 'Rack', parentId: 'room' })
    .place('t1', { name: 'Tub 1', parentId: 'rack' })
    .place('t2', { name: 'Tub 2', parentId: 'rack' })
    .place('t3', { name: 'Tub 3', parentId: 'rack' })
    .place('t4', { name: 'Tub 4', parentId: 'rack' })
    .place('pen', { name: 'Pen', parentId: 'room' })
    .animal('G-1', 'leopard-gecko', { placeId: 't1' })
    .animal('G-2', 'leopard-gecko', { placeId: 't2' })
    .animal('K-1', 'corn-snake', { placeId: 't3' })
    .animal('P-1', 'panther-chameleon', { placeId: 'pen' })

const lines = (b: HouseBuilder, day = today) => careLines(houseOf(b.records()), shippedAlmanac, day)
const line = (b: HouseBuilder, id: string, day = today) => lines(b, day).find(l => l.id === id)
const cared = (b: HouseBuilder, placeId: string, days: number, data: object) =>
  b.write('cared', { type: 'place', id: placeId }, days, { job: 'water', ...data })
const placesOf = (l: CareLine | undefined) => l?.stops.map(s => s.placeId) ?? []

describe('what comes round (common practice, no source)', () => {
  const every = (id: string) =>
    Object.fromEntries(
      Object.entries(speciesOf(shippedAlmanac, id).rounds!).map(([job, r]) => [job, r.everyDays.value]),
    )

  it('water daily for geckos and tortoises, weekly for snakes, never for a spiny-tailed lizard', () => {
    expect(every('leopard-gecko').water).toBe(1)
    expect(every('hermanns-tortoise').water).toBe(1)
    expect(every('corn-snake').water).toBe(7)
    expect(every('spiny-tailed-lizard').water).toBeUndefined()
  })

  it('mist twice a day for chameleons, tropical geckos and frogs; a robust one may miss two', () => {
    for (const id of ['panther-chameleon', 'mourning-gecko', 'dyeing-dart-frog']) expect(every(id).mist, id).toBe(0.5)
    expect(speciesOf(shippedAlmanac, 'mourning-gecko').rounds!.mist!.toleranceDays.value).toBe(2)
    expect(every('leopard-gecko').mist).toBeUndefined()
  })

  it('light clean every two weeks and a full change every two months for small geckos, 3–4 months for snakes', () => {
    expect([every('mourning-gecko').lightClean, every('mourning-gecko').fullChange]).toEqual([14, 60])
    expect(every('boa-constrictor').fullChange).toBeGreaterThanOrEqual(90)
    expect(every('boa-constrictor').fullChange).toBeLessThanOrEqual(122)
    // nine to twelve months unlayered planted
    expect(every('dyeing-dart-frog').fullChange).toBeGreaterThanOrEqual(270)
    expect(every('dyeing-dart-frog').fullChange).toBeLessThanOrEqual(366)
  })
})

describe('the lines of a round', () => {
  it('one line a job and rack, mist first, what is alone under its room; an empty tub asks for nothing', () => {
    const all = lines(house()).filter(l => l.areaId)
    expect(placesOf(all.find(l => l.id === 'care:water:rack'))).toEqual(['t1', 't2', 't3'])
    expect(placesOf(all.find(l => l.id === 'care:mist:room'))).toEqual(['pen'])
    const inRoom = all.filter(l => l.areaId === 'room').map(l => l.job)
    expect(inRoom[0]).toBe('mist')
    expect(lines(house()).filter(l => l.areaId === null)).toHaveLength(4)
  })

  it('what was done is due again after its rhythm, and late after its tolerance', () => {
    const b = house()
    cared(b, 't1', -1, {})
    cared(b, 't3', -9, {})
    const water = line(b, 'care:water:rack')!
    expect(water.stops).toEqual([
      { placeId: 't1', lastDay: today - 1, due: today, late: false },
      { placeId: 't2', lastDay: null, due: today, late: false },
      { placeId: 't3', lastDay: today - 9, due: today - 2, late: false },
    ])
    // weekly, two days are no harm
    expect(line(b, 'care:water:rack', today + 1)!.stops.find(s => s.placeId === 't3')!.late).toBe(true)
    expect(line(b, 'care:water:rack')!.everyDays).toBe(1)
  })

  it('done over a rack counts for what stands in it but the exceptions, and not for what is elsewhere', () => {
    const b = house()
    cared(b, 'rack', 0, { but: ['t2'] })
    expect(placesOf(line(b, 'care:water:rack'))).toEqual(['t2'])
    cared(b, 'room', 0, {})
    expect(placesOf(line(b, 'care:water:rack'))).toEqual(['t2'])
    expect(line(b, 'care:water:room')).toBeUndefined()
  })

  it('twice a day is due until it was done twice', () => {
    const b = house()
    const mist = () => line(b, 'care:mist:room')
    expect(mist()).toMatchObject({ timesADay: 2, doneToday: 0 })
    cared(b, 'pen', 0, { job: 'mist' })
    expect(mist()).toMatchObject({ timesADay: 2, doneToday: 1 })
    cared(b, 'pen', 0, { job: 'mist' })
    expect(mist()).toBeUndefined()
    expect(line(b, 'care:mist:room', today + 1)).toMatchObject({ doneToday: 0 })
  })

  it('a reading of the UV index is the job of reading it', () => {
    const b = house()
    expect(line(b, 'care:uvReading:room')).toBeDefined()
    b.write('placeRead', { type: 'place', id: 'pen' }, -3, { channel: 'uvIndex', zone: 'spot', value: 1.5 })
    expect(line(b, 'care:uvReading:room')).toBeUndefined()
    expect(line(b, 'care:uvReading:room', today + 27)).toBeDefined()
  })

  it('an own rhythm of a place, or of its rack, goes over that of the species; none is none', () => {
    const b = house()
    b.write('rhythmSet', { type: 'place', id: 'rack' }, -1, { job: 'water', everyDays: 3 })
    b.write('rhythmSet', { type: 'place', id: 't2' }, -1, { job: 'water', everyDays: null })
    const at = (id: string) =>
      rhythmsOf(houseOf(b.records()), shippedAlmanac, id).find(r => r.job === 'water')?.everyDays
    expect([at('t1'), at('t2'), at('t3')]).toEqual([3, undefined, 3])
    b.write('rhythmSet', { type: 'place', id: 't2' }, 0, { job: 'water' })
    expect(at('t2')).toBe(3)
  })

  it('who has left, lies in the cold or is sold asks for nothing; untagged young do', () => {
    const b = house()
    b.write('cooledDown', { type: 'animal', id: 'K-1' }, -1)
    b.write('sold', { type: 'animal', id: 'G-1' }, -1)
    expect(placesOf(line(b, 'care:water:rack'))).toEqual(['t2'])
    b.pair('G-2', null, -200)
    b.write('laid', { type: 'pairing', id: 'pair-G-2' }, -90, { tag: 'C-1', eggs: 2, placeId: 't4' }, 'c')
    b.write('hatched', { type: 'clutch', id: 'c' }, -20, { count: 2 })
    expect(placesOf(line(b, 'care:water:rack'))).toEqual(['t2', 't4'])
  })

  it('tests of the house come round quarterly', () => {
    const b = house()
    b.write('houseCared', { type: 'settings', id: 'house' }, -10, { job: 'smokeAlarm' })
    expect(line(b, 'care:smokeAlarm')).toBeUndefined()
    expect(line(b, 'care:smokeAlarm', today + 81)).toMatchObject({ stops: [{ late: false }] })
    expect(line(b, 'care:smokeAlarm', today + 100)).toMatchObject({ stops: [{ late: true }] })
  })
})

describe('own jobs of the house', () => {
  const job = (b: HouseBuilder, data: object) =>
    b.write(
      'jobAdded',
      { type: 'job', id: 'j' },
      -5,
      { name: 'Rebuild the big cage', everyDays: 365, toleranceDays: 10, from: dayToIso(today + 3), ...data },
      'j',
    )

  it('at a place: from the day that is said, then in its rhythm, until it is ended', () => {
    const b = house()
    job(b, { placeIds: ['pen'] })
    expect(line(b, 'care:j:room')).toBeUndefined()
    expect(line(b, 'care:j:room', today + 3)).toMatchObject({ name: 'Rebuild the big cage', stops: [{ late: false }] })
    expect(line(b, 'care:j:room', today + 14)).toMatchObject({ stops: [{ late: true }] })
    cared(b, 'pen', 3, { job: 'j' })
    expect(line(b, 'care:j:room', today + 20)).toBeUndefined()
    expect(line(b, 'care:j:room', today + 3 + 365)).toBeDefined()
    b.write('jobEnded', { type: 'job', id: 'j' }, 30)
    expect(line(b, 'care:j:room', today + 3 + 365)).toBeUndefined()
  })

  it('of the house as a whole', () => {
    const b = house()
    job(b, { everyDays: 30 })
    expect(line(b, 'care:j')).toBeUndefined()
    expect(line(b, 'care:j', today + 3)).toBeDefined()
    b.write('jobDone', { type: 'job', id: 'j' }, 4)
    expect(line(b, 'care:j', today + 20)).toBeUndefined()
    expect(line(b, 'care:j', today + 34)).toBeDefined()
  })
})

describe('one tap', () => {
  const written = (l: CareLine, but: string[] = []) =>
    careEntries(l, new Set(but)).map((e, i): DatedEntry => ({
      ...e,
      id: `tap-${i}`,
      at: new Date(today * 86_400_000 + 13 * 3_600_000).toISOString(),
      day: today,
      source: 'keeper',
    }))

  it('does a rack with one entry and its exceptions; one tub of many by itself', () => {
    const water = line(house(), 'care:water:rack')!
    expect(careEntries(water, new Set(['t2']))).toEqual([
      { kind: 'cared', subject: { type: 'place', id: 'rack' }, data: { job: 'water', but: ['t2'] } },
    ])
    expect(careEntries(water, new Set(['t2', 't3'])).map(e => e.subject.id)).toEqual(['t1'])
    const smoke = line(house(), 'care:smokeAlarm')!
    expect(careEntries(smoke)).toEqual([
      { kind: 'houseCared', subject: { type: 'settings', id: 'house' }, data: { job: 'smokeAlarm' } },
    ])
  })

  it('afterwards exactly what was left out is due, whatever was done before (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('t1', 't2', 't3', 'rack'), fc.integer({ min: -9, max: 0 })), {
          maxLength: 6,
        }),
        fc.subarray(['t1', 't2', 't3']),
        (before, but) => {
          const b = house()
          for (const [placeId, days] of before) cared(b, placeId, days, {})
          const water = line(b, 'care:water:rack')
          if (!water) return
          const due = placesOf(water)
          const records = withEntries(b.records(), written(water, but))
          const after = careLines(houseOf(records), shippedAlmanac, today).find(l => l.id === 'care:water:rack')
          expect(placesOf(after)).toEqual(due.filter(id => but.includes(id)))
          // and what was not due was not written down as done
          const lastOf = (of: typeof records, id: string) =>
            jobsAt(houseOf(of), shippedAlmanac, id, today).find(j => j.job === 'water')!.last?.day
          for (const id of ['t1', 't2', 't3'].filter(x => !due.includes(x)))
            expect(lastOf(records, id)).toBe(lastOf(recordsFrom([...b.records().entries.values()].flat()), id))
        },
      ),
      { numRuns: 200 },
    )
  })
})

describe('a rhythm that finds nothing', () => {
  const spot = (b: HouseBuilder, placeId = 't1', day = today) =>
    jobsAt(houseOf(b.records()), shippedAlmanac, placeId, day).find(j => j.job === 'spotClean')!
  const clean = (b: HouseBuilder, days: number[], found?: string[], placeId = 'rack', more: object = {}) => {
    for (const day of days)
      b.write('cared', { type: 'place', id: placeId }, day, { job: 'spotClean', ...(found && { found }), ...more })
    return b
  }

  it('is proposed longer after five times of nothing (from memory, no source), and set by nobody but the keeper', () => {
    const usual = spot(house()).everyDays
    const tolerance = spot(house()).toleranceDays
    expect(spot(clean(house(), [-9, -7, -5, -3], [])).proposal).toBeNull()
    const calm = spot(clean(house(), [-11, -9, -7, -5, -3], []))
    expect(calm.proposal).toMatchObject({ times: 5, why: 'nothingFound' })
    expect(calm.everyDays).toBe(usual)
    // within the bounds of the job
    expect(calm.proposal!.everyDays).toBeGreaterThan(usual)
    expect(calm.proposal!.everyDays).toBeLessThanOrEqual(usual + tolerance)
  })

  it('times at which nothing was said count neither way, and a finding begins the count anew', () => {
    const mixed = clean(clean(house(), [-19, -17, -15, -13, -11], []), [-10, -8])
    expect(spot(mixed).proposal).not.toBeNull()
    clean(mixed, [-6], ['smell'], 't1')
    expect(spot(mixed).proposal).toBeNull()
    // the neighbour had no smell
    expect(spot(mixed, 't2').proposal).not.toBeNull()
  })

  it('what was left out was not looked at', () => {
    const b = clean(house(), [-11, -9, -7, -5, -3], [], 'rack', { but: ['t1'] })
    expect(spot(b).proposal).toBeNull()
    expect(spot(b, 't2').proposal).not.toBeNull()
  })

  it('never grows past the bounds, however long nothing is found; two findings lead back to the rhythm of the species', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 14 }), fc.integer({ min: 1, max: 40 }), (n, own) => {
        const b = clean(
          house(),
          Array.from({ length: n }, (_, i) => i - n - 1),
          [],
        )
        b.write('rhythmSet', { type: 'place', id: 't1' }, -30, { job: 'spotClean', everyDays: own })
        const usual = spot(house())
        const { proposal } = spot(b)
        const most = Math.round(usual.everyDays) + usual.toleranceDays
        if (proposal) {
          expect(proposal.everyDays).toBeGreaterThan(own)
          expect(proposal.everyDays).toBeLessThanOrEqual(most)
        } else expect(own).toBeGreaterThanOrEqual(most)
      }),
      { numRuns: 60 },
    )
    const b = clean(house(), [-4, -2], ['mould'], 't1')
    b.write('rhythmSet', { type: 'place', id: 't1' }, -30, { job: 'spotClean', everyDays: 9 })
    const usual = spot(house()).everyDays
    expect(spot(b).proposal).toEqual({ everyDays: usual, times: 2, why: 'somethingFound' })
  })
})

describe('own jobs on days of the week and in a season', () => {
  const job = (more: Partial<JobState>) => ({ everyDays: 30, toleranceDays: 2, fromDay: today - 800, ...more })

  it('meets the first such day by a walk over the days, whatever was done and whenever it is asked (by hand)', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 4 }),
        fc.option(fc.record({ from: fc.integer({ min: 1, max: 12 }), to: fc.integer({ min: 1, max: 12 }) })),
        fc.integer({ min: 0, max: 700 }),
        (weekdays, months, ago) => {
          const of = job({ weekdays, months })
          const last = today - ago
          const isOn = (day: number) => weekdays.includes(new Date(day * 86_400_000).getUTCDay())
          const isIn = (day: number) => isInSeason(of, day)
          // what was left of an earlier season is not due any more
          let from = last + 1
          if (months && isIn(today)) {
            let began = today
            while (isIn(began - 1) && began > last) began--
            from = Math.max(last + 1, began)
          }
          if (!isIn(today)) from = Math.max(from, today)
          let due = from
          while (!(isOn(due) && isIn(due))) due++
          expect(ownDue(of, last, today).due).toBe(due)
        },
      ),
      { numRuns: 400 },
    )
  })

  it('out of its season nothing is left over; when it begins it is due, not late', () => {
    // 20 782 is 25 November 2026
    const summer = job({ months: { from: 5, to: 9 } })
    const begins = dayFromIso('2027-05-01')
    expect(ownDue(summer, dayFromIso('2026-08-20'), today).due).toBe(begins)
    expect(ownDue(summer, dayFromIso('2026-08-20'), begins)).toEqual({ due: begins, lateFrom: begins + 3 })
    expect(ownDue(summer, null, today).due).toBe(begins)
    // a winter over the turn of the year
    expect(ownDue(job({ months: { from: 11, to: 2 } }), today - 3, today).due).toBe(today + 27)
  })

  it('of a species, is done wherever that lives, and nowhere else', () => {
    const b = house()
    b.write(
      'jobAdded',
      { type: 'job', id: 'j' },
      -10,
      { name: 'Look at toes', everyDays: 7, from: '2026-11-20', speciesId: 'leopard-gecko', placeIds: [] },
      'j',
    )
    const told = line(b, 'care:j:rack')
    expect(placesOf(told)).toEqual(['t1', 't2'])
    b.write('cared', { type: 'place', id: 't1' }, 0, { job: 'j' })
    expect(placesOf(line(b, 'care:j:rack'))).toEqual(['t2'])
    expect(lines(b).some(l => l.id === 'care:j')).toBe(false)
  })

  it('is told in words', () => {
    expect(tellOwnRhythm(job({ weekdays: [0, 1, 4] }))).toBe('Monday, Thursday and Sunday')
    expect(tellOwnRhythm(job({ months: { from: 5, to: 9 } }))).toBe('every 30 days, May to September')
  })
})
