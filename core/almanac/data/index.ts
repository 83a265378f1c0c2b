import type { Almanac } from '../schema'
import { feeders } from './feeders'
import { frogs } from './frogs'
import { lizards, tortoises } from './lizards'
import { schools } from './schools'
import { snakes } from './snakes'
import { sources } from './sources'

/** The almanac as shipped; what a keeper changes stands apart in overrides. */
export const shippedAlmanac: Almanac = {
  species: Object.fromEntries([...snakes, ...lizards, ...tortoises, ...frogs].map(s => [s.id, s])),
  feeders,
  schools,
  sources,
}
