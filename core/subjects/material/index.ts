import type { Almanac } from '../../almanac'
import { defineSubject } from '../../log'
import { materialKinds } from './kinds'
import { materialId } from './state'

/** Whether a recipe of the almanac asks for it. */
const isAskedFor = (id: string, { feeders }: Pick<Almanac, 'feeders'>): boolean =>
  Object.values(feeders).some(f => f.recipe?.parts.some(p => materialId(p.what, p.amount.unit) === id))

export const material = defineSubject({
  type: 'material',
  collection: 'materials',
  noun: { one: 'material', many: 'materials' },
  kinds: materialKinds,
  implied: id => ({ id, counted: null, bought: [], price: null }),
  canBe: (id, { almanac }) => isAskedFor(id, almanac),
})
