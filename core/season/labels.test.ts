import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { formatDay } from '../units'
import { clutchLabels, cultureLabels, defaultSettings, houseOf, seasonOfHouse } from '.'

const today = 20_000
const contextOf = (b: HouseBuilder) => ({
  house: houseOf(b.records()),
  almanac: shippedAlmanac,
  settings: defaultSettings,
  today,
})

describe('labels', () => {
  it('of cultures that run say what is in them, since when, and when they yield; the newest first', () => {
    const b = new HouseBuilder(today)
    b.culture('F-1', 'fly.small', -20)
    b.write('producing', { type: 'culture', id: 'F-1' }, -5)
    b.culture('F-2', 'fly.small', -3)
    b.culture('F-3', 'fly.small', -30)
    b.write('cultureFailed', { type: 'culture', id: 'F-3' }, -2)
    const labels = cultureLabels(contextOf(b))
    expect(labels.map(l => l.tag)).toEqual(['F-2', 'F-1'])
    expect(labels[0]).toMatchObject({ what: 'Small fruit fly', subject: { type: 'culture', id: 'F-2' } })
    expect(labels[0]!.lines).toEqual([
      `started ${formatDay(today - 3, today)}`,
      expect.stringMatching(/^yields /),
      // 35 days (common practice, no source)
      `out by ${formatDay(today - 3 + 35, today)}`,
    ])
    expect(labels[1]!.lines).toHaveLength(2)
  })

  it('of eggs say how many, and when they hatch; none of what is over', () => {
    const b = new HouseBuilder(today)
      .place('inc', { kind: 'incubator', tempC: 28 })
      .animal('G-1', 'fat-tailed-gecko', { sex: 'female' })
    const pair = { type: 'pairing' as const, id: b.pair('G-1', null, -100) }
    for (const [tag, days] of [['C-1', -60] as const, ['C-2', -10] as const])
      b.write('laid', pair, days, { tag, eggs: 2, slugs: 1, placeId: 'inc', tempC: null }, tag)
    b.write('hatched', { type: 'clutch', id: 'C-1' }, -2, { count: 1 })
    const context = contextOf(b)
    const { lanes } = seasonOfHouse(context.house, shippedAlmanac, defaultSettings, today).season
    expect(clutchLabels(lanes, context)).toEqual([
      {
        subject: { type: 'clutch', id: 'C-2' },
        tag: 'C-2',
        what: 'African fat-tailed gecko',
        day: today - 10,
        lines: [`laid ${formatDay(today - 10, today)}, 1 egg`, expect.stringMatching(/^hatch /)],
      },
    ])
  })
})
