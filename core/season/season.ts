import type { Almanac } from '../almanac'
import type { Day } from '../chance'
import { foldHouse, type FoldMemory, type House, type Records } from '../subjects'
import { alarmsOf, harmFirst } from './alarms'
import { breedingOutlook } from './breeding'
import type { SeasonContext } from './context'
import { failureAlarms } from './failureAlarms'
import { guarded, type Failure } from './guard'
import { lanesOf } from './lanes'
import { HORIZON_DAYS, outlook } from './need'
import { SeasonMemory } from './remember'
import type { HouseSettings } from '../settings'
import { careOutlook, homesOutlook, placesOutlook } from './places'
import { tasksOf } from './tasks'
import type { Scenarios, Season } from './contracts'
import { birthsExpected, winterOutlook } from './winter'

/** The house of a set of records, by the almanac's knowledge of which species have tadpoles. */
export function houseOf(records: Records, memory?: FoldMemory): House {
  return foldHouse(records, memory)
}

/**
 * The whole season from the house as it stands: forecasts, mouths, need, running supply, tasks and alarms.
 * Pure: the same inputs give the same season in the server, a worker and a test. A what-if is the same call with
 * other inputs.
 * @param house folded from the records (see houseOf)
 * @param almanac with the keeper's overrides in it
 * @param today calendar day in the house's time zone
 * @param memory of an earlier call; it changes nothing but the time taken
 */
export function seasonOfHouse(
  house: House,
  almanac: Almanac,
  settings: HouseSettings,
  today: Day,
  memory?: SeasonMemory,
): SeasonWithScenarios {
  const steps = seasonSteps(house, almanac, settings, today, memory)
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
  }
}

export interface SeasonWithScenarios {
  season: Season
  scenarios: Scenarios
}

/**
 * The same in steps, for a server that has others to answer between them. Each step is guarded: what cannot be computed
 * is left out and becomes an alarm, so that no entry can take the season of the whole house away.
 */
export function* seasonSteps(
  house: House,
  almanac: Almanac,
  settings: HouseSettings,
  today: Day,
  memory: SeasonMemory = new SeasonMemory(),
): Generator<undefined, SeasonWithScenarios> {
  const failures: Failure[] = []
  const context: SeasonContext = { house, almanac, settings, today, failures, memory }
  const step = <T>(part: string, otherwise: T, make: () => T): T => guarded(context, part, null, make) ?? otherwise
  const { lanes, mouths } = step('the lanes', { lanes: [], mouths: [] }, () => lanesOf(context))
  yield
  const { prey, scenarios } = step('the need of food', { prey: [], scenarios: noScenarios }, () =>
    outlook(context, mouths, birthsExpected(lanes, context)),
  )
  yield
  const winter = step('the winter', { cold: [], places: [], groups: [], recovering: [] }, () =>
    winterOutlook(lanes, context),
  )
  yield
  const breeding = step('the breeding side', { rota: [], unvisited: [], due: [] }, () =>
    breedingOutlook(lanes, context),
  )
  yield
  const places = step('the places', [], () => placesOutlook(context))
  const homes = step('the homes', { outgrown: [], young: [], unsized: [] }, () => homesOutlook(mouths, winter, context))
  const care = step('the care of places', [], () => careOutlook(context))
  const joined = { ...context, lanes, winter, breeding, places, prey }
  const tasks = step('the tasks', [], () => tasksOf(joined))
  yield
  const alarms = step('the alarms', [], () => alarmsOf(joined))
  const season = {
    today,
    days: HORIZON_DAYS,
    lanes,
    mouths,
    prey,
    winter,
    breeding,
    places,
    homes,
    care,
    tasks,
    alarms: harmFirst([...failureAlarms(failures, house), ...alarms]),
  }
  return { season, scenarios }
}

const noScenarios: Scenarios = { count: 1, eaters: () => [], need: () => new Float64Array(HORIZON_DAYS) }

/** What is remembered of a house from one season to the next. */
export interface Memories {
  fold: FoldMemory
  season: SeasonMemory
}

/** The season of a logbook: fold, then project. */
export function season(
  records: Records,
  almanac: Almanac,
  settings: HouseSettings,
  today: Day,
  memories?: Memories,
): SeasonWithScenarios {
  return seasonOfHouse(houseOf(records, memories?.fold), almanac, settings, today, memories?.season)
}
