import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { mean, summarise } from '../chance'
import { dayFromIso, formatDay } from '../units'
import { defaultSettings, season, type HouseSettings } from '.'

const november = dayFromIso('2026-11-25')
const of = (b: HouseBuilder, today: number, settings: HouseSettings = defaultSettings) =>
  season(b.records(), shippedAlmanac, settings, today).season

describe('a house on its first day', () => {
  it('what its animals ate before is not known: nobody is overdue by years', () => {
    const b = new HouseBuilder(november)
    for (let i = 0; i < 200; i++)
      b.animal(`A-${i}`, i % 2 ? 'corn-snake' : 'leopard-gecko', { bornDay: november - 300 - i * 10 })
    const feeds = of(b, november).tasks.filter(t => t.kind === 'feed')
    expect(feeds).toHaveLength(200)
    expect(new Set(feeds.map(t => t.due))).toEqual(new Set([november]))
    expect(feeds[0]!.detail).toMatch(/^no meal written yet/)
  })

  it('young that were born here and have not eaten are overdue by their first meal', () => {
    const b = new HouseBuilder(november).animal('Y-1', 'corn-snake', { bornDay: november - 40, clutchId: 'C-1' })
    expect(of(b, november).tasks.find(t => t.id === 'feed:Y-1')!.due).toBeLessThan(november - 20)
  })

  it('its need of food begins today, not years ago', () => {
    const b = new HouseBuilder(november).animal('A', 'corn-snake', { bornDay: november - 2000 })
    const [row] = of(b, november).prey
    expect(row!.mean[0]).toBeGreaterThan(0)
    expect(row!.mean.slice(0, 30).reduce((a, x) => a + x, 0)).toBeLessThan(6)
  })
})

describe('a pair of a species that is cooled, with no winter written', () => {
  const pairSet = (
    day: number,
    today: number,
    latitude: number | null = null,
    more: (b: HouseBuilder) => void = () => undefined,
  ) => {
    const b = new HouseBuilder(today)
      .animal('K-1', 'california-kingsnake', { sex: 'female' })
      .animal('K-2', 'california-kingsnake', { sex: 'male' })
    b.pair('K-1', 'K-2', day - today)
    more(b)
    return of(b, today, { ...defaultSettings, latitude }).lanes[0]!
  }
  const laid = (lane: ReturnType<typeof pairSet>) => mean(lane.events.find(e => e.event === 'laid')!.dist)!
  const month = (day: number) => formatDay(Math.round(day)).split(' ')[1]

  it('set in November it wakes in March and lays in early summer, in the north', () => {
    const lane = pairSet(november, november)
    expect(summarise(lane.events.find(e => e.event === 'warmUp')!.dist)!.median).toBeCloseTo(
      dayFromIso('2027-03-05'),
      -1,
    )
    expect(['May', 'Jun']).toContain(month(laid(lane)))
  })

  it('south of the equator half a year earlier or later', () => {
    const may = dayFromIso('2026-05-20')
    expect(['Nov', 'Dec']).toContain(month(laid(pairSet(may, may, -35))))
  })

  it('set in spring it is awake and breeds now', () => {
    const april = dayFromIso('2026-04-20')
    expect(laid(pairSet(april, april)) - april).toBeLessThan(110)
  })

  it('a start that cannot come any more takes no lane away', () => {
    const king = shippedAlmanac.species['california-kingsnake']!
    const b = new HouseBuilder(november)
      .animal('K-1', 'california-kingsnake', { sex: 'female' })
      .animal('K-2', 'california-kingsnake', { sex: 'male' })
    b.pair('K-1', 'K-2', -5)
    b.write('folliclesSeen', { type: 'pairing', id: 'pair-K-1' }, -4, { mm: 90 })
    expect(king.mating?.follicles).toBeDefined()
    // grown past any ovulation long ago: the forecast of it is outrun
    const later = season(b.records(), shippedAlmanac, defaultSettings, november + 60).season
    expect(later.alarms.filter(a => a.broken)).toEqual([])
    expect(later.lanes.map(l => l.title)).toEqual(['K-1 × K-2'])
  })

  it('a winter that is planned stands over the time of year', () => {
    const lane = pairSet(november, november, null, b => {
      b.winter('W-1', 'california-kingsnake', 5, ['K-1', 'K-2'])
    })
    const planned = of(
      new HouseBuilder(november).animal('K-1', 'california-kingsnake').animal('K-2', 'california-kingsnake'),
      november,
    )
    expect(planned.lanes).toEqual([])
    expect(summarise(lane.events.find(e => e.event === 'warmUp')!.dist)).toMatchObject({
      low: expect.any(Number) as number,
    })
    const wake = lane.events.find(e => e.event === 'warmUp')!.dist
    expect(wake.p).toEqual([1])
    expect(wake.start).toBeLessThan(dayFromIso('2027-02-28'))
  })
})
