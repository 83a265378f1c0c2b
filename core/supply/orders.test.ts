import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac, withOverrides } from '../almanac'
import { massOn, seededRandom } from '../chance'
import { defaultSettings, houseOf, seasonOfHouse } from '../season'
import { arrival } from '.'

const due = 20_000
const almanac = withOverrides(shippedAlmanac, [
  { path: 'common.deliveryLate.value', value: 0.2 },
  { path: 'common.deliveryHalf.value', value: 1 },
  { path: 'common.deliveryLost.value', value: 0.05 },
])

describe('when an order comes', () => {
  it('by hand: three in four on the day, late ones half as many each day, one in twenty never', () => {
    const before = arrival(due, almanac, due - 2)
    expect(massOn(before, due)).toBeCloseTo(0.75, 5)
    expect(massOn(before, due + 1)).toBeCloseTo(0.1, 5)
    expect(massOn(before, due + 2)).toBeCloseTo(0.05, 5)
    expect(before.never).toBeCloseTo(0.05, 5)
    // two days late: a tenth by two halves is left of the late ones, against the lost ones
    const late = arrival(due, almanac, due + 2)
    expect(late.start).toBe(due + 2)
    expect(1 - late.never).toBeCloseTo(0.1 / (0.1 + 0.05), 4)
    expect(arrival(due, almanac, due + 60)).toMatchObject({ p: [], never: 1 })
  })

  it('stays calibrated while days pass and nothing is written: of those still open so many come', () => {
    const random = seededRandom(4)
    // drawn by the same story, day by day, and looked at three days after it was due
    let [open, came] = [0, 0]
    for (let i = 0; i < 200_000; i++) {
      const u = random()
      let on: number | null = u < 0.75 ? 0 : u < 0.95 ? 1 : null
      if (on === 1) while (random() < 0.5) on++
      if (on !== null && on < 3) continue
      open++
      if (on !== null) came++
    }
    expect(1 - arrival(due, almanac, due + 3).never).toBeCloseTo(came / open, 1)
  })
})

describe('deliveries', () => {
  const today = 20_000
  const prey = { type: 'prey' as const, id: 'cricket.half' }
  const lizards = () => {
    const b = new HouseBuilder(today)
    for (let i = 0; i < 10; i++) b.animal(`G-${i}`, 'fat-tailed-gecko', { bornDay: today - 120 })
    return b
  }
  const look = (b: HouseBuilder) =>
    seasonOfHouse(houseOf(b.records()), shippedAlmanac, defaultSettings, today).season.prey.find(
      p => p.prey === prey.id,
    )!
  const comes = (b: HouseBuilder) => look(b).running.reduce((a, n) => a + n, 0)

  it('an order that never comes is counted on less and less, and in the end not at all', () => {
    const ordered = (ago: number) => {
      const b = lizards()
      b.write('preyOrdered', prey, -ago, { count: 500 })
      return comes(b)
    }
    const counted = [0, 2, 3, 5, 9, 40].map(ordered)
    counted.slice(1).forEach((n, i) => expect(n).toBeLessThanOrEqual(counted[i]! + 1e-9))
    expect(counted[0]).toBeGreaterThan(480)
    expect(counted.at(-1)).toBe(0)
  })

  it('a short one with dead: what is alive is stock, the rest is still to come or given up', () => {
    const b = lizards()
    b.write('preyCounted', prey, -9, { count: 0 })
    b.write('preyOrdered', prey, -3, { count: 500 })
    b.write('preyReceived', prey, 0, { count: 260, dead: 90, open: 150 })
    expect(look(b).stock).toBe(260)
    expect(comes(b)).toBeGreaterThan(140)
    const given = lizards()
    given.write('preyOrdered', prey, -3, { count: 500 })
    given.write('preyReceived', prey, -1, { count: 260, open: 150 })
    given.write('orderDropped', prey, 0, { why: 'sold out' })
    expect(comes(given)).toBe(0)
  })
})
