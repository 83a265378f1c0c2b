import type { Almanac } from '../../almanac'
import type { HouseSettings } from '../../settings'
import type { House } from '../../subjects'
import type { SolveLp } from '../../supply'
import type { SeasonContext } from '../context'
import type { PreyOutlook, Scenarios, Season } from '../contracts'
import type { FeederPlan, PlanTrial } from './contracts'
import { planJobs, planKey } from './groups'
import { PlanMemory } from './memory'
import { planGroup } from './planGroup'
import { withSecond } from './second'
import { withTakenAlong } from './takenAlong'

/**
 * The plans of all groups of a house, in the order of the almanac's feeders, which is that of their sizes, with what is
 * ordered along with others and the second colonies that the house is to keep.
 */
export function plansOfHouse(
  plans: readonly FeederPlan[],
  prey: readonly PreyOutlook[],
  context: Pick<SeasonContext, 'house' | 'almanac' | 'settings' | 'today'>,
): FeederPlan[] {
  const order = new Map(Object.keys(context.almanac.feeders).map((id, i) => [id, i]))
  const inOrder = [...plans].sort((a, b) => (order.get(a.prey) ?? 0) - (order.get(b.prey) ?? 0))
  return withSecond(withTakenAlong(inOrder, prey, context), prey, context)
}

/**
 * The plan of every prey whose supply can be planned; those whose inputs are the same as in an earlier call are taken
 * over.
 */
export function planFeeders(
  season: Season,
  scenarios: Scenarios,
  house: House,
  almanac: Almanac,
  settings: HouseSettings,
  solve: SolveLp,
  memory = new PlanMemory(),
  trial?: PlanTrial,
): FeederPlan[] {
  const plans = planJobs(season.prey, scenarios, house, almanac, settings, season.today, trial).flatMap(job => {
    const key = planKey(job)
    return memory.get(key) ?? memory.keep(key, planGroup(job, solve))
  })
  return plansOfHouse(plans, season.prey, { house, almanac, settings, today: season.today })
}
