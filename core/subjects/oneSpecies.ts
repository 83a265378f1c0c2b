import type { House } from '../log'
import type {} from './species/state'

/** The species that a type is of; a species is its own. */
export const rootIn = ({ typeOf }: Pick<House, 'typeOf'>, id: string): string => typeOf[id] ?? id

/** Whether two ids name one species, whatever their types: they breed with each other. */
export const isOneSpecies = (house: Pick<House, 'typeOf'>, a: string, b: string): boolean =>
  a === b || rootIn(house, a) === rootIn(house, b)
