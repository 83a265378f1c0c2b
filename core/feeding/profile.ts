import { liveRowId, liveRowOf, schoolChoice, type Almanac, type Species } from '../almanac'
import { offeredTimes } from '../settings'
import { ladderStepAt } from './ladder'
import type { FeedingSettings } from './mealFindings'
import { fitSwitch } from './switchCurve'
import { NOT_STARTED, liveAhead } from './weaning'

/**
 * What one mouth eats a day after its first meal, by prey: `profile.get('fly.large')![3]` on its fourth day.
 * A meal every sixth day is a sixth of a meal a day: litter mates do not eat on the same day, prey keeps for some days,
 * and a quantile over days on which all or none eat would ask for a meal every day.
 */
export type MouthProfile = ReadonlyMap<string, Float64Array>

/** Meals on which one may still be on live prey: longer than any is followed. */
const MEALS_AHEAD = 120

/**
 * The food of one young from its first meal on, along the species' ladder, for as long as it is usually kept.
 * Being lost or sold is not in it: see presence. Where young change from live prey to thawed, the first meals are live by
 * the school and the usual curve of the species.
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
    ? offeredTimes(settings) * (schoolChoice(almanac, settings.schools, 'insectRation').fact?.value ?? 1)
    : 1
  const add = (prey: string, age: number, count: number) => {
    if (!count) return
    let row = profile.get(prey)
    if (!row) profile.set(prey, (row = new Float64Array(days)))
    row[age]! += count
  }
  const live = species.weaning
    ? liveAhead(
        almanac,
        settings,
        species,
        NOT_STARTED,
        [{ curve: fitSwitch(species.weaning), chance: 1 }],
        MEALS_AHEAD,
      )
    : null
  // the meal that most are at on a day: mates do not eat on the same one
  let meals = 0
  for (let age = 0; age < days; age++) {
    const { step } = ladderStepAt(species.ladder, age)
    for (const { prey, count } of step.meal) {
      const portion = (count * scale) / step.everyDays
      const alive = live && liveRowOf(almanac, prey) ? (live[Math.floor(meals)] ?? 0) : 0
      add(prey, age, portion * (1 - alive))
      add(liveRowId(prey), age, portion * alive)
    }
    meals += 1 / step.everyDays
  }
  return profile
}
