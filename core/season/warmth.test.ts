import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shippedAlmanac as almanac } from '../almanac'
import { plannedSupply } from '../supply'
import { cultureTempC, houseOf, warmthOfHouse } from '.'

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
