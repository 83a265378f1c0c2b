import { shippedAlmanac } from '../../almanac'
import { defineSubject } from '../../log'
import { feederKinds, type FeederAdded } from './kinds'
import { addedFeeder, unsaidFeeder } from './state'

export const feeder = defineSubject({
  type: 'feeder',
  collection: 'feeders',
  noun: { one: 'feeder', many: 'feeders' },
  kinds: feederKinds,
  found: ({ id, data }) => addedFeeder(id, data as FeederAdded),
  implied: unsaidFeeder,
  foldsAll: true,
  canBe: id => Object.hasOwn(shippedAlmanac.feeders, id),
})
