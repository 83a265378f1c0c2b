import type { OwnSpecies } from '../../almanac'

export type SpeciesState = OwnSpecies

/** One that is shipped, of which the house says nothing. */
export const unsaidSpecies = (id: string): SpeciesState => ({
  id,
  added: false,
  from: null,
  name: null,
  type: false,
  latin: null,
  parts: {},
  retired: false,
})

/** One that the house adds. */
export const addedSpecies = (
  id: string,
  said: Pick<SpeciesState, 'name' | 'latin' | 'from' | 'type'> & { parts: object },
): SpeciesState => ({
  ...unsaidSpecies(id),
  ...said,
  added: true,
})

declare module '../../log/house' {
  interface StateOf {
    species: OwnSpecies
  }
  interface House {
    /** What the house says of species, shipped ones and its own. */
    species: Record<string, OwnSpecies>
    /** The species that each type is of, shipped ones and those of the house. */
    typeOf: Record<string, string>
  }
}
