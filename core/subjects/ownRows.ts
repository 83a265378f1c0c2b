import type { House } from '../log'
import type {} from './feeder/state'
import type {} from './species/state'

/** What the house says of species and feeders, in the order in which it was said. */
export const ownRows = (house: Pick<House, 'species' | 'feeders'>) => ({
  species: Object.values(house.species),
  feeders: Object.values(house.feeders),
})
