import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shipped, shippedAlmanac, withOwn, type Feeder } from '../almanac'
import { certain } from '../chance'
import { defaultSettings, season } from '../season'
import { foldHouse } from '../subjects'
import { Fates, chainOf, cultureStage, flushesOf, withWay, yieldCurve } from '.'

const today = 20_000
const once = feederOf(shippedAlmanac, 'fly.large')
const index = once.otherWays!.findIndex(way => way.kind === 'batch' && way.secondFlush)
/** The same flies, their cups kept for a second flush. */
const twice: Feeder = { ...once, ...withWay(once, index) }
type Batch = Extract<Feeder['supply'], { kind: 'batch' }>
const [first, both] = [once.supply as Batch, twice.supply as Batch]
const names = { name: null, one: null, many: null, from: null }
const own = { id: once.id, added: false, ...names, parts: withWay(once, index), retired: false }
const almanac = withOwn(shipped, { species: [], feeders: [own], numbers: [] }).almanac
const sum = (row: ArrayLike<number>) => Array.from(row).reduce((a, b) => a + b, 0)
const [gapFrom, gapTo] = [both.secondFlush!.firstDays.value, both.secondFlush!.afterDays.value]

describe('a cup that is kept for a second flush', () => {
  it('gives its first flush as any cup does, nothing for a while, then what the first ones laid', () => {
    const curve = yieldCurve(both, 80)
    expect(sum(curve)).toBeCloseTo(both.yieldTotal.value, 6)
    expect(Array.from(curve.slice(0, gapFrom))).toEqual(
      Array.from(yieldCurve(first, gapFrom)).map(y => expect.closeTo(y, 0) as number),
    )
    expect(sum(curve.slice(gapFrom, gapTo))).toBe(0)
    expect(sum(curve.slice(gapTo, both.producingDays.value))).toBeCloseTo(
      both.secondFlush!.share.value * both.yieldTotal.value,
      6,
    )
    expect(sum(curve.slice(both.producingDays.value))).toBe(0)
    // one after the other, without overlap
    const [a, b] = flushesOf(both)
    expect(a!.from + a!.span).toBeLessThanOrEqual(b!.from)
    // one that would begin when all is over is none
    const { secondFlush, ...rest } = both
    const late = { ...secondFlush!, afterDays: { ...secondFlush!.afterDays, value: 400 } }
    expect(flushesOf({ ...rest, secondFlush: late })).toHaveLength(1)
  })

  it('the fates drawn for it go over the days between, and come to its yield', () => {
    const running = [{ producing: certain(today - 2), alive: 1, supply: both }]
    const coming = { supply: both, running, starts: [], tempC: 24, factor: 1, luck: 0.2 }
    const fates = new Fates(today, 60, coming, 3)
    const rows = Array.from({ length: 400 }, (_, s) => fates.draw(s))
    const on = (day: number) => rows.reduce((n, row) => n + row[day]!, 0) / rows.length
    const curve = yieldCurve(both, 80)
    for (const day of [0, 5, gapFrom - 2, gapTo, gapTo + 3])
      expect(Math.abs(on(day) / (curve[day + 2]! || 1) - (curve[day + 2] ? 1 : 0))).toBeLessThan(0.1)
  })

  const house = (producing: number) => {
    const b = new HouseBuilder(today)
    b.culture('F-1', 'fly.large', producing - 20)
    b.write('producing', { type: 'culture', id: 'F-1' }, producing)
    b.write('harvested', { type: 'culture', id: 'F-1' }, producing + 1, { count: 0 })
    return b
  }

  it('founds no others between its flushes, and is neither harvested nor taken out then', () => {
    const between = -Math.round((gapFrom + gapTo) / 2)
    const tasks = (b: HouseBuilder, of: typeof almanac) =>
      season(b.records(), of, defaultSettings, today)
        .season.tasks.filter(t => t.subject.id === 'F-1')
        .map(t => t.kind)
    const kept = house(between)
    const folded = foldHouse(kept.records())
    expect(chainOf(twice, folded, () => 24, shippedAlmanac, today).chance[0]).toBe(0)
    expect(chainOf(twice, folded, () => 24, shippedAlmanac, today).chance[gapTo + between + 2]).toBe(1)
    expect(cultureStage(folded.cultures['F-1']!, both, today)).toBe('producing')
    expect(tasks(kept, almanac)).toEqual([])
    // the cup that runs once is over by then; in its second flush this one is harvested
    expect(tasks(kept, shippedAlmanac)).toEqual(['retire'])
    expect(tasks(house(-gapTo - 3), almanac)).toEqual(['harvest'])
  })

  it('comes as a way beside the usual one, of flies and of beetles, and gives more in all', () => {
    for (const id of ['fly.small', 'fly.large', 'beanBeetle']) {
      const { supply, otherWays = [] } = feederOf(shippedAlmanac, id)
      const way = otherWays.find((w): w is Batch => w.kind === 'batch' && w.secondFlush !== undefined)!
      expect(way.yieldTotal.value).toBeGreaterThan((supply as Batch).yieldTotal.value)
      // it is out when its second flush is, at the latest
      const { value: out } = way.outAfterDays!
      expect(out).toBeGreaterThan(way.toProducing.likely + way.secondFlush!.afterDays.value)
    }
  })
})
