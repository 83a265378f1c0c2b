import { shippedAlmanac } from '../../almanac'
import { defineSubject } from '../../log'
import { feederKinds, type FeederAdded } from './kinds'
import type { FeederState } from './state'

const unsaid = (id: string): FeederState => ({
  id,
  added: false,
  from: null,
  name: null,
  one: null,
  many: null,
  parts: {},
  retired: false,
})

export const feeder = defineSubject({
  type: 'feeder',
  collection: 'feeders',
  noun: { one: 'feeder', many: 'feeders' },
  kinds: feederKinds,
  found: ({ id, data }) => {
    const { name, one, many, from, parts } = data as FeederAdded
    return { ...unsaid(id), added: true, from, name, one, many, parts: parts as FeederState['parts'] }
  },
  implied: unsaid,
  foldsAll: true,
  canBe: id => Object.hasOwn(shippedAlmanac.feeders, id),
})
