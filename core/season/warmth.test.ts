import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shippedAlmanac as almanac } from '../almanac'
import { plannedSupply } from '../supply'
import { placeHumidityPct, warmthShifted } from './warmth'
import { colonyView, troubleOf, cultureTempC, houseOf, warmthOfHouse } from '.'

const today = 20_000
const way = plannedSupply(feederOf(almanac, 'fly.small'))!
if (way.kind !== 'batch') throw new Error('flies are kept in cups')
const base = way.baseTempC.value
/** Degree-days of a cup from its start to its first flies: a straight line over its base, common practice. */
const WHOLE = way.toProducing.likely * (way.atTempC.value - base)

/** A cup started so many days ago, and the shelves it was moved to since, by name and days ago. */
function cup(age: number, first: string, moves: readonly [place: string, daysAgo: number][]) {
  const b = new HouseBuilder(today)
  for (const [name, tempC] of [
    ['warm', 24],
    ['alsoWarm', 24],
    ['cool', 18],
    ['mild', 21],
  ] as const)
    b.place(name, { kind: 'shelf', tempC })
  b.culture('F-1', 'fly.small', -age, first)
  for (const [placeId, daysAgo] of moves) b.write('cultureMoved', { type: 'culture', id: 'F-1' }, -daysAgo, { placeId })
  return b
}
function tempOf(b: HouseBuilder): number | null {
  const house = houseOf(b.records())
  return cultureTempC(house.cultures['F-1']!, { house, almanac })
}
/** Days to its first flies at one temperature, and by stretches of which the last goes on. */
const daysAt = (tempC: number) => WHOLE / (tempC - base)
function daysAlong(stretches: readonly [days: number, tempC: number][], goesOnC: number): number {
  const done = stretches.reduce((sum, [days, t]) => sum + days * (t - base), 0)
  return stretches.reduce((sum, [days]) => sum + days, 0) + (WHOLE - done) / (goesOnC - base)
}

describe('a shelf that is tried warmer or cooler', () => {
  it('is to its cups as if they had been moved today to one that is', () => {
    const b = cup(8, 'warm', [])
    const house = houseOf(b.records())
    const shifted = warmthShifted({ warm: -6 }, { house, almanac, today })
    expect(Math.abs(shifted['F-1']!.tempC - tempOf(cup(8, 'warm', [['cool', 0]]))!)).toBeLessThan(0.06)
    expect(shifted.warm!.goesOnAtC).toBe(18)
    // a shelf of which nothing is known has no warmth to be shifted
    expect(warmthShifted({ gone: 3 }, { house, almanac, today })).toEqual({})
  })

  it('is the same by readings and in a window, which has none', () => {
    const b = cup(8, 'warm', [])
    b.readings(
      'warm',
      Array.from({ length: 8 * 24 }, (_, h) => 20 + (h % 24) / 4),
    )
    const of = { house: houseOf(b.records()), almanac, today }
    const warmth = JSON.parse(JSON.stringify(warmthOfHouse(of))) as typeof of.house.warmth
    const window = { ...of, house: { ...of.house, climate: {}, warmth } }
    expect(warmthShifted({ warm: 2 }, window)).toEqual(warmthShifted({ warm: 2 }, of))
  })
})

describe('a cup that was moved', () => {
  it('has grown at what each shelf was, and goes on at what the last is', () => {
    expect(tempOf(cup(8, 'warm', []))).toBe(24)
    // four days warm, the rest cool; by hand, the temperature is told to a twentieth of a degree
    const days = daysAt(tempOf(cup(8, 'warm', [['cool', 4]]))!)
    expect(Math.abs(days - daysAlong([[4, 24]], 18))).toBeLessThan(0.15)
    expect(days).toBeGreaterThan(daysAt(24) + 1)
    expect(days).toBeLessThan(daysAt(18) - 1)
  })

  it('counts the same wherever it stands at the same warmth, and of a move to where it is', () => {
    expect(tempOf(cup(8, 'warm', [['alsoWarm', 4]]))).toBe(24)
    expect(tempOf(cup(8, 'warm', [['warm', 4]]))).toBe(24)
    const house = houseOf(cup(8, 'warm', [['warm', 4]]).records())
    expect(house.cultures['F-1']!.stoodIn).toBeUndefined()
  })

  it('moved on the day of its start has grown where it came to', () => {
    expect(tempOf(cup(8, 'cool', [['warm', 8]]))).toBe(24)
  })

  it('is counted by what was read where it stood, hour by hour', () => {
    // 26 °C read on the warm shelf until it left, 20 °C on the cool one; what was read elsewhere is nothing to it
    const b = cup(8, 'warm', [['cool', 3]])
    const hours = 24 * 8
    b.readings('warm', [...new Array<number>(hours - 72).fill(26), ...new Array<number>(72).fill(12)])
    b.readings('cool', [...new Array<number>(hours - 72).fill(10), ...new Array<number>(72).fill(20)])
    const wanted = daysAlong(
      [
        [5, 26],
        [3, 20],
      ],
      20,
    )
    expect(Math.abs(daysAt(tempOf(b)!) - wanted)).toBeLessThan(0.15)
  })

  it('is told to a window, which has no readings, as it is counted', () => {
    const b = cup(8, 'warm', [['cool', 4]])
    const house = houseOf(b.records())
    const warmth = warmthOfHouse({ house, almanac, today })
    expect(warmth['F-1']!.tempC).toBe(tempOf(b))
    const window = { ...house, climate: {}, warmth }
    expect(cultureTempC(window.cultures['F-1']!, { house: window, almanac })).toBe(tempOf(b))
  })

  it('any moves: as the days on each shelf add up, and never outside what they were', () => {
    const temps = { warm: 24, alsoWarm: 24, cool: 18, mild: 21 }
    const names = Object.keys(temps) as (keyof typeof temps)[]
    fc.assert(
      fc.property(
        fc.constantFrom(...names),
        fc.uniqueArray(fc.tuple(fc.constantFrom(...names), fc.integer({ min: 0, max: 8 })), {
          selector: ([, day]) => day,
          maxLength: 5,
        }),
        (first, moves) => {
          const inTurn = [...moves].sort((a, b) => b[1] - a[1])
          const tempC = tempOf(cup(9, first, inTurn))!
          const at = [first, ...inTurn.map(([place]) => place)]
          const until = [...inTurn.map(([, daysAgo]) => daysAgo), 0]
          const from = [9, ...inTurn.map(([, daysAgo]) => daysAgo)]
          const goesOn = temps[at.at(-1)!]
          const stretches = at.map((place, i): [number, number] => [from[i]! - until[i]!, temps[place]])
          expect(Math.abs(daysAt(tempC) - daysAlong(stretches, goesOn))).toBeLessThan(0.2)
          const range = at.map(place => temps[place])
          expect(tempC).toBeGreaterThanOrEqual(Math.min(...range) - 0.05)
          expect(tempC).toBeLessThanOrEqual(Math.max(...range) + 0.05)
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('a colony', () => {
  const context = (b: HouseBuilder) => ({ house: houseOf(b.records()), almanac, today })
  /** Isopods of 200 days that yield, on a shelf that is set to 25 °C. */
  function tub(moves: readonly [place: string, daysAgo: number][] = []) {
    const b = new HouseBuilder(today)
    b.place('warm', { kind: 'shelf', tempC: 25 }).place('cool', { kind: 'shelf', tempC: 18 })
    b.culture('F-1', 'isopod.dwarf', -200, 'warm')
    b.write('producing', { type: 'culture', id: 'F-1' }, -100, {})
    for (const [placeId, daysAgo] of moves)
      b.write('cultureMoved', { type: 'culture', id: 'F-1' }, -daysAgo, { placeId })
    return b
  }
  const perWeek = (b: HouseBuilder) => {
    const of = context(b)
    return colonyView(of.house.cultures['F-1']!, of)!.perWeek
  }
  const read = (b: HouseBuilder, days: number, tempC: number) => b.readings('warm', Array(days * 24).fill(tempC))

  it('goes on at what its shelf reads, whatever it is set to', () => {
    const [set, cold] = [tub(), read(tub(), 60, 18)]
    expect(tempOf(set)).toBe(25)
    expect(tempOf(cold)).toBe(18)
    // as one that came to a shelf that is set so, on the day from which the other was read
    expect(perWeek(cold)).toBeCloseTo(perWeek(tub([['cool', 60]])), 6)
    expect(perWeek(cold)).toBeLessThan(0.8 * perWeek(set))
  })

  it('that was moved grew where it stood, and says so in its working', () => {
    const moved = tub([['cool', 90]])
    expect(tempOf(moved)).toBe(18)
    const of = context(moved)
    const { reasons } = colonyView(of.house.cultures['F-1']!, of)!
    const told = reasons[0]!.inputs.filter(i => /^From|^Its place/.test(i.label)).map(i => i.value)
    expect(told).toEqual(['25 °C', '18 °C', '18 °C'])
    // long in the cold it is smaller than one that came there last week
    const sizes = [tub([['cool', 190]]), tub([['cool', 7]])].map(b => {
      const of = context(b)
      const { colony } = colonyView(of.house.cultures['F-1']!, of)!
      return colony.members.reduce((n, m) => n + m.numbers.reduce((a, c) => a + c, 0), 0)
    })
    expect(sizes[0]).toBeLessThan(sizes[1]!)
  })

  it('is as if it came to a cooler shelf today, when its own is tried so much cooler', () => {
    const of = context(tub())
    const shifted = warmthShifted({ warm: -7, alsoWarm: 3, gone: 3 }, of)
    const moved = context(tub([['cool', 0]]))
    expect(shifted['F-1']!.stood!.map(s => s.tempC)).toEqual(warmthOfHouse(moved)['F-1']!.stood!.map(s => s.tempC))
    expect(shifted['F-1']!.tempC).toBe(cultureTempC(moved.house.cultures['F-1']!, moved))
  })

  it('is told to a window, which has no readings, as it is counted', () => {
    const b = read(tub([['cool', 30]]), 90, 21)
    const of = context(b)
    const warmth = JSON.parse(JSON.stringify(warmthOfHouse(of)))
    const window = { ...of, house: { ...of.house, climate: {}, warmth } }
    const [here, there] = [of, window].map(c => colonyView(c.house.cultures['F-1']!, c)!)
    expect(there!.colony).toEqual(here!.colony)
    expect(there!.reasons).toEqual(here!.reasons)
  })

  it('any readings, with holes: within what was read and set, in the order of days, none twice', () => {
    const hour = fc.option(fc.double({ min: 5, max: 40, noNaN: true }), { nil: Number.NaN, freq: 6 })
    fc.assert(
      fc.property(fc.array(hour, { minLength: 1, maxLength: 24 * 30 }), values => {
        const b = tub()
        b.readings('warm', values)
        const { stood, tempC } = warmthOfHouse(context(b))['F-1']!
        const known = [25, ...values.filter(v => !Number.isNaN(v))]
        for (const t of [tempC, ...stood!.map(s => s.tempC)]) {
          expect(t).toBeGreaterThanOrEqual(Math.min(...known) - 0.26)
          expect(t).toBeLessThanOrEqual(Math.max(...known) + 0.26)
        }
        const days = stood!.map(s => s.fromDay)
        expect(days).toEqual([...new Set(days)].sort((a, c) => a - c))
        expect(days[0]).toBe(today - 200)
      }),
      { numRuns: 40 },
    )
  })
})

describe('how damp the air beside a culture is', () => {
  it('is that of the last days where it is read, the same in a window, and not known elsewhere', () => {
    const b = new HouseBuilder(today)
    b.place('shelf').place('other')
    b.readings(
      'shelf',
      Array.from({ length: 400 }, () => 24),
    )
    b.readings(
      'shelf',
      Array.from({ length: 400 }, (_, h) => (h < 200 ? 80 : 41.2)),
      { channel: 'humidity' },
    )
    const house = houseOf(b.records())
    const of = { house, almanac, today }
    expect(placeHumidityPct('shelf', of)).toBe(41)
    expect(placeHumidityPct('other', of)).toBeNull()
    expect(placeHumidityPct(null, of)).toBeNull()
    // a window has no readings
    const warmth = JSON.parse(JSON.stringify(warmthOfHouse(of))) as typeof house.warmth
    const told = { house: { ...house, climate: {}, warmth }, almanac, today }
    expect(placeHumidityPct('shelf', told)).toBe(41)
    expect(placeHumidityPct('other', told)).toBeNull()
  })

  it('stands in the working of what is found in a cup there, and makes its cause likelier', () => {
    const found = (pct: number | null) => {
      const b = new HouseBuilder(today)
      b.place('shelf')
      b.readings(
        'shelf',
        Array.from({ length: 400 }, () => 24),
      )
      if (pct !== null)
        b.readings(
          'shelf',
          Array.from({ length: 400 }, () => pct),
          { channel: 'humidity' },
        )
      const cup = b.culture('F-1', 'fly.small', -20, 'shelf')
      b.write('cultureFound', { type: 'culture', id: cup }, -1, { what: 'mould' })
      const house = houseOf(b.records())
      const culture = house.cultures[cup]!
      return troubleOf(culture, culture.troubles[0]!, { house, almanac, today })
    }
    const chance = (pct: number | null) => found(pct).causes.find(c => c.id === 'wet')!.chance
    expect(chance(92)).toBeGreaterThan(chance(null))
    expect(chance(65)).toBeLessThan(chance(null))
    // 65 % is common practice (PRACTICE §8): it lies in the range
    const inputs = found(92).reasons.flatMap(r => r.inputs.map(i => `${i.label}: ${i.value}`))
    expect(inputs).toContain('Air at its place against the usual: 92 against 50 to 75 %')
  })
})
