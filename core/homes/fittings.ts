import type { Almanac, Fitting, Substrate } from '../almanac'
import type { House, Place } from '../subjects'
import { holderOf } from './size'

/** What a home has, as far as it is said. */
export interface Fitted {
  fittings: readonly Fitting[] | null
  substrate: Substrate | null
}

/** What speaks against a home for a species. */
export type HomeFault = { speciesId: string } & ({ why: 'missing'; what: Fitting } | { why: 'floor'; what: Substrate })

/** What is in a place and under it: said of itself, else once of all that stands in its rack or shelf. */
export function fittedAs(places: House['places'], place: Place): Fitted {
  const over = holderOf(places, place)
  return {
    fittings: place.fittings ?? over?.fittings ?? null,
    substrate: place.substrate ?? over?.substrate ?? null,
  }
}

/**
 * What a home lacks for who lives there, and whether its floor suits them. Of what is not said nothing is told.
 * @param speciesIds of those that live there
 */
export function homeFaults(
  { fittings, substrate }: Fitted,
  speciesIds: Iterable<string>,
  almanac: Pick<Almanac, 'species'>,
): HomeFault[] {
  return [...new Set(speciesIds)].flatMap((speciesId): HomeFault[] => {
    const home = almanac.species[speciesId]?.home
    const missing = fittings ? (home?.musts ?? []).filter(must => !fittings.includes(must)) : []
    const floor = substrate && home?.notOn?.includes(substrate) ? [substrate] : []
    return [
      ...missing.map(what => ({ speciesId, why: 'missing' as const, what })),
      ...floor.map(what => ({ speciesId, why: 'floor' as const, what })),
    ]
  })
}

export const FITTING_WORDS: Record<Fitting, string> = {
  hide: 'a hide',
  dampHide: 'a damp hide',
  climbing: 'something to climb',
  digging: 'a floor deep enough to dig in',
  waterArea: 'water to sit in',
}
const WITHOUT: Record<Fitting, string> = {
  hide: 'without one it neither rests nor eats well',
  dampHide: 'without one sheds stick and toes are lost',
  climbing: 'it lives above the floor',
  digging: 'it digs itself in',
  waterArea: 'it lives in and at the water',
}
export const SUBSTRATE_WORDS: Record<Substrate, string> = {
  paper: 'paper',
  tile: 'tile',
  bare: 'bare',
  soil: 'soil',
  sand: 'washed sand',
  soilSand: 'soil and sand',
  bark: 'bark',
  moss: 'moss',
  coconut: 'coconut fibre',
  gravel: 'gravel',
  carpet: 'carpet',
  calciumSand: 'calcium sand',
  cedar: 'cedar or pine shavings',
}
const HARMS: Partial<Record<Substrate, string>> = {
  cedar: 'their oils harm the airways',
  carpet: 'claws catch in it and it cannot be cleaned well',
  calciumSand: 'it is swallowed and cakes in the gut',
  gravel: 'it is swallowed with the prey',
}

/** A fault as a sentence without its end. */
export function tellHomeFault(fault: HomeFault, almanac: Pick<Almanac, 'species'>): string {
  const name = almanac.species[fault.speciesId]?.name ?? fault.speciesId
  return fault.why === 'missing'
    ? `it lacks ${FITTING_WORDS[fault.what]} for ${name}: ${WITHOUT[fault.what]}`
    : `${SUBSTRATE_WORDS[fault.what]} does not suit ${name}${HARMS[fault.what] ? `: ${HARMS[fault.what]}` : ''}`
}
