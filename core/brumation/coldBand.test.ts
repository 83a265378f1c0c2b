import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import type { HourlyLog } from '../channels'
import { bandOfCold, sharedBand, troubleOf } from '.'

const { common } = shippedAlmanac

const cold = (id: string) => bandOfCold(speciesOf(shippedAlmanac, id).cold!)
const kings = cold('california-kingsnake')
const tortoises = cold('hermanns-tortoise')
const log = (temps: (number | null)[], from = 0): HourlyLog => {
  const mean = temps.map(t => t ?? Number.NaN)
  return { from, mean, min: mean.map(t => t - 0.2), max: mean.map(t => t + 0.2) }
}
const hours = (n: number, t: number | null) => new Array<number | null>(n).fill(t)

it('several species share the tightest band', () => {
  expect(sharedBand([kings, { ...kings, lowC: 11, highC: 14 }])).toMatchObject({ lowC: 11, highC: 14 })
  expect(sharedBand([])).toBeNull()
})

describe('what is wrong now', () => {
  it('tortoises never under 2 °C, never long over 9 °C (common practice)', () => {
    expect(troubleOf(log([...hours(60, 5), 1.4, 3]), tortoises, common)[0]).toMatchObject({
      kind: 'tooCold',
      level: 'harm',
    })
    expect(troubleOf(log([...hours(60, 5), ...hours(4, 10)]), tortoises, common)[0]).toMatchObject({
      kind: 'tooWarm',
      hours: 4,
    })
    expect(troubleOf(log([...hours(60, 5), 10, 10]), tortoises, common)).toEqual([])
    expect(troubleOf(log([...hours(60, 5), ...hours(4, 10), ...hours(10, 5)]), tortoises, common)).toEqual([])
  })

  it('silence is told after hours, and is grave after a day', () => {
    expect(troubleOf(log([...hours(60, 5), ...hours(3, null)]), tortoises, common)).toEqual([])
    expect(troubleOf(log([...hours(60, 5), ...hours(5, null)]), tortoises, common)[0]).toMatchObject({
      kind: 'silent',
      level: 'watch',
      hours: 5,
      tempC: 5,
    })
    expect(troubleOf(log([...hours(60, 5), ...hours(30, null)]), tortoises, common)[0]).toMatchObject({
      kind: 'silent',
      level: 'harm',
      hours: 30,
    })
  })

  it('is told however long the house lets it last: a limit over a day was never met', () => {
    const house = {
      ...common,
      coldSilent: { ...common.coldSilent!, value: 30 },
      coldTooWarm: { ...common.coldTooWarm!, value: 60 },
    }
    const found = (...temps: (number | null)[]) => troubleOf(log(temps), tortoises, house).map(t => t.kind)
    expect(found(...hours(60, 5), ...hours(29, null))).toEqual([])
    expect(found(...hours(60, 5), ...hours(30, null))).toEqual(['silent'])
    expect(found(...hours(60, 5), ...hours(59, 10))).toEqual([])
    expect(found(...hours(60, 5), ...hours(60, 10))).toEqual(['tooWarm'])
  })
})
