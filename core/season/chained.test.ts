import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac, speciesOf } from '../almanac'
import { pert, quantile, sample, seededRandom } from '../chance'
import { drawSource, type MouthSource } from '../nursery'
import { HouseBuilder } from '../../tests/fixtures/records'
import { defaultSettings, houseOf } from '.'
import { lanesOf } from './lanes'

const today = 20_580

/** The clutches that one gecko still brings, as sources of mouths. */
function geckoMouths(): MouthSource[] {
  const b = new HouseBuilder(today)
    .animal('F', 'leopard-gecko', { sex: 'female' })
    .animal('M', 'leopard-gecko', { sex: 'male' })
  b.pair('F', 'M', -20, 'P')
  b.write('copulation', { type: 'pairing', id: 'P' }, -3, { confirmed: true })
  return lanesOf({ house: houseOf(b.records()), almanac, settings: defaultSettings, today }).mouths
}

const quantiles = (values: number[]) => {
  const sorted = [...values].sort((x, y) => x - y)
  return [0.1, 0.5, 0.9].map(q => sorted[Math.floor(q * (sorted.length - 1))]!)
}

describe('the clutches of one female hang together', () => {
  const mouths = geckoMouths()
  const SCENARIOS = 4000
  // copies, so that nothing is kept from the season's own draws
  const drawn = (list: MouthSource[]) => {
    const copies = new Map(list.map(m => [m.id, { ...m }]))
    return list.map(m => drawSource(copies.get(m.id)!, SCENARIOS, copies).opens)
  }

  it('each follows on the one before, and none comes without it', () => {
    expect(mouths.length).toBeGreaterThan(3)
    mouths.slice(1).forEach((m, i) => expect(m.after?.id).toBe(mouths[i]!.id))
    const opens = drawn(mouths)
    for (let k = 1; k < opens.length; k++)
      for (let s = 0; s < SCENARIOS; s++) if (opens[k]![s] !== null) expect(opens[k - 1]![s]).not.toBeNull()
  })

  it('each keeps its own distribution', () => {
    drawn(mouths).forEach((opens, k) => {
      const { opens: dist } = mouths[k]!
      const came = opens.filter(d => d !== null)
      expect(came.length / SCENARIOS).toBeCloseTo(1 - dist.never, 1)
      for (const q of [0.1, 0.5, 0.9])
        expect(Math.abs(quantiles(came)[[0.1, 0.5, 0.9].indexOf(q)]! - quantile(dist, q)!)).toBeLessThanOrEqual(1)
    })
  })

  it('the number open by a day spreads as in a chain walked clutch by clutch (independent simulation)', () => {
    const species = speciesOf(almanac, 'leopard-gecko')
    const next = species.nextClutch!
    const random = seededRandom(42)
    const byDay = mouths[0]!.opens.start + 150
    // first mouths from their own distribution, each further one a clock later, as long as another comes
    const clock = pert(next.days)
    const walked = Array.from({ length: SCENARIOS }, () => {
      let day = sample(mouths[0]!.opens, random())
      let n = 0
      for (let k = 1; day !== null && k <= mouths.length; k++) {
        if (day <= byDay) n++
        const comes = k + 1 <= next.perSeason.likely ? next.comes.value : next.comes.value / 2
        day = random() < comes ? day + sample(clock, random())! : null
      }
      return n
    })
    const opens = drawn(mouths)
    const count = (list: (number | null)[][]) =>
      Array.from({ length: SCENARIOS }, (_, s) => list.filter(o => o[s] !== null && o[s]! <= byDay).length)
    const sd = (values: number[]) => {
      const m = values.reduce((x, y) => x + y, 0) / values.length
      return Math.sqrt(values.reduce((x, y) => x + (y - m) ** 2, 0) / values.length)
    }
    const chained = sd(count(opens))
    const alone = sd(count(drawn(mouths.map(({ after: _, ...m }) => m))))
    expect(Math.abs(chained / sd(walked) - 1)).toBeLessThan(0.12)
    expect(alone / sd(walked)).toBeLessThan(0.88)
  })
})
