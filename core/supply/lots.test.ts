import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { seededRandom } from '../chance'
import { foldHouse } from '../subjects'
import { dayFromIso } from '../units'
import { feederOf, shippedAlmanac, type Supply } from '../almanac'
import { aliveBetween, coolestOf, keptBetween, lifeOf, packWay, paceAt, standingLots, useByDays, type Life } from '.'

const today = 20_000
const fold = (b: HouseBuilder) => foldHouse(b.records())

const life = (part: Partial<Life> = {}): Life => ({ halfDays: 1, shape: 1, useByShare: 0.8, ...part })
/** It keeps for ever. */
const frozen = life({ halfDays: 1e9 })
const lot = (day: number, count: number, useBy?: number) => ({
  entryId: `d${day}`,
  at: '',
  day,
  count,
  ...(useBy !== undefined && { useBy }),
})
const counted = (day: number, count: number) => ({
  counted: { day, at: '', count, entryId: 'c' },
  lots: [lot(day, count)],
  arrivals: [],
  used: [],
  discards: [],
})
type Stock = Parameters<typeof standingLots>[0]
const usable = (stock: Stock, of: Life, day = today) => standingLots(stock, of, day).reduce((n, l) => n + l.pieces, 0)

describe('what is left of a stock', () => {
  it('by hand: 100 counted, half kept a day, 10 came in and 8 were offered on the second day', () => {
    const stock = {
      ...counted(today - 3, 100),
      arrivals: [lot(today - 2, 10)],
      used: [{ day: today - 2, count: 8 }],
    }
    // 100 → 50 + 10 − 8 = 52 → 26 → 13
    expect(usable(stock, life())).toBeCloseTo(13, 12)
    expect(usable(stock, frozen)).toBeCloseTo(102, 5)
    expect(standingLots({ counted: null, lots: [], arrivals: [], used: [], discards: [] }, life(), today)).toEqual([])
    // more offered than there was is none left, not less than none
    expect(usable({ ...stock, used: [{ day: today - 2, count: 500 }] }, frozen)).toBe(0)
  })

  it('what is thrown away is among those that did not keep; only more than that is taken off', () => {
    const left = (thrown: number) =>
      usable({ ...counted(today - 1, 100), discards: [{ day: today, at: '', count: thrown }] }, life())
    // half of 100 had to be expected to be dead
    expect([0, 30, 50, 80, 100].map(left)).toEqual([50, 50, 50, 20, 0])
  })

  it('keeps well and ends about its days: half at ten days, four in five on the day of use', () => {
    const crickets = life({ halfDays: 10, shape: 4 })
    expect(keptBetween(crickets, 0, 10)).toBeCloseTo(0.5, 12)
    expect(keptBetween(crickets, 0, 5)).toBeCloseTo(0.5 ** (1 / 16), 12)
    // in two steps as in one, also after an age at which next to nothing is left
    expect(keptBetween(crickets, 0, 4) * keptBetween(crickets, 4, 9)).toBeCloseTo(keptBetween(crickets, 0, 9), 12)
    expect(keptBetween(crickets, 200, 201)).toBe(0)
    expect(keptBetween(crickets, 0, useByDays(crickets))).toBeCloseTo(0.8, 12)
    // Weibull with these: 10 · (ln 0.8 / ln 0.5)^¼ = 7.53
    expect(useByDays(crickets)).toBeCloseTo(7.53, 2)
  })

  it('is what lives of 20,000 crickets with lives of their own, eaten oldest first', () => {
    const crickets = life({ halfDays: 10, shape: 4 })
    const random = seededRandom(5)
    const herd = (n: number, born: number) =>
      // lives drawn by the inverse of the survival
      Array.from({ length: n }, () => ({ born, dies: born + 10 * (Math.log(random()) / Math.log(0.5)) ** 0.25 }))
    let living = herd(20_000, today - 12)
    living = living.filter(c => c.dies > today - 6)
    living = [...living, ...herd(20_000, today - 6)]
    const eat = (n: number) => {
      living = [...living].sort((a, b) => a.born - b.born).slice(n)
    }
    eat(4000)
    living = living.filter(c => c.dies > today - 3)
    eat(5000)
    living = living.filter(c => c.dies > today)
    const stock: Stock = {
      ...counted(today - 12, 20_000),
      arrivals: [lot(today - 6, 20_000)],
      used: [
        { day: today - 6, count: 4000 },
        { day: today - 3, count: 5000 },
      ],
    }
    for (const standing of standingLots(stock, crickets, today)) {
      const there = living.filter(c => c.born === standing.day).length
      expect(Math.abs(standing.pieces - there)).toBeLessThan(4 * Math.sqrt(20_000 / 4))
    }
  })

  it('what grows is of its size until its day, then alive and no more counted: a herd with lives of their own', () => {
    const nymphs = life({ halfDays: 30, shape: 4, growsAfter: 12 })
    expect(useByDays(nymphs)).toBe(11)
    expect(keptBetween(nymphs, 0, 11)).toBeCloseTo(0.5 ** ((11 / 30) ** 4), 12)
    expect(keptBetween(nymphs, 0, 12)).toBe(0)
    const random = seededRandom(9)
    const born = today - 20
    // lives drawn by the inverse of the survival
    const dies = Array.from({ length: 20_000 }, () => born + 30 * (Math.log(random()) / Math.log(0.5)) ** 0.25)
    for (const age of [5, 11, 12, 18, 25, 40]) {
      const [there] = standingLots({ ...counted(born, 0), lots: [], arrivals: [lot(born, 20_000)] }, nymphs, born + age)
      const alive = dies.filter(d => d > born + age).length
      expect(Math.abs(there!.pieces - (age < 12 ? alive : 0))).toBeLessThan(4 * Math.sqrt(5000))
      expect(Math.abs(there!.grown - (age < 12 ? 0 : alive))).toBeLessThan(4 * Math.sqrt(5000))
      expect(there!.pieces + there!.grown + there!.gone).toBeCloseTo(20_000, 6)
      expect(there).toMatchObject({ useBy: born + 11, outgrows: true })
    }
  })

  it('what is counted as grown comes off those that are; what is still fed, or thrown out, as far as there is any', () => {
    const nymphs = life({ halfDays: 1e9, shape: 4, growsAfter: 10 })
    const of = (stock: Partial<Stock>) => {
      const came = {
        ...counted(today - 12, 0),
        lots: [],
        arrivals: [lot(today - 12, 40), lot(today - 2, 25)],
        ...stock,
      }
      return standingLots(came, nymphs, today).map(l => [l.pieces, l.grown].map(Math.round))
    }
    expect(of({})).toEqual([
      [0, 40],
      [25, 0],
    ])
    const day = { day: today, at: '' }
    expect(of({ discards: [{ ...day, count: 30, grown: true }] })).toEqual([
      [0, 10],
      [25, 0],
    ])
    // fed as small all the same: those of their size first, then what was taken for too large
    expect(of({ used: [{ ...day, count: 30 }] })).toEqual([
      [0, 35],
      [0, 0],
    ])
    expect(of({ discards: [{ ...day, count: 45 }] })).toEqual([
      [0, 0],
      [20, 0],
    ])
  })

  it('what a keeper counts as of its size when most have grown is slower than most, and is believed', () => {
    const nymphs = life({ halfDays: 60, shape: 4, growsAfter: 10 })
    const stock: Stock = { ...counted(today - 2, 30), lots: [lot(today - 20, 30)] }
    const [there] = standingLots(stock, nymphs, today)
    expect(there!.outgrows).toBeUndefined()
    expect(there).toMatchObject({
      grown: 0,
      useBy: today - 20 + Math.floor(useByDays(life({ halfDays: 60, shape: 4 }))),
    })
    expect(there!.pieces).toBeGreaterThan(29)
    // one that came since grows in its time
    const both = standingLots({ ...stock, arrivals: [lot(today - 11, 5)] }, nymphs, today)
    expect(both.map(l => Math.round(l.grown))).toEqual([5, 0])
  })

  it('a box with a date of its own is used by that date, and before one that keeps longer', () => {
    const mice = life({ halfDays: 180, shape: 4 })
    const stock: Stock = {
      ...counted(today - 20, 0),
      lots: [],
      arrivals: [lot(today - 20, 25), lot(today - 10, 25, today + 5)],
      used: [{ day: today - 1, count: 10 }],
    }
    const [first, second] = standingLots(stock, mice, today)
    expect(first).toMatchObject({ day: today - 10, useBy: today + 5 })
    // half of such a box keeps as many days as bring four in five to its date, day 15
    const still = (age: number) => 0.8 ** ((age / 15) ** 4)
    expect(first!.pieces).toBeCloseTo(((25 * still(9) - 10) * still(10)) / still(9), 9)
    expect(second!.pieces).toBeCloseTo(25, 1)
    expect(second!.useBy).toBe(today - 20 + Math.floor(useByDays(mice)))
  })

  it('a count is of the latest deliveries, with their days; what is beyond all is as old as the count', () => {
    const b = new HouseBuilder(today)
    const prey = { type: 'prey' as const, id: 'cricket.half' }
    b.write('preyReceived', prey, -20, { count: 100 })
    const last = b.write('preyReceived', prey, -3, { count: 60, useBy: '2030-01-01' })
    b.write('preyCounted', prey, -2, { count: 90 })
    const stock = () => fold(b).stocks['cricket.half']!
    expect(stock().lots.map(l => [l.day - today, l.count])).toEqual([
      [-20, 30],
      [-3, 60],
    ])
    expect(stock().lots[1]).toMatchObject({ entryId: last, useBy: dayFromIso('2030-01-01') })
    b.write('preyCounted', prey, -1, { count: 200 })
    expect(stock().lots.map(l => [l.day - today, l.count])).toEqual([
      [-20, 30],
      [-3, 60],
      [-1, 110],
    ])
    b.write('preyCounted', prey, 0, { count: 0 })
    expect(stock().lots).toEqual([])
  })

  it('whatever is written of it: never below none, no more than came, and never more as days pass', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            day: fc.integer({ min: -40, max: 0 }),
            count: fc.integer({ min: 0, max: 500 }),
            sort: fc.constantFrom('lots', 'arrivals', 'used', 'discards'),
            keeps: fc.option(fc.integer({ min: 0, max: 60 })),
          }),
          { maxLength: 12 },
        ),
        fc.double({ min: 0.3, max: 400, noNaN: true }),
        fc.double({ min: 0.2, max: 12, noNaN: true }),
        fc.option(fc.integer({ min: 1, max: 50 }), { nil: undefined }),
        (changes, halfDays, shape, growsAfter) => {
          const of = (sort: string) =>
            changes
              .filter(c => c.sort === sort)
              .map(c => lot(today + c.day, c.count, c.keeps === null ? undefined : today + c.day + c.keeps))
          const stock: Stock = {
            counted: null,
            lots: [],
            arrivals: of('arrivals'),
            used: of('used'),
            discards: of('discards'),
          }
          const came = stock.arrivals.reduce((n, a) => n + a.count, 0)
          let before = came
          for (let day = today; day < today + 60; day += 7) {
            const left = usable(stock, life({ halfDays, shape, growsAfter }), day)
            expect(left).toBeGreaterThanOrEqual(0)
            expect(left).toBeLessThanOrEqual(before + 1e-6)
            before = left
          }
        },
      ),
    )
  })

  it('every meal since the count is taken off, however many, of animals and of groups', () => {
    const b = new HouseBuilder(today)
      .animal('A', 'leopard-gecko')
      .animal('K-1', 'corn-snake', { sex: 'female' })
      .animal('K-2', 'corn-snake', { sex: 'male' })
    const prey = { type: 'prey' as const, id: 'cricket.half' }
    b.write('preyCounted', prey, -100, { count: 2000 })
    for (let d = -150; d <= 0; d++)
      b.write('fed', { type: 'animal', id: 'A' }, d, { prey: 'cricket.half', offered: 5, taken: 3 })
    const pair = b.pair('K-1', 'K-2', -300)
    const laid = b.write('laid', { type: 'pairing', id: pair }, -200, {
      tag: 'C-1',
      eggs: 12,
      slugs: 0,
      tempC: null,
      placeId: null,
    })
    b.write('hatched', { type: 'clutch', id: laid }, -120, { count: 10 })
    b.write('youngLost', { type: 'clutch', id: laid }, -60, { count: 4 })
    for (const d of [-110, -90, -50])
      b.write('groupFed', { type: 'clutch', id: laid }, d, { prey: 'cricket.half', each: 2 })
    // after the count: 100 meals of five, one of ten mouths by two, one of six mouths by two
    expect(fold(b).stocks['cricket.half']!.left).toBe(2000 - 100 * 5 - 20 - 12)
    b.write('preyReceived', prey, -1, { count: 50 })
    expect(fold(b).stocks['cricket.half']!.left).toBe(2000 - 500 - 32 + 50)
    b.write('preyCounted', prey, 0, { count: 30 })
    expect(fold(b).stocks['cricket.half']!.left).toBe(30)
  })
})

describe('the warmth of where feeders are kept', () => {
  const { common } = shippedAlmanac
  const wayOf = (id: string) => packWay(feederOf(shippedAlmanac, id))!
  const crickets = wayOf('cricket.half')

  it('lets them live as much faster as metabolic theory says', () => {
    // Gillooly, Brown, West, Savage & Charnov 2001, Science 293:2248: rates go with exp(−E / kT), E about 0.65 eV; from
    // memory. Boltzmann’s constant in eV/K (CODATA)
    const rate = (tempC: number) => Math.exp(-0.65 / (8.617e-5 * (tempC + 273.15)))
    for (const tempC of [16, 18, 20, 24, 26, 28, 30]) {
      const theory = rate(tempC) / rate(common.keepTemp!.value)
      expect(paceAt(crickets, common, tempC) / theory).toBeGreaterThan(0.95)
      expect(paceAt(crickets, common, tempC) / theory).toBeLessThan(1.05)
    }
  })

  it('is as the Almanac says where it is not known, and for what is frozen', () => {
    expect(paceAt(crickets, common, null)).toBe(1)
    expect(paceAt(crickets, common, common.keepTemp!.value)).toBe(1)
    expect(wayOf('mouse.adult').frozen).toBe(true)
    expect(paceAt(wayOf('mouse.adult'), common, 30)).toBe(1)
  })

  it('keeps mealworms for months in the fridge, and crickets no longer there than in the cool', () => {
    // common practice, no source: mealworms rest in the fridge, and keep there some three to four times as long
    const [fridge, room] = [5, 22].map(t => useByDays(lifeOf(wayOf('mealworm'), common, undefined, t)))
    expect(fridge! / room!).toBeGreaterThan(3)
    expect(fridge! / room!).toBeLessThan(5)
    expect(paceAt(crickets, common, 5)).toBe(paceAt(crickets, common, coolestOf(crickets, common)))
    expect(coolestOf(wayOf('mealworm'), common)).toBeLessThan(coolestOf(wayOf('superworm'), common))
  })

  it('never keeps them longer the warmer it is, nor forever, whatever numbers are set', () => {
    const temps = fc.double({ min: -10, max: 50, noNaN: true })
    const own = fc.record({
      keepTemp: fc.double({ min: -5, max: 60, noNaN: true }),
      keepPace: fc.double({ min: 0, max: 1000, noNaN: true }),
      keepCoolest: fc.double({ min: -50, max: 60, noNaN: true }),
    })
    fc.assert(
      fc.property(temps, temps, own, fc.integer({ min: 0, max: 400 }), (a, b, set, age) => {
        const numbers = Object.fromEntries(
          Object.entries(set).map(([name, value]) => [name, { ...common[name]!, value }]),
        )
        const lives = [Math.min(a, b), Math.max(a, b)].map(t =>
          lifeOf(crickets, { ...common, ...numbers }, undefined, t),
        )
        const [cool, warm] = lives.map(l => aliveBetween(l, 0, age))
        // by a number under 1, which makes no sense, it is the other way round
        if (set.keepPace >= 1) expect(warm).toBeLessThanOrEqual(cool! + 1e-12)
        for (const l of lives) {
          expect(l.halfDays).toBeGreaterThanOrEqual(crickets.keepDays.value / 10 - 1e-9)
          expect(l.halfDays).toBeLessThanOrEqual(crickets.keepDays.value * 10 + 1e-9)
        }
      }),
    )
  })

  it('lets them grow out of their size the sooner, too', () => {
    const grows = { into: 'cricket.full', days: { ...crickets.keepDays, value: 6 } }
    const long: Supply = { ...crickets, keepDays: { ...crickets.keepDays, value: 40 } }
    const at = (tempC: number | null) => lifeOf(long, common, grows, tempC).growsAfter!
    expect(at(null)).toBe(6)
    expect(at(32)).toBeCloseTo(6 / common.keepPace!.value, 9)
    expect(at(16)).toBeGreaterThan(6)
  })
})
