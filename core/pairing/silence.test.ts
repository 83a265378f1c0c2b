import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import { silentInBand, writtenInBand, type Calibration, type Course } from '../../tests/fixtures/calibration'
import {
  certain,
  conditionFrom,
  conditionUnwritten,
  cumulative,
  fromWeights,
  mean,
  summarise,
  weighedBy,
  type DayDist,
} from '../chance'
import { chainOf, forecastChain } from '.'
import { unwrittenRates } from '../learning'

const { of: unwritten } = unwrittenRates([], shippedAlmanac)

describe('silence is weak evidence', () => {
  const dist = fromWeights(10, [1, 2, 3, 4], 0.2)

  it('by hand: days before count by the chance of not being written, the rest in full', () => {
    // 0.08 0.16 0.24 0.32 and never 0.2; before day 12 times a half: 0.04 0.08 0.24 0.32 0.2 of 0.88
    const after = conditionUnwritten(dist, 12, 0.5)
    expect(after.start).toBe(10)
    expect(after.p.map(p => Number((p * 0.88).toFixed(9)))).toEqual([0.04, 0.08, 0.24, 0.32])
    expect(after.never * 0.88).toBeCloseTo(0.2, 12)
  })

  it('with no chance of it it is the wall, with certainty of it it says nothing; long after the clock never stays as likely as it was against it', () => {
    expect(conditionUnwritten(dist, 12, 0)).toEqual(conditionFrom(dist, 12))
    expect(conditionUnwritten(dist, 12, 1).p.map(p => Number(p.toFixed(9)))).toEqual(
      dist.p.map(p => Number(p.toFixed(9))),
    )
    expect(conditionUnwritten(certain(10), 400, 0.03)).toEqual(certain(10))
    expect(weighedBy(dist, () => 0).never).toBe(1)
  })
})

describe('forecasts stay calibrated while days pass', () => {
  const kept = ({ share, n }: Calibration) => {
    expect(n).toBeGreaterThanOrEqual(1000)
    expect(share).toBeGreaterThan(0.75)
    expect(share).toBeLessThan(0.85)
  }
  const king: Course = {
    species: speciesOf(shippedAlmanac, 'california-kingsnake'),
    trunk: ['copulation', 'laid'],
    signs: ['preLayShed'],
  }
  const cornReady: Course = {
    species: speciesOf(shippedAlmanac, 'corn-snake'),
    trunk: ['ready', 'copulation', 'laid'],
    signs: ['preLayShed', 'ovulation'],
  }
  const boa: Course = {
    species: speciesOf(shippedAlmanac, 'boa-constrictor'),
    trunk: ['copulation', 'postOvulationShed', 'born'],
    signs: [],
  }

  it.each([0, 10, 20, 35, 45, 50, 55, 62, 80])(
    'nothing written of a king snake since her lock, %s days later',
    moment => kept(silentInBand(king, moment)),
  )
  it.each([0, 15, 30, 45, 60, 75])('nothing written of a corn snake since she was ready, %s days later', moment =>
    kept(silentInBand(cornReady, moment)),
  )
  it.each([0, 40, 90, 130, 170, 200])('nothing written of a boa since her lock, %s days later', moment =>
    kept(silentInBand(boa, moment)),
  )

  const toad: Course = {
    species: speciesOf(shippedAlmanac, 'fire-bellied-toad'),
    trunk: ['laid', 'hatched', 'metamorphosed', 'firstMeal'],
    signs: [],
  }
  const gecko: Course = {
    species: speciesOf(shippedAlmanac, 'fat-tailed-gecko'),
    trunk: ['hatched', 'firstMeal'],
    signs: [],
  }
  const neonate: Course = {
    species: speciesOf(shippedAlmanac, 'boa-constrictor'),
    trunk: ['born', 'firstMeal'],
    signs: [],
  }
  it.each([0, 20, 45, 60, 66])(
    'nothing written of a spawn of toads, %s days later: froglets and their first meal',
    moment => kept(silentInBand(toad, moment)),
  )
  it.each([0, 3, 6])('nothing written of hatchlings, %s days later: their first meal', moment =>
    kept(silentInBand(gecko, moment)),
  )
  it.each([0, 10, 20])('nothing written of a litter, %s days later: their first meal', moment =>
    kept(silentInBand(neonate, moment)),
  )
  it.each([30, 60])('tadpoles written as they mostly are, %s days after the spawn', moment =>
    kept(writtenInBand(toad, moment)),
  )

  it.each([20, 45])('signs of a king snake written as they mostly are, %s days after her lock', moment =>
    kept(writtenInBand(king, moment)),
  )
  it.each([30, 60])('signs of a corn snake written as they mostly are, %s days after she was ready', moment =>
    kept(writtenInBand(cornReady, moment)),
  )
  it.each([60, 130])('signs of a boa written as they mostly are, %s days after her lock', moment =>
    kept(writtenInBand(boa, moment)),
  )
})

describe('what silence once did', () => {
  const corn = speciesOf(shippedAlmanac, 'corn-snake')

  it('a pair that was ready, with no lock written: the laying moves by days, not by months, and never vanishes', () => {
    const at = (day: number) =>
      forecastChain({
        late: shippedAlmanac.common.clockLate!,
        species: corn,
        observed: { ready: { day: 0, entryId: 'r' } },
        given: {},
        incubation: null,
        today: day,
        unwritten,
      }).find(e => e.event === 'laid')!.dist
    const first = summarise(at(0))!
    for (const day of [10, 20, 30, 40]) {
      expect(at(day).never - at(0).never, `day ${day}`).toBeLessThan(0.25)
      expect(Math.abs(summarise(at(day))!.median - first.median), `day ${day}`).toBeLessThan(16)
    }
  })

  it('a boa 130 days after the lock, the shed unwritten: a birth is still expected', () => {
    const boa = speciesOf(shippedAlmanac, 'boa-constrictor')
    const born = forecastChain({
      late: shippedAlmanac.common.clockLate!,
      species: boa,
      observed: { copulation: { day: 0, entryId: 'c' } },
      given: {},
      incubation: null,
      today: 130,
      unwritten,
    }).find(e => e.event === 'born')!.dist
    // by hand: of 100 boas 75 come to a shed, 40 in 100 of these unwritten: 30 against the 25 that never do, so about
    // a half
    expect(born.never).toBeLessThan(0.55)
    expect(cumulative(born, 129)).toBeLessThan(0.2)
  })

  it('a look that found nothing is no silence: it had not come by then', () => {
    const at = (notBy?: number) =>
      forecastChain({
        late: shippedAlmanac.common.clockLate!,
        species: corn,
        observed: { copulation: { day: 0, entryId: 'c' } },
        given: {},
        incubation: null,
        today: 75,
        unwritten,
        ...(notBy !== undefined && { notBy: { laid: notBy } }),
      }).find(e => e.event === 'laid')!.dist
    // overdue and never looked at, it has likely happened unwritten; looked at yesterday, it has not
    expect(summarise(at())!.median).toBeLessThan(75)
    expect(at(74).start).toBeGreaterThanOrEqual(75)
    expect(at(74).never).toBeGreaterThan(at().never)
  })

  it('a sign that is written rules, and what came before it is done', () => {
    const events = forecastChain({
      late: shippedAlmanac.common.clockLate!,
      species: corn,
      observed: { preLayShed: { day: 100, entryId: 's' } },
      given: { warmUp: { dist: certain(0), reasons: [] } },
      incubation: null,
      today: 104,
      unwritten,
    })
    expect(chainOf(corn).indexOf(events[0]!.event)).toBe(chainOf(corn).indexOf('preLayShed'))
    expect(mean(events.find(e => e.event === 'laid')!.dist as DayDist)).toBeGreaterThan(104)
  })
})
