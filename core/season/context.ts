import type { Almanac } from '../almanac'
import type { Day } from '../chance'
import type { House } from '../subjects'
import type { Guarding } from './guard'
import type { Remembering } from './remember'
import type { HouseSettings } from '../settings'

/** What every part of the season is computed from. */
export interface SeasonContext extends Guarding, Remembering {
  house: House
  almanac: Almanac
  settings: HouseSettings
  today: Day
}
