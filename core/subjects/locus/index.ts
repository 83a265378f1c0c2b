import type { LocusData } from '../../genetics'
import { defineSubject } from '../../log'
import { locusKinds } from './kinds'

export const locus = defineSubject({
  type: 'locus',
  collection: 'loci',
  noun: { one: 'locus', many: 'loci' },
  kinds: locusKinds,
  found: ({ id, data }) => ({ id, ...(data as unknown as LocusData), dropped: null }),
})
export { ALLELE_FIELDS } from './kinds'
export { locusFor, problemOf } from './named'
