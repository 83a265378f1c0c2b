import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac, speciesOf } from '../../almanac'
import { mean } from '../../chance'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { defaultSettings, houseOf, season } from '..'
import { intervalsOf, ownInterval } from '.'

const today = 20_560
const gecko = speciesOf(almanac, 'leopard-gecko')
const { earliest, likely, latest } = gecko.nextClutch!.days

/** A female that laid on these days before today, in one pair each of a year. */
function laid(...seasons: number[][]): HouseBuilder {
  const b = new HouseBuilder(today).animal('F', gecko.id, { sex: 'female' }).animal('M', gecko.id, { sex: 'male' })
  seasons.forEach((days, i) => {
    const pair = b.pair('F', 'M', -Math.max(...days) - 40, `P${i}`)
    days.forEach(ago => {
      const data = { tag: `C${ago}`, eggs: 2, slugs: 0, tempC: 28, placeId: null }
      b.write('laid', { type: 'pairing', id: pair }, -ago, data, `C${ago}`)
    })
    if (i < seasons.length - 1) b.write('pairingEnded', { type: 'pairing', id: pair }, -Math.min(...days) + 20)
  })
  return b
}
const context = (b: HouseBuilder) => ({ house: houseOf(b.records()), almanac, settings: defaultSettings, today })
const gaps = (b: HouseBuilder) => intervalsOf('F', gecko, context(b))

describe('days from one laying of a female to the next', () => {
  it('are those within a season; a clutch in two parts, and one that went unwritten, are none', () => {
    expect(gaps(laid([60, 30, 10]))).toEqual([30, 20])
    const [half, double] = [
      Math.floor(almanac.common.intervalFrom!.value * earliest) - 1,
      Math.ceil(almanac.common.intervalTo!.value * latest) + 1,
    ]
    expect(gaps(laid([10 + half, 10]))).toEqual([])
    expect(gaps(laid([10 + double, 10]))).toEqual([])
    expect(gaps(laid([400, 375], [35, 10]))).toEqual([25, 25])
    expect(gaps(new HouseBuilder(today).animal('F', gecko.id))).toEqual([])
  })

  it('by hand: the usual weighs as three of her own, and the spread stays as it is', () => {
    expect(ownInterval([], gecko, { almanac })).toBeNull()
    const weight = almanac.common.intervalShrink!.value
    const own = ownInterval([30, 32, 34], gecko, { almanac })!.days
    expect(own.likely).toBeCloseTo((likely * weight + 96) / (weight + 3), 12)
    expect(own.latest - own.earliest).toBeCloseTo(latest - earliest, 12)
  })

  it('move the day of her next laying, and say by what', () => {
    const next = (...seasons: number[][]) => {
      const s = season(laid(...seasons).records(), almanac, defaultSettings, today).season
      const lane = s.lanes.find(l => l.kind === 'pair')!
      return [...lane.events.filter(e => e.event === 'laid' && !e.observed), ...lane.later][0]!
    }
    const slow = next([10 + 3 * latest, 10 + 2 * latest, 10 + latest, 10])
    const quick = next([10 + 3 * earliest, 10 + 2 * earliest, 10 + earliest, 10])
    expect(mean(slow.dist)! - mean(quick.dist)!).toBeCloseTo((latest - earliest) / 2, 0)
    expect(slow.reasons.flatMap(r => r.inputs.map(i => i.label))).toContain('Her own')
  })
})
