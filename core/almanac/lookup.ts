import { AlmanacError } from './ownNumbers'
import type { Almanac, BreedingEvent, Clock, Feeder, School, Species } from './schema'

/** @throws AlmanacError for an unknown id */
export function speciesOf(almanac: Almanac, id: string): Species {
  const species = almanac.species[id]
  if (!species) throw new AlmanacError(`The almanac has no species “${id}”.`)
  return species
}

/** The species that a type is of; a species is its own. */
export const rootOf = ({ species }: Pick<Almanac, 'species'>, id: string): string =>
  (Object.hasOwn(species, id) ? species[id]!.typeOf : undefined) ?? id

/** Whether two are of one species, whatever their types. */
export const isOfSpecies = (almanac: Pick<Almanac, 'species'>, a: string, b: string): boolean =>
  a === b || rootOf(almanac, a) === rootOf(almanac, b)

/** @throws AlmanacError for an unknown id */
export function feederOf(almanac: Pick<Almanac, 'feeders'>, id: string): Feeder {
  const feeder = almanac.feeders[id]
  if (!feeder) throw new AlmanacError(`The almanac has no feeder “${id}”.`)
  return feeder
}

/** Key of a choice that holds for one species only, in the same record as those of the house. */
export const schoolKey = (id: string, speciesId?: string): string => (speciesId ? `${id}@${speciesId}` : id)

/** The choice in force for a school: what was chosen for the species, else for the house, else the usual one. */
export function schoolChoice(
  almanac: Pick<Almanac, 'schools'>,
  chosen: Readonly<Record<string, string>>,
  id: string,
  speciesId?: string,
): School['choices'][number] {
  const school = almanac.schools[id]
  if (!school) throw new AlmanacError(`The almanac has no school “${id}”.`)
  const root = speciesId && (almanac as Partial<Almanac>).species?.[speciesId]?.typeOf
  const wished =
    (speciesId && chosen[schoolKey(id, speciesId)]) ||
    (root && chosen[schoolKey(id, root)]) ||
    chosen[id] ||
    school.usual
  return school.choices.find(c => c.id === wished) ?? school.choices.find(c => c.id === school.usual)!
}

export function clockOf(species: Species, from: BreedingEvent, to: BreedingEvent): Clock | undefined {
  return species.clocks[`${from}>${to}`]
}
