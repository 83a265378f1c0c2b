import { schoolChoice, type Almanac, type Species } from '../almanac'
import { ladderStepAt, type FeedingSettings } from './meal'

/**
 * What one mouth eats a day after its first meal, by prey: `profile.get('fly.large')![3]` on its fourth day.
 * A meal every sixth day is a sixth of a meal a day: litter mates do not eat on the same day, prey keeps for some days,
 * and a quantile over days on which all or none eat would ask for a meal every day.
 */
export type MouthProfile = ReadonlyMap<string, Float64Array>

/**
 * The food of one young from its first meal on, along the species' ladder, for as long as it is usually kept.
 * Being lost or sold is not in it: see presence.
 * @param days length in days
 */
export function mouthProfile(
  almanac: Almanac,
  settings: FeedingSettings,
  species: Species,
  days: number,
): MouthProfile {
  const profile = new Map<string, Float64Array>()
  const insects = species.eats === 'insects'
  const scale = insects
    ? settings.appetite * (schoolChoice(almanac, settings.schools, 'insectRation').fact?.value ?? 1)
    : 1
  for (let age = 0; age < days; age++) {
    const { step } = ladderStepAt(species.ladder, age)
    for (const { prey, count } of step.meal) {
      let row = profile.get(prey)
      if (!row) profile.set(prey, (row = new Float64Array(days)))
      row[age]! += (count * scale) / step.everyDays
    }
  }
  return profile
}
