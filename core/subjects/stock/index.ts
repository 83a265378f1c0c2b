import { defineSubject } from '../../log'
import { apartKinds } from './apart'
import { stockKinds } from './kinds'
import { takeMealsOff } from './offered'
import { upkeepKinds } from './upkeep'

export const stock = defineSubject({
  type: 'prey',
  collection: 'stocks',
  noun: { one: 'feeder', many: 'prey' },
  kinds: [...stockKinds, ...upkeepKinds, ...apartKinds],
  implied: prey => ({
    prey,
    counted: null,
    received: 0,
    lots: [],
    arrivals: [],
    discards: [],
    used: [],
    decided: [],
    came: [],
    lastReceived: null,
    onOrder: [],
    left: 0,
  }),
  canBe: (id, { almanac }) => Object.hasOwn(almanac.feeders, id),
  // what is left of it is known with all meals of the house
  foldsAll: true,
  settle: takeMealsOff,
})
