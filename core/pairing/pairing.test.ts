import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import { certain, cumulative, mean, quantile } from '../chance'
import { incubationTime } from '../incubation'
import { chainOf, forecastChain, laterLayings, observedInCycle, type ChainInput } from '.'
import type { PairingState } from '../subjects'

const day = 20_000
const seen = (offset: number) => ({ day: day + offset, entryId: `e${offset}` })
const king = speciesOf(shippedAlmanac, 'california-kingsnake')

function chain(part: Partial<ChainInput>) {
  const species = part.species ?? king
  const incubation = species.incubation
    ? {
        ...incubationTime(species.id, species.incubation, species.incubation.usualTempC.value, shippedAlmanac),
        comes: shippedAlmanac.common.hatchComes!,
      }
    : null
  const given = { warmUp: { dist: certain(day), reasons: [] } }
  return Object.fromEntries(
    forecastChain({
      late: shippedAlmanac.common.clockLate!,
      species,
      observed: {},
      given,
      incubation,
      today: day,
      ...part,
    }).map(f => [f.event, f]),
  )
}

describe('the chain of clocks', () => {
  it('adds clocks from a planned warm-up: lock about a month later, laying about 48 days after that', () => {
    const f = chain({})
    const lock = mean(f.copulation!.dist)!
    expect(lock - day).toBeGreaterThan(28)
    expect(lock - day).toBeLessThan(37)
    // (35 + 4·48 + 65) / 6 = 48.7 by PERT; the late tail adds under two days
    expect(mean(f.laid!.dist)! - lock).toBeGreaterThan(48)
    expect(mean(f.laid!.dist)! - lock).toBeLessThan(51)
    expect(f.laid!.dist.never).toBeGreaterThan(f.copulation!.dist.never)
  })

  it('the nearest observed event rules: a pre-lay shed narrows the laying to 7–16 days after it', () => {
    const afterLock = chain({ observed: { copulation: seen(-40) } }).laid!
    const afterShed = chain({ observed: { copulation: seen(-40), preLayShed: seen(-1) } }).laid!
    expect(quantile(afterShed.dist, 0.05)! - (day - 1)).toBeGreaterThanOrEqual(7)
    expect(quantile(afterShed.dist, 0.9)! - (day - 1)).toBeLessThanOrEqual(16)
    const width = (d: typeof afterShed) => quantile(d.dist, 0.9)! - quantile(d.dist, 0.1)!
    expect(width(afterShed)).toBeLessThan(width(afterLock))
    expect(afterShed.reasons[0]!.rule).toMatch(/pre-lay shed to laying/)
  })

  it('what has not happened by today is conditioned on it, and stays expected when late', () => {
    const f = chain({ observed: { copulation: seen(-66) } })
    expect(cumulative(f.laid!.dist, day - 1)).toBe(0)
    expect(f.laid!.dist.never).toBeGreaterThan(0.5)
    expect(f.laid!.dist.never).toBeLessThan(1)
    expect(f.laid!.reasons.some(r => /Not seen by today/.test(r.rule))).toBe(true)
  })

  it('leaves out what was overtaken', () => {
    expect(chain({ observed: { copulation: seen(-50), laid: seen(-2) } }).preLayShed).toBeUndefined()
  })

  it('carries live-bearers from post-ovulation shed to birth in about 105 days (common practice, no source)', () => {
    const boa = speciesOf(shippedAlmanac, 'boa-constrictor')
    const f = chain({ species: boa, observed: { postOvulationShed: seen(0) } })
    expect(Math.abs(quantile(f.born!.dist, 0.5)! - day - 105)).toBeLessThanOrEqual(2)
    expect(chainOf(boa)).not.toContain('hatched')
  })

  it('carries amphibians from spawn over tadpoles to froglets in 45–80 days after hatching', () => {
    const toad = speciesOf(shippedAlmanac, 'fire-bellied-toad')
    const f = chain({ species: toad, observed: { laid: seen(-5), hatched: seen(0) } })
    expect(quantile(f.metamorphosed!.dist, 0.02)! - day).toBeGreaterThanOrEqual(45)
    expect(quantile(f.metamorphosed!.dist, 0.9)! - day).toBeLessThanOrEqual(80)
    expect(mean(f.firstMeal!.dist)!).toBeGreaterThan(mean(f.metamorphosed!.dist)! + 3)
  })

  it('every expected event names the almanac rows it rests on', () => {
    for (const f of Object.values(chain({ observed: { copulation: seen(-10) } }))) {
      const inputs = f.reasons.flatMap(r => r.inputs)
      if (!f.observed && f.event !== 'warmUp') {
        expect(
          inputs.some(i => i.from.kind === 'almanac'),
          f.event,
        ).toBe(true)
        expect(
          inputs.some(i => i.label === 'Chance that it comes'),
          f.event,
        ).toBe(true)
      }
    }
  })
})

describe('clutch after clutch', () => {
  const gecko = speciesOf(shippedAlmanac, 'fat-tailed-gecko')

  it('a gecko lays again about every three weeks, at most seven times, ever less surely', () => {
    const next = laterLayings(gecko, certain(day), 1, day, shippedAlmanac.common.clockLate!)
    expect(next.map(n => n.number)).toEqual([2, 3, 4, 5, 6, 7])
    expect(mean(next[0]!.dist)! - day).toBeGreaterThan(20)
    expect(mean(next[0]!.dist)! - day).toBeLessThan(25)
    for (let i = 1; i < next.length; i++) expect(next[i]!.dist.never).toBeGreaterThan(next[i - 1]!.dist.never)
  })

  it('a boa does not', () => {
    expect(
      laterLayings(
        speciesOf(shippedAlmanac, 'boa-constrictor'),
        certain(day),
        1,
        day,
        shippedAlmanac.common.clockLate!,
      ),
    ).toEqual([])
  })

  it('signs before the last laying belong to the clutch before', () => {
    const pairing = {
      seen: { copulation: [seen(-60), seen(3)], preLayShed: [seen(-10)], laid: [seen(0)] },
    } as unknown as PairingState
    expect(observedInCycle(pairing, gecko)).toEqual({ copulation: seen(3) })
  })
})
