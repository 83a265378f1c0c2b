import { z } from 'zod'
import { defineKind, sure, writtenAgain } from '../../log'
import { amount } from '../fields'

export const stockKinds = [
  defineKind({
    kind: 'preyCounted',
    subject: 'prey',
    verb: 'Count stock',
    data: z.strictObject({ count: amount('Count') }),
    apply(state, { count }, entry) {
      state.counted = { day: entry.day, at: entry.at, count, entryId: entry.id }
      state.received = 0
      state.arrivals = []
    },
    wording: d => `Counted ${d.count}`,
  }),
  defineKind({
    kind: 'preyOrdered',
    subject: 'prey',
    verb: 'Record order',
    data: z.strictObject({ count: amount('Order'), sure }),
    check: (state, { count, sure }, entry) =>
      writtenAgain(
        sure,
        entry,
        state.onOrder.some(o => o.day === entry.day && o.count === count),
        `An order of ${count} is written on this day already`,
      ),
    apply(state, { count }, entry) {
      state.onOrder.push({ day: entry.day, count, entryId: entry.id })
    },
    wording: d => `Ordered ${d.count}`,
  }),
  defineKind({
    kind: 'preyReceived',
    subject: 'prey',
    verb: 'Record delivery',
    data: z.strictObject({ count: amount('Delivery'), sure }),
    check: (state, { count, sure }, entry) =>
      writtenAgain(
        sure,
        entry,
        state.lastReceived?.day === entry.day && state.lastReceived.count === count,
        `A delivery of ${count} is written on this day already`,
      ),
    apply(state, { count }, entry) {
      state.received += count
      state.arrivals.push({ day: entry.day, at: entry.at, count })
      state.lastReceived = { day: entry.day, count, entryId: entry.id }
      state.onOrder.shift()
    },
    wording: d => `Received ${d.count}`,
  }),
]
