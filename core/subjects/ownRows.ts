import type { House } from '../log'
import type {} from './feeder/state'
import type {} from './species/state'
import { bestOffers } from './supplier/offers'

/**
 * What the house says of species and feeders, in the order in which it was said, and which packs it orders.
 * @param cultureWeekday day on which orders go out, 0 = Sunday; the first load of a screen reads this file and not the
 *   settings
 */
export const ownRows = (house: Pick<House, 'species' | 'feeders' | 'suppliers'>, cultureWeekday: number) => ({
  species: Object.values(house.species),
  feeders: Object.values(house.feeders),
  offers: bestOffers(house.suppliers, cultureWeekday),
})
