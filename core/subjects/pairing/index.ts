import { defineSubject } from '../../log'
import { pairingKinds } from './kinds'
import { pairingLines } from './lines'
import { openPairingOf } from './open'
import type { PairingState } from './state'

type Founded = Pick<PairingState, 'id' | 'tag' | 'speciesId' | 'damId' | 'sireId' | 'startDay'>

/** A pair that was just set. */
export const newPairing = (founded: Founded): PairingState => ({
  ...founded,
  seen: {},
  clutchIds: [],
  together: null,
  locks: [],
  layTogether: [],
  rejections: [],
  injuries: [],
  visits: [],
  follicles: [],
  ended: null,
})

export const pairing = defineSubject({
  type: 'pairing',
  collection: 'pairings',
  noun: { one: 'pair', many: 'pairs' },
  kinds: pairingKinds,
  standsOn: ({ data }, { house }) => {
    const dam = house.animals[(data as { damId: string }).damId]
    return dam ? [dam.speciesId] : null
  },
  found: ({ id, day, data }, { house }) => {
    const { tag, damId, sireId } = data as { tag: string; damId: string; sireId: string | null }
    return newPairing({ id, tag, speciesId: house.animals[damId]!.speciesId, damId, sireId, startDay: day })
  },
  tagOf: state => state.tag,
  inLogLine: true,
  lines: pairingLines,
  began: ({ startDay, tag }) => ({ day: startDay, tag, what: 'set' }),
  // what is seen of a female is written of her open pair
  meantBy: ({ type, id }, house) => {
    if (type !== 'animal') return null
    const animal = house.animals[id]
    if (!animal) return { path: 'subject.id', message: 'There is no such animal' }
    if (animal.sex === 'male')
      return { path: 'subject.id', message: `${animal.tag} is a male: write this for the female of the pair` }
    const open = openPairingOf(house, animal.id)
    return open
      ? { type: 'pairing', id: open.id }
      : { path: 'subject.id', message: `${animal.tag} has no open pairing; set the pair first` }
  },
})
