import { withoutPrototypes } from '../ownNumbers'
import type { Almanac } from '../schema'
import { mating } from './breeding'
import { feeders } from './feeders'
import { frogs } from './frogs'
import { health } from './health'
import { lizards, tortoises } from './lizards'
import { schools } from './schools'
import { common, sexing, signs } from './sexing'
import { snakes } from './snakes'
import { sources } from './sources'
import { unwritten } from './unwritten'

/** The almanac as shipped; what a keeper changes stands apart in overrides. */
export const shippedAlmanac: Almanac = withoutPrototypes({
  species: Object.fromEntries([...snakes, ...lizards, ...tortoises, ...frogs].map(s => [s.id, { ...s, sexing: sexing[s.id], mating: mating[s.id] }])),
  feeders,
  schools,
  signs,
  common: { ...common, ...health, ...unwritten },
  sources,
})
