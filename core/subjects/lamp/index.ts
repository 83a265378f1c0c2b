import { defineSubject } from '../../log'
import { lampKinds } from './kinds'
import type { LampState } from './state'

export const lamp = defineSubject({
  type: 'lamp',
  collection: 'lamps',
  noun: { one: 'lamp', many: 'lamps' },
  kinds: lampKinds,
  found: ({ id, day, data }) => ({
    id,
    ...(data as Pick<
      LampState,
      'tag' | 'lamp' | 'placeId' | 'lifeDays' | 'source' | 'distanceCm' | 'powerW' | 'mesh' | 'thermostat'
    >),
    fittedDay: day,
    replaced: null,
  }),
  tagOf: state => state.tag,
  inLogLine: true,
})
