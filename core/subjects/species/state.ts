import type { OwnSpecies } from '../../almanac'

export type SpeciesState = OwnSpecies

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
