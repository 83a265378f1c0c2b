import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shippedAlmanac } from '../almanac'
import { sample, seededRandom } from '../chance'
import { defaultSettings, season } from '../season'
import { foldHouse } from '../subjects'
import { chainOf, foundersFrom, timeToProducing } from '.'

const today = 20_000
const feeder = feederOf(shippedAlmanac, 'fly.small')
const supply = feeder.supply as Extract<typeof feeder.supply, { kind: 'batch' }>
const cups = (...started: { tag: string; day: number; producing?: number }[]) => {
  const b = new HouseBuilder(today)
  for (const { tag, day, producing } of started) {
    b.culture(tag, 'fly.small', day)
    if (producing !== undefined) b.write('producing', { type: 'culture', id: tag }, producing)
  }
  return foldHouse(b.records())
}
const alarmsIn = (b: HouseBuilder) => season(b.records(), shippedAlmanac, defaultSettings, today).season.alarms
const chain = (list: ReturnType<typeof cups>) => chainOf(feeder, list, () => 24, shippedAlmanac, today)

describe('the chain of a feeder that is started from its own cultures', () => {
  it('a cup that produces holds it for the days of its yield, and no longer', () => {
    const span = supply.producingDays.value
    const one = chain(cups({ tag: 'F-1', day: -20, producing: -4 }))
    expect(one.from).toBe(today)
    expect(one.holdsUntil).toBe(today - 4 + span - 1)
    expect(one.chance[0]).toBe(1)
    expect(one.chance[span]).toBe(0)
  })

  it('of growing cups that may fail it takes several to be sure: one minus the chance that none yields', () => {
    const growing = (n: number) => cups(...Array.from({ length: n }, (_, i) => ({ tag: `F-${i}`, day: 0 })))
    const at = 19
    const single = chain(growing(1)).chance[at]!
    expect(single).toBeGreaterThan(0.5)
    expect(chain(growing(3)).chance[at]).toBeCloseTo(1 - (1 - single) ** 3, 9)
    // by trying it out: each fails, or begins on a day drawn from its wait, and yields for its span
    const random = seededRandom(2)
    const wait = timeToProducing(supply, 24)
    let hits = 0
    for (let i = 0; i < 20_000; i++) {
      const fails = random() < supply.failure.value
      const begins = sample(wait, random())!
      if (!fails && begins <= at && at < begins + supply.producingDays.value) hits++
    }
    expect(hits / 20_000).toBeCloseTo(single, 1)
  })

  it("nothing of one's own is no chain; a failed or retired cup is none either", () => {
    expect(chain(cups())).toMatchObject({ holdsUntil: null, from: null })
    expect(chain(cups({ tag: 'F-1', day: -60, producing: -40 })).holdsUntil).toBeNull()
  })

  it('founders come from the cup at its best, from a second one where that is not enough', () => {
    const list = cups({ tag: 'OLD', day: -28, producing: -12 }, { tag: 'BEST', day: -18, producing: -4 })
    const from = (wanted: number) =>
      foundersFrom(feeder, list, () => 24, shippedAlmanac, today, today + 1, wanted).map(f => f.culture.tag)
    expect(from(75)).toEqual(['BEST'])
    expect(from(400)).toEqual(['BEST', 'OLD'])
    expect(
      foundersFrom(feeder, foldHouse(new HouseBuilder(today).records()), () => 24, shippedAlmanac, today, today, 75),
    ).toEqual([])
  })
})

describe('the alarm of a chain', () => {
  const frogs = (...list: Parameters<typeof cups>) => {
    const b = new HouseBuilder(today)
    for (let i = 0; i < 6; i++) b.animal(`N-${i}`, 'golden-mantella', { bornDay: today - 150 })
    for (const { tag, day, producing } of list) {
      b.culture(tag, 'fly.small', day)
      if (producing !== undefined) b.write('producing', { type: 'culture', id: tag }, producing)
    }
    return alarmsIn(b).find(a => a.id === 'chain:fly.small')
  }

  it('warns while one can still start, and says from which cup', () => {
    // its yield ends in eight days, and nothing grows
    expect(frogs({ tag: 'F-1', day: -22, producing: -5 })).toMatchObject({
      text: expect.stringMatching(/chain breaks about/) as string,
      todo: expect.stringMatching(/from F-1/) as string,
    })
    expect(frogs({ tag: 'F-1', day: -60, producing: -40 })!.text).toMatch(/none can be started/)
  })

  it('is silent while cups follow one another, where nobody eats them, and where none were ever grown', () => {
    expect(frogs()).toBeUndefined()
    expect(
      frogs({ tag: 'F-1', day: -18, producing: -2 }, { tag: 'F-2', day: -4 }, { tag: 'F-3', day: -4 }),
    ).toBeUndefined()
    const nobody = new HouseBuilder(today)
    nobody.culture('F-1', 'fly.small', -30)
    nobody.write('producing', { type: 'culture', id: 'F-1' }, -12)
    expect(alarmsIn(nobody).some(a => a.id.startsWith('chain:'))).toBe(false)
  })
})
