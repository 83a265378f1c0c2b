import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { kaplanMeier } from '.'

describe('time to an event with some of it unseen', () => {
  it('agrees with the published example: remission under 6-mercaptopurine (Freireich et al. 1963, Blood 21; values from memory)', () => {
    const seen = [6, 6, 6, 7, 10, 13, 16, 22, 23]
    const watched = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35]
    const { steps, median } = kaplanMeier([
      ...seen.map(time => ({ time, event: true, count: 1 })),
      ...watched.map(time => ({ time, event: false, count: 1 })),
    ])
    const rounded = steps.map(s => [s.time, s.atRisk, Number(s.share.toFixed(3)), Number(s.error.toFixed(4))])
    expect(rounded).toEqual([
      [6, 21, 0.857, 0.0764],
      [7, 17, 0.807, 0.0869],
      [10, 15, 0.753, 0.0963],
      [13, 12, 0.69, 0.1068],
      [16, 11, 0.627, 0.1141],
      [22, 7, 0.538, 0.1282],
      [23, 6, 0.448, 0.1346],
    ])
    expect(median).toBe(23)
  })

  it('without anything unseen is the plain share that is left (any times)', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 80 }), times => {
        const { steps } = kaplanMeier(times.map(time => ({ time, event: true, count: 1 })))
        for (const s of steps) expect(s.share).toBeCloseTo(times.filter(t => t > s.time).length / times.length, 9)
      }),
    )
  })

  it('says nothing of what nobody saw happen', () => {
    expect(kaplanMeier([{ time: 9, event: false, count: 4 }])).toEqual({ steps: [], median: null })
    expect(kaplanMeier([])).toEqual({ steps: [], median: null })
  })
})
