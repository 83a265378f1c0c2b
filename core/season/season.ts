import type { Almanac } from '../almanac'
import type { Day } from '../chance'
import { foldHouse, type House, type Records } from '../logbook'
import { alarmsOf } from './alarms'
import { breedingOutlook } from './breeding'
import type { SeasonContext } from './context'
import { lanesOf } from './lanes'
import { HORIZON_DAYS, outlook } from './need'
import type { HouseSettings } from './settings'
import { tasksOf } from './tasks'
import type { Scenarios, Season } from './types'
import { winterOutlook } from './winter'

/** The house of a set of records, by the almanac's knowledge of which species have tadpoles. */
export function houseOf(records: Records, almanac: Almanac): House {
  return foldHouse(records, id => almanac.species[id]?.mode === 'larval')
}

/**
 * The whole season from the house as it stands: forecasts, mouths, need, running supply, tasks and alarms.
 * Pure: the same inputs give the same season in the server, a worker and a test. A what-if is the same call with
 * other inputs.
 * @param house folded from the records (see houseOf)
 * @param almanac with the keeper's overrides in it
 * @param today calendar day in the house's time zone
 */
export function seasonOfHouse(house: House, almanac: Almanac, settings: HouseSettings, today: Day): { season: Season, scenarios: Scenarios } {
  const context: SeasonContext = { house, almanac, settings, today }
  const { lanes, mouths } = lanesOf(context)
  const { prey, scenarios } = outlook(context, mouths)
  const winter = winterOutlook(lanes, context)
  const breeding = breedingOutlook(lanes, context)
  const joined = { ...context, lanes, winter, breeding }
  return { season: { today, days: HORIZON_DAYS, lanes, mouths, prey, winter, breeding, tasks: tasksOf(joined), alarms: alarmsOf(joined) }, scenarios }
}

/** The season of a logbook: fold, then project. */
export function season(records: Records, almanac: Almanac, settings: HouseSettings, today: Day): { season: Season, scenarios: Scenarios } {
  return seasonOfHouse(houseOf(records, almanac), almanac, settings, today)
}
