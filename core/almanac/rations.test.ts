import { describe, expect, it } from 'vitest'
import { laterLayings } from '../pairing'
import { certain } from '../chance'
import { feederOf, shippedAlmanac as almanac, speciesOf, type Species } from '.'

/** Food of a day as a share of the weight at an age: growth is taken as even in its logarithm. */
function rationAt(species: Species, index: number): number {
  const step = species.ladder[index]!
  const age = Math.min(1, step.fromDay / species.matureDays.value)
  const massG = species.youngMassG.value * (species.adultMassG.value / species.youngMassG.value) ** age
  return step.meal.reduce((g, m) => g + m.count * feederOf(almanac, m.prey).massG.likely, 0) / step.everyDays / massG
}

describe('rations of young insect-eaters are believable', () => {
  it.each(
    Object.values(almanac.species)
      .filter(s => s.eats === 'insects')
      .map(s => s.id),
  )('%s: 3 % of its weight a day or more in its first step (from memory: small insect-eaters take 3–10 %)', id => {
    expect(rationAt(speciesOf(almanac, id), 0)).toBeGreaterThanOrEqual(0.03)
  })

  it.each(['golden-mantella', 'dyeing-dart-frog', 'mourning-gecko'])('%s: grown, 0.7–5 %% a day (from memory)', id => {
    const species = speciesOf(almanac, id)
    const last = species.ladder.at(-1)!
    const grown =
      last.meal.reduce((g, m) => g + m.count * feederOf(almanac, m.prey).massG.likely, 0) /
      last.everyDays /
      species.adultMassG.value
    expect(grown).toBeGreaterThan(0.007)
    expect(grown).toBeLessThan(0.05)
  })

  it('bearded dragons have greens on every step, daily (common practice, no source)', () => {
    for (const step of speciesOf(almanac, 'bearded-dragon').ladder)
      expect([step.everyDays, step.meal.some(m => m.prey === 'greens')]).toEqual([1, true])
  })
})

describe('numbers that steer who breeds', () => {
  it('a boa may breed from about 3 kg (common practice, no source: grown females breed from 2.5–4 kg)', () => {
    const boa = speciesOf(almanac, 'boa-constrictor')
    const least = boa.adultMassG.value * boa.mating!.femaleMassShare.value
    expect(least).toBeGreaterThanOrEqual(2500)
    expect(least).toBeLessThanOrEqual(4000)
  })

  it('the chance of a second clutch is what the almanac states; a third is half as likely again', () => {
    const corn = speciesOf(almanac, 'corn-snake')
    const [second] = laterLayings(corn, certain(20_000), 1, 20_000, almanac.common.clockLate!)
    expect(1 - second!.dist.never).toBeCloseTo(corn.nextClutch!.comes.value, 9)
    const gecko = speciesOf(almanac, 'fat-tailed-gecko')
    const later = laterLayings(
      gecko,
      certain(20_000),
      gecko.nextClutch!.perSeason.likely,
      20_000,
      almanac.common.clockLate!,
    )
    expect(1 - later[0]!.dist.never).toBeCloseTo(gecko.nextClutch!.comes.value / 2, 9)
  })
})
