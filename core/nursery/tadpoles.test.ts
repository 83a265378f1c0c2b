import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac, speciesOf } from '../almanac'
import { defaultSettings, houseOf, seasonOfHouse } from '../season'
import { leftCrowded, tadpoleGrowth } from '.'

const today = 20_000
const { common } = shippedAlmanac
const frog = speciesOf(shippedAlmanac, 'dyeing-dart-frog')
const [start, wanted] = [common.tadpoleHatch!.value, common.tadpoleTogether!.value]

describe('how long tadpoles are', () => {
  it('unmeasured they grow from the hatch to turning on the usual day, by hand', () => {
    const takes = Object.values(frog.clocks).find(c => c.to === 'metamorphosed')!.days.likely
    const perDay = (common.tadpoleTurns!.value - start) / takes
    const { mm, together } = tadpoleGrowth(frog, today - 20, [], today, common)
    expect(mm).toBeCloseTo(start + 20 * perDay, 10)
    expect(together).toBe(Math.ceil(today - 20 + (wanted - start) / perDay))
  })

  it('a measure moves the line: 13 mm after 20 days reaches 20 mm on the 44th', () => {
    // from 7 mm, 0.3 mm a day: 13 more millimetres take 43.3 days
    const { mm, together } = tadpoleGrowth(frog, today - 20, [{ day: today, mm: 13 }], today, common)
    expect(mm).toBe(13)
    expect(together).toBe(today - 20 + 44)
  })

  it('longer ones are together no later, and days that pass unwritten do not move the day (any measure)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 7.5, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 8, noNaN: true }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 0, max: 40 }),
        (mm, more, age, later) => {
          const at = (length: number, on = today) =>
            tadpoleGrowth(frog, today - age, [{ day: today, mm: length }], on, common).together
          expect(at(mm + more)).toBeLessThanOrEqual(at(mm))
          expect(at(mm, today + later)).toBe(at(mm))
        },
      ),
    )
  })

  it('crowded, 15 fall to three or four in a week (common practice, no source)', () => {
    const left = leftCrowded(15, 7, common)
    expect(left).toBeGreaterThanOrEqual(3)
    expect(left).toBeLessThanOrEqual(4)
    expect(leftCrowded(15, 0, common)).toBe(15)
  })
})

describe('what tadpoles want', () => {
  function spawn(...written: [kind: string, days: number, data: Record<string, unknown>][]) {
    const b = new HouseBuilder(today).animal('F', 'dyeing-dart-frog', { sex: 'female' })
    const pair = { type: 'pairing' as const, id: b.pair('F', null, -90) }
    const clutch = {
      type: 'clutch' as const,
      id: b.write('laid', pair, -40, { tag: 'S-1', eggs: 40, slugs: 0, placeId: null, tempC: null }, 'S-1'),
    }
    b.write('hatched', clutch, -25, { count: 34 })
    for (const [kind, days, data] of written) b.write(kind, clutch, days, data)
    return (on = today, schools = {}) =>
      seasonOfHouse(houseOf(b.records()), shippedAlmanac, { ...defaultSettings, schools }, on)
        .season.tasks.filter(t => /^(house|measure|water):/.test(t.id))
        .map(t => t.what)
  }
  const fresh: [string, number, Record<string, unknown>] = ['waterChanged', -1, {}]

  it('is a cup each while they are small and nobody said how they are kept; with the other school plants', () => {
    expect(spawn(fresh)()).toEqual(['One tadpole a cup: 34 cups'])
    expect(spawn(fresh)(today, { tadpoleHousing: 'together' })).toEqual(['2 boxes with plants to hide in'])
  })

  it('is measuring while they live singly, and one box for 20 to 30 from the day on which they are long enough', () => {
    const tasks = spawn(fresh, ['tadpolesHoused', -24, { how: 'cups', boxes: 34 }], ['tadpoleMeasured', -2, { mm: 14 }])
    expect(tasks()).toEqual([])
    // 7 mm in 23 days from the hatch: 6 more millimetres take 19.7 days from the measure
    const day = today - 2 + 20
    expect(tasks(day - 1).filter(t => !/water/.test(t))).toEqual(['Measure a tadpole'])
    expect(tasks(day)).toContain('Put them together: 2 boxes with plants')
  })

  it('is fresh water by its rhythm, and nothing once they are gone', () => {
    const every = common.tadpoleWater!.value
    const housed: [string, number, Record<string, unknown>] = ['tadpolesHoused', -1, { how: 'together', boxes: 2 }]
    expect(spawn(housed, ['waterChanged', -every, {}])()).toEqual(['Change their water'])
    expect(spawn(housed, ['waterChanged', 1 - every, {}])()).toEqual([])
    expect(spawn(housed, ['youngLost', -1, { count: 34 }])()).toEqual([])
  })
})
