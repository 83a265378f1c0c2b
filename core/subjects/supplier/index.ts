import { defineSubject } from '../../log'
import { supplierKinds } from './kinds'
import type { SupplierState } from './state'

export const supplier = defineSubject({
  type: 'supplier',
  collection: 'suppliers',
  noun: { one: 'supplier', many: 'suppliers' },
  kinds: supplierKinds,
  found: ({ id, data }) => ({
    id,
    ...(data as Pick<SupplierState, 'name' | 'leadDays' | 'sendsOn' | 'minimum' | 'carriage' | 'simulated'>),
    offers: [],
    ended: null,
  }),
})
