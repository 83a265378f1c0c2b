import { defineSubject } from '../../log'
import { numberKinds } from './kinds'

export const number = defineSubject({
  type: 'number',
  collection: 'numbers',
  noun: { one: 'number of the almanac', many: 'numbers of the almanac' },
  kinds: numberKinds,
  implied: path => ({ path, value: null }),
})
