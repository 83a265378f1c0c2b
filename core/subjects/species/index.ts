import { shippedAlmanac } from '../../almanac'
import { defineSubject } from '../../log'
import { typesIn } from '../knowledge'
import { speciesKinds, type SpeciesAdded } from './kinds'
import type { SpeciesState } from './state'

const unsaid = (id: string): SpeciesState => ({
  id,
  added: false,
  from: null,
  type: false,
  name: null,
  latin: null,
  parts: {},
  retired: false,
})

export const species = defineSubject({
  type: 'species',
  collection: 'species',
  noun: { one: 'species', many: 'species' },
  kinds: speciesKinds,
  found: ({ id, data }) => {
    const { name, latin, from, type, parts } = data as SpeciesAdded
    return { ...unsaid(id), added: true, from, type, name, latin, parts: parts as SpeciesState['parts'] }
  },
  implied: unsaid,
  foldsAll: true,
  settle: house => {
    house.typeOf = typesIn(house)
  },
  canBe: id => Object.hasOwn(shippedAlmanac.species, id),
})
