import { withoutPrototypes } from '../ownNumbers'
import { withOwn, type OwnSpecies, type Shipped } from '../ownRows'
import type { Almanac, Species } from '../schema'
import { mating } from './breeding'
import { INSECT_SUPPLEMENTS, climates } from './climates'
import { companyOf } from './company'
import { homeOf } from './homes'
import { eggs } from './eggs'
import { mineralsOf } from './minerals'
import { neverOf } from './never'
import { feeders } from './feeders'
import { frogs, moreFrogs } from './frogs'
import { health } from './health'
import { limits } from './limits'
import { lizards, moreLizards } from './lizards'
import { schools } from './schools'
import { places } from './places'
import { roundsOf } from './rounds'
import { common, sexing, signs } from './sexing'
import { moreSnakes, snakes } from './snakes'
import { sources } from './sources'
import { starting, weaningOf } from './weaning'
import { moreTortoises, tortoises } from './tortoises'
import { unwritten } from './unwritten'

function homed(id: string, group: Species['group']): Pick<Species, 'home'> {
  const home = homeOf(id, group)
  return home ? { home } : {}
}
function weaned(id: string): Pick<Species, 'weaning' | 'never'> {
  const weaning = weaningOf(id)
  const never = neverOf(id)
  return { ...(weaning && { weaning }), ...(never && { never: [...never] }) }
}
const keptBy = (id: string) => (climates[id] ? { climate: climates[id] } : {})
/**
 * Insects hold less calcium than phosphorus (Finke 2002, Zoo Biol. 21:269–285, from memory): who lives on them on land
 * is dusted.
 */
function dusted(id: string, eats: Species['eats'] | null | undefined, group: Species['group']): OwnSpecies['parts'] {
  if (climates[id]?.water) return { supplements: null }
  if (!eats || group === 'snake') return {}
  return { supplements: eats === 'insects' ? INSECT_SUPPLEMENTS : null }
}

const writtenOut: Almanac = withoutPrototypes({
  species: Object.fromEntries(
    [...snakes, ...lizards, ...tortoises, ...frogs].map(s => {
      const { supplements } = dusted(s.id, s.eats, s.group)
      const more = {
        ...keptBy(s.id),
        ...weaned(s.id),
        rounds: roundsOf(s.id, s.group),
        company: companyOf(s.id, s.group),
        ...homed(s.id, s.group),
        ...(supplements && { supplements }),
      }
      return [s.id, { ...s, sexing: sexing[s.id], mating: mating[s.id], ...more }]
    }),
  ),
  feeders: Object.fromEntries(
    Object.entries(feeders).map(([id, feeder]) => {
      const minerals = mineralsOf(id)
      return [id, minerals ? { ...feeder, minerals } : feeder]
    }),
  ),
  schools,
  signs,
  common: { ...common, ...health, ...eggs, ...starting, ...limits, ...places, ...unwritten },
  sources,
})

/** What is dusted follows the relative, unless the species eats otherwise. */
const rowsOf = (group: Species['group'], rows: readonly OwnSpecies[]) =>
  rows.map(row => ({
    ...row,
    parts: {
      ...keptBy(row.id),
      ...weaned(row.id),
      ...(row.type
        ? {}
        : { rounds: roundsOf(row.id, group), company: companyOf(row.id, group), ...homed(row.id, group) }),
      ...dusted(row.id, row.parts.eats, group),
      ...row.parts,
    },
  }))

/** What is shipped: species written out whole, and those that stand on a relative. */
export const shipped: Shipped = {
  base: writtenOut,
  rows: [
    ...rowsOf('snake', moreSnakes),
    ...rowsOf('lizard', moreLizards),
    ...rowsOf('tortoise', moreTortoises),
    ...rowsOf('frog', moreFrogs),
  ],
}

/** The almanac as shipped; what a keeper says otherwise stands apart, as entries of the house. */
export const shippedAlmanac: Almanac = withOwn(shipped, { species: [], feeders: [], numbers: [] }).almanac
