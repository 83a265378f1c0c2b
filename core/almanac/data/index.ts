import { withoutPrototypes } from '../ownNumbers'
import { withOwn, type Shipped } from '../ownRows'
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

const writtenOut: Almanac = withoutPrototypes({
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

/** What is shipped: species written out whole, and those that stand on a relative. */
export const shipped: Shipped = {
  base: writtenOut,
  rows: [...moreSnakes, ...moreLizards, ...moreTortoises, ...moreFrogs],
}

/** The almanac as shipped; what a keeper says otherwise stands apart, as entries of the house. */
export const shippedAlmanac: Almanac = withOwn(shipped, { species: [], feeders: [], numbers: [] }).almanac
