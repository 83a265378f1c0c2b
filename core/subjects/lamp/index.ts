import { defineSubject } from '../../log'
import { lampKinds } from './kinds'

export const lamp = defineSubject({
  type: 'lamp',
  collection: 'lamps',
  noun: { one: 'lamp', many: 'lamps' },
  kinds: lampKinds,
  found: ({ id, day, data }) => ({
    id,
    ...(data as { tag: string; lamp: string; placeId: string | null; lifeDays: number }),
    fittedDay: day,
    replaced: null,
  }),
  tagOf: state => state.tag,
  inLogLine: true,
})
