import { defineSubject } from '../../log'
import { dayFromIso } from '../../units'
import { winterKinds } from './kinds'
import type { WinterWays } from './state'

export const winter = defineSubject({
  type: 'winter',
  collection: 'winters',
  noun: { one: 'winter group', many: 'winter groups' },
  kinds: winterKinds,
  found: ({ id, data }) => {
    const { tag, speciesId, placeId, cool, ways, animalIds } = data as {
      tag: string
      speciesId: string
      placeId: string | null
      cool: string
      ways?: WinterWays
      animalIds?: string[]
    }
    return {
      id,
      tag,
      speciesId,
      placeId,
      coolDay: dayFromIso(cool),
      ways: ways ?? {},
      members: Object.fromEntries((animalIds ?? []).map(animalId => [animalId, {}])),
      ended: null,
    }
  },
  tagOf: state => state.tag,
})
