import type { House } from '../log'
import { defaultSettings } from '../settings'
import { THE_HOUSE } from './settings/state'

/** The day of the week on which orders go out, as the house has set it: 0 = Sunday. */
export const cultureWeekdayOf = ({ settings }: Pick<House, 'settings'>): number =>
  settings[THE_HOUSE]?.settings.cultureWeekday ?? defaultSettings.cultureWeekday
