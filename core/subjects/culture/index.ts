import { defineSubject } from '../../log'
import { cultureKinds } from './kinds'
import { cultureLines } from './lines'
import { troubleKinds } from './trouble'

export const culture = defineSubject({
  type: 'culture',
  collection: 'cultures',
  noun: { one: 'culture', many: 'cultures' },
  kinds: [...cultureKinds, ...troubleKinds],
  found: ({ id, day, data }) => ({
    id,
    ...(data as { tag: string; feederId: string; placeId: string | null }),
    startDay: day,
    producing: null,
    failed: null,
    finished: null,
    harvested: 0,
    lastHarvest: null,
    lastLook: null,
    signs: [],
    troubles: [],
    takes: [],
    looks: [],
  }),
  tagOf: state => state.tag,
  inLogLine: true,
  lines: cultureLines,
  began: ({ startDay, tag }) => ({ day: startDay, tag, what: 'started' }),
})
