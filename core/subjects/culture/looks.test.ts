import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac as almanac } from '../../almanac'
import { checkEntry, entryKinds, foldHouse } from '..'

const today = 20_000
const house = () => {
  const b = new HouseBuilder(today)
  const id = b.culture('RO-1', 'roach.nymph', -300)
  return { b, id }
}
const looked = (data: Record<string, unknown>) => {
  const { b, id } = house()
  b.write('colonyLooked', { type: 'culture', id }, 0, entryKinds.get('colonyLooked')!.data.parse(data) as never)
  return foldHouse(b.records()).cultures[id]!.looks[0]!
}
const problem = (data: Record<string, unknown>) => {
  const { b, id } = house()
  const records = b.records()
  return checkEntry(
    {
      ...{ id: 'n', at: new Date(today * 86_400_000).toISOString(), day: today, source: 'keeper' as const },
      ...{ kind: 'colonyLooked', subject: { type: 'culture' as const, id }, data },
    },
    { records, house: foldHouse(records), almanac, today },
  )[0]
}
const scoops = { scoops: 4, scoopGrams: 25, tubGrams: 2000 }

describe('a colony counted in scoops', () => {
  it('is the share that the scoops weigh of all, by hand: four of 25 g of 2 kg are a twentieth', () => {
    expect(looked({ ...scoops, young: 30 })).toEqual({ day: today, sharePercent: 5, young: 30 })
    expect(looked({ ...scoops, young: 30 })).toEqual(looked({ sharePercent: 5, young: 30 }))
    // less than a hundredth of a large bin can be looked through so
    expect(looked({ ...scoops, tubGrams: 20_000, young: 3 }).sharePercent).toBeCloseTo(0.5, 9)
  })

  it('says what is missing, at its field, and takes no more than there is', () => {
    expect(problem({ scoops: 4, tubGrams: 2000, young: 3 })).toMatchObject({
      path: 'data.scoopGrams',
      message: 'What does one scoop weigh?',
    })
    expect(problem({ scoopGrams: 25, tubGrams: 2000, young: 3 })?.path).toBe('data.scoops')
    expect(problem({ scoops: 4, scoopGrams: 25, young: 3 })?.path).toBe('data.tubGrams')
    expect(problem({ ...scoops, tubGrams: 90, young: 3 })?.message).toBe(
      '4 scoops of 25 g are more than the 90 g that are in it',
    )
    expect(problem({ ...scoops, sharePercent: 10, young: 3 })?.path).toBe('data.sharePercent')
    expect(problem(scoops)?.path).toBe('data.young')
    for (const wrong of [{ scoops: 0 }, { scoops: 1.5 }, { scoopGrams: 0 }, { tubGrams: -1 }, { tubGrams: 1e7 }])
      expect(problem({ ...scoops, young: 3, ...wrong }), JSON.stringify(wrong)).toBeDefined()
    expect(problem({ ...scoops, young: 3 })).toBeUndefined()
  })

  it('whatever is taken is a share above nothing and no more than all', () => {
    const grams = fc.double({ min: 0.01, max: 1e6, noNaN: true })
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1000 }), grams, grams, (n, scoopGrams, tubGrams) => {
        const data = { scoops: n, scoopGrams, tubGrams, young: 5 }
        const fits = n * scoopGrams <= tubGrams
        expect(problem(data) === undefined).toBe(fits)
        if (!fits) return
        const { sharePercent } = looked(data)
        expect(sharePercent).toBeGreaterThan(0)
        expect(sharePercent).toBeLessThanOrEqual(100 + 1e-9)
      }),
      { numRuns: 60 },
    )
  })
})

describe('what is shaken out', () => {
  it('is harvested as so many, and known not to be counted', () => {
    const { b, id } = house()
    b.write('harvested', { type: 'culture', id }, -1, { count: 60, shake: 'hard' })
    b.write('harvested', { type: 'culture', id }, 0, { count: 12 })
    expect(foldHouse(b.records()).cultures[id]!.takes).toEqual([
      { day: today - 1, count: 60, shaken: true },
      { day: today, count: 12 },
    ])
    const { wording, data } = entryKinds.get('harvested')!
    expect(wording(data.parse({ count: 60, shake: 'hard' }) as never, { tempUnit: '°C' })).toBe(
      'Shaken out hard, about 60',
    )
    expect(data.safeParse({ count: 60, shake: 'wild' }).success).toBe(false)
  })
})

describe('cultures counted apart', () => {
  const apart = (data: Record<string, unknown>, feederId = 'fly.small') => {
    const b = new HouseBuilder(today)
    b.place('low')
    const records = b.records()
    return checkEntry(
      {
        ...{ id: 'n', at: new Date(today * 86_400_000).toISOString(), day: today, source: 'keeper' as const },
        ...{ kind: 'culturesApart', subject: { type: 'prey' as const, id: feederId }, data },
      },
      { records, house: foldHouse(records), almanac, today },
    )[0]
  }

  it('are of a place that exists, a quarter of the year, and a feeder that comes from cups', () => {
    expect(apart({ by: 'place', of: 'low', yields: 0.7 })).toBeUndefined()
    expect(apart({ by: 'place', of: 'nowhere', yields: 0.7 })?.message).toBe('There is no such place')
    expect(apart({ by: 'quarter', of: 'spring', waits: 0.7 })?.message).toMatch(/^One of: December to February/)
    expect(apart({ by: 'strain', of: 'curly', yields: 0.7 }, 'roach.nymph')?.message).toMatch(/does not come from cups/)
    expect(apart({ by: 'strain', of: 'curly' })?.message).toBe('They are counted as the others already')
    for (const wrong of [{ yields: 0 }, { waits: -1 }, { fails: 11 }, { of: '' }, { by: 'moon' }])
      expect(apart({ by: 'strain', of: 'curly', yields: 1, ...wrong }), JSON.stringify(wrong)).toBeDefined()
  })
})
