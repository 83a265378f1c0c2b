import { derived } from '../../derived'
import type { House } from '../../log'
import type { AnimalState } from './state'

const listOf = derived((animals: House['animals']): readonly AnimalState[] => Object.values(animals))
const livingIn = derived((animals: House['animals']): readonly AnimalState[] =>
  listOf(animals).filter(a => a.status === 'alive'),
)

/** All animals of a house that is folded, those that left among them: many ask for them in turn. */
export const animalsOf = ({ animals }: Pick<House, 'animals'>): readonly AnimalState[] => listOf(animals)

/** Those that are here. */
export const livingAnimals = ({ animals }: Pick<House, 'animals'>): readonly AnimalState[] => livingIn(animals)
