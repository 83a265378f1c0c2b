import { schoolChoice, type Almanac, type Species } from '../almanac'
import { ladderStepAt, type FeedingSettings } from './meal'

/** What one mouth eats on each day after its first meal, by prey: `profile.get('fly.large')![3]` on its fourth day. */
export type MouthProfile = ReadonlyMap<string, Float64Array>

/**
 * The food of one young from its first meal on, along the species' ladder, for as long as it is usually kept.
 * Being lost or sold is not in it: see survivors.
 * @param days length in days
 */
export function mouthProfile(almanac: Almanac, settings: FeedingSettings, species: Species, days: number): MouthProfile {
  const profile = new Map<string, Float64Array>()
  const insects = species.eats === 'insects'
  const scale = insects ? settings.appetite * (schoolChoice(almanac, settings.schools, 'insectRation').fact?.value ?? 1) : 1
  for (let age = 0; age < days; age++) {
    const { step } = ladderStepAt(species.ladder, age)
    if ((age - step.fromDay) % Math.round(step.everyDays) !== 0) continue
    for (const { prey, count } of step.meal) {
      let row = profile.get(prey)
      if (!row) profile.set(prey, (row = new Float64Array(days)))
      row[age]! += count * scale
    }
  }
  return profile
}
