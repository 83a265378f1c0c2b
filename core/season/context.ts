import type { Almanac } from '../almanac'
import type { Day } from '../chance'
import type { House } from '../subjects'
import type { Guarding } from './guard'
import type { HouseSettings } from '../settings'

/** What every part of the season is computed from. */
export interface SeasonContext extends Guarding {
  house: House
  almanac: Almanac
  settings: HouseSettings
  today: Day
}
