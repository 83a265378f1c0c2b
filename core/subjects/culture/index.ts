import { defineSubject } from '../../log'
import { correctKinds } from './correct'
import { cultureKinds } from './kinds'
import { cultureLines } from './lines'
import type { CultureState } from './state'
import { troubleKinds } from './trouble'

type Said = Pick<CultureState, 'tag' | 'feederId' | 'placeId' | 'bought' | 'parentIds' | 'strain' | 'recipe'> & {
  sure?: true
}
const saidOf = ({ sure: _, ...said }: Said) => said

export const culture = defineSubject({
  type: 'culture',
  collection: 'cultures',
  noun: { one: 'culture', many: 'cultures' },
  kinds: [...cultureKinds, ...troubleKinds, ...correctKinds],
  found: ({ id, day, data }) => ({
    id,
    ...saidOf(data as Said),
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
