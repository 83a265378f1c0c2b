import { withoutPrototypes } from '../ownNumbers'
import { withRows } from '../ownRows'
import type { Almanac } from '../schema'
import { mating } from './breeding'
import { feeders } from './feeders'
import { frogs, moreFrogs } from './frogs'
import { health } from './health'
import { lizards, moreLizards } from './lizards'
import { schools } from './schools'
import { common, sexing, signs } from './sexing'
import { moreSnakes, snakes } from './snakes'
import { sources } from './sources'
import { moreTortoises, tortoises } from './tortoises'
import { unwritten } from './unwritten'

const withSheets: Almanac = withoutPrototypes({
  species: Object.fromEntries(
    [...snakes, ...lizards, ...tortoises, ...frogs].map(s => [
      s.id,
      { ...s, sexing: sexing[s.id], mating: mating[s.id] },
    ]),
  ),
  feeders,
  schools,
  signs,
  common: { ...common, ...health, ...unwritten },
  sources,
})

/** The almanac as shipped; what a keeper says otherwise stands apart, as entries of the house. */
export const shippedAlmanac: Almanac = withRows(
  withSheets,
  [...moreSnakes, ...moreLizards, ...moreTortoises, ...moreFrogs],
  [],
).almanac
