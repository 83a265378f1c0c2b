import { shippedAlmanac } from '../../almanac'
import { defineSubject } from '../../log'
import { typesIn } from '../knowledge'
import { speciesKinds, type SpeciesAdded } from './kinds'
import { addedSpecies, unsaidSpecies } from './state'

export const species = defineSubject({
  type: 'species',
  collection: 'species',
  noun: { one: 'species', many: 'species' },
  kinds: speciesKinds,
  found: ({ id, data }) => addedSpecies(id, data as SpeciesAdded),
  implied: unsaidSpecies,
  foldsAll: true,
  settle: house => {
    house.typeOf = typesIn(house)
  },
  canBe: id => Object.hasOwn(shippedAlmanac.species, id),
})
