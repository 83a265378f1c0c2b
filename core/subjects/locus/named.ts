import { GeneticsError } from '../../genetics'
import type { House, Problem } from '../../log'
import { isOneSpecies } from '../oneSpecies'
import type { LocusState } from './state'

/** What genetics has against it, said of a field. */
export function problemOf(path: string, of: () => unknown): Problem | null {
  try {
    of()
    return null
  } catch (error) {
    if (error instanceof GeneticsError) return { path, message: error.message }
    throw error
  }
}

/** The locus an entry speaks of, when it is one of the species. */
export function locusFor(house: House, locusId: string, speciesId: string): LocusState | Problem {
  const locus = house.loci[locusId]
  if (!locus || locus.dropped) return { path: 'data.locusId', message: 'There is no such locus' }
  return isOneSpecies(house, locus.speciesId, speciesId)
    ? locus
    : { path: 'data.locusId', message: `${locus.name} is a locus of another species` }
}
