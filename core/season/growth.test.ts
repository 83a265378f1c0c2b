import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac } from '../almanac'
import { growthOf, houseOf, littersOf, paceOf, defaultSettings } from '.'

const today = 20_000
const { common } = shippedAlmanac

/** Mates that gain so much a week each, weighed weekly for six weeks; a slip of the pen for one of them. */
function litter(paces: readonly number[], slip: { of: number; week: number; massG: number } | null = null) {
  const b = new HouseBuilder(today).animal('DAM', 'milk-snake', { sex: 'female' })
  paces.forEach((pace, i) => {
    b.animal(`Y-${i}`, 'milk-snake', { bornDay: today - 90, damId: 'DAM' })
    for (let week = 0; week < 6; week++) {
      const slips = slip?.of === i && slip.week === week
      const massG = slips ? slip.massG : 10 * (1 + pace) ** week
      b.write('weighed', { type: 'animal', id: `Y-${i}` }, -36 + 7 * week, { massG, sure: true })
    }
  })
  return houseOf(b.records())
}
const young = (house: ReturnType<typeof litter>) => Object.values(house.animals).filter(a => a.tag !== 'DAM')
const states = (house: ReturnType<typeof litter>, on = today) =>
  Object.fromEntries([...growthOf(young(house), shippedAlmanac, on)].map(([id, g]) => [id, g.value.state]))

describe('how one of a litter grows', () => {
  it('its pace is that at which it was made to grow, and one weight that is off does not move it', () => {
    const pace = (house: ReturnType<typeof litter>) => paceOf(house.animals['Y-0']!, common, today)!
    expect(pace(litter([0.03]))).toBeCloseTo(0.03, 10)
    expect(pace(litter([-0.02]))).toBeCloseTo(-0.02, 10)
    expect(pace(litter([0.03], { of: 0, week: 3, massG: 30 }))).toBeCloseTo(0.03, 1)
  })

  it('one that stalls while its mates grow is told, slow but steady is fine', () => {
    expect(states(litter([0.03, 0.035, 0.028, 0.03, 0.002, 0.012, -0.01]))).toEqual({
      'Y-0': 'steady',
      'Y-1': 'steady',
      'Y-2': 'steady',
      'Y-3': 'steady',
      'Y-4': 'stalls',
      'Y-5': 'slow',
      'Y-6': 'loses',
    })
  })

  it('says nothing where the whole litter rests, where mates are few, or where nobody weighed them lately', () => {
    expect(states(litter([0.001, 0.002, 0, 0.001, 0.002]))).toEqual({})
    expect(states(litter([0.03, 0.03, 0]))).toEqual({})
    const house = litter([0.03, 0.03, 0.03, 0.03, 0])
    expect(states(house)['Y-4']).toBe('stalls')
    // days pass and nothing is written: silence, and no other verdict
    for (let later = 1; later < 60; later++)
      expect([undefined, 'stalls']).toContain(states(house, today + later)['Y-4'])
    expect(states(house, today + 60)).toEqual({})
  })

  it('a faster one is never judged worse (any litter)', () => {
    const rank = { loses: 0, stalls: 1, slow: 2, steady: 3 }
    const pace = fc.double({ min: -0.03, max: 0.06, noNaN: true })
    fc.assert(
      fc.property(
        fc.array(pace, { minLength: 5, maxLength: 8 }),
        fc.double({ min: 0, max: 0.03, noNaN: true }),
        (paces, more) => {
          const before = states(litter(paces))['Y-0']
          const after = states(litter(paces.map((p, i) => (i ? p : p + more))))['Y-0']
          if (before === undefined || after === undefined) expect(after).toBe(before)
          else expect(rank[after]).toBeGreaterThanOrEqual(rank[before])
        },
      ),
      { numRuns: 40 },
    )
  })

  it('puts it first on its board, with what it ate and refused beside its mates', () => {
    const house = litter([0.03, 0.03, 0.03, 0.03, 0.001])
    const [board] = littersOf({ house, almanac: shippedAlmanac, settings: defaultSettings, today })
    const told = board!.young.find(y => y.animal.tag === 'Y-4')!
    expect(told.growth!.reasons.flatMap(r => r.inputs.map(i => i.label))).toEqual(
      expect.arrayContaining(['Refused', 'Mates refused, the middle one', 'Signs']),
    )
    expect(board!.young[0]!.animal.tag).toBe('Y-4')
  })
})
