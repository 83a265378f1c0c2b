import type { House } from '../log'
import { defaultSettings } from '../settings'
import type {} from './feeder/state'
import { THE_HOUSE } from './settings/state'
import type {} from './species/state'
import { bestOffers } from './supplier/offers'

type Said = Pick<House, 'species' | 'feeders' | 'suppliers' | 'settings'>

/** The day on which orders go out, as the house has set it. */
export const cultureWeekdayOf = ({ settings }: Pick<House, 'settings'>): number =>
  settings[THE_HOUSE]?.settings.cultureWeekday ?? defaultSettings.cultureWeekday

/**
 * What the house says of species and feeders, in the order in which it was said, and which packs it orders.
 * @param cultureWeekday where the settings stand beside the house
 */
export const ownRows = (house: Said, cultureWeekday = cultureWeekdayOf(house)) => ({
  species: Object.values(house.species),
  feeders: Object.values(house.feeders),
  offers: bestOffers(house.suppliers, cultureWeekday),
})
