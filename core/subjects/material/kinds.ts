import { z } from 'zod'
import { defineKind } from '../../log'

const quantity = (what: string, least: number) =>
  z
    .number({ error: `${what} must be a number` })
    .min(least, least ? `${what}: more than nothing` : `${what} cannot be negative`)
    .max(10_000_000, `${what}: over ten millions, check the unit`)

export const materialKinds = [
  defineKind({
    kind: 'materialCounted',
    subject: 'material',
    verb: 'Count material',
    data: z.strictObject({ amount: quantity('What is left', 0) }),
    apply(state, { amount }, entry) {
      state.counted = { day: entry.day, amount, entryId: entry.id }
      state.bought = []
    },
    wording: d => `${d.amount} left`,
  }),
  defineKind({
    kind: 'materialBought',
    subject: 'material',
    verb: 'Record material',
    data: z.strictObject({
      amount: quantity('What came', 0.001),
      /** For all of it, in the money of the house. */
      price: z
        .number({ error: 'The price must be a number' })
        .min(0, 'The price cannot be negative')
        .max(100_000, 'The price: over 100 000, check the unit')
        .optional(),
    }),
    fields: { price: { label: 'Price of all of it', as: 'number' } },
    apply(state, { amount, price }, entry) {
      state.bought.push({ day: entry.day, amount, ...(price !== undefined && { price }) })
      if (price !== undefined) state.price = { amount, price }
    },
    wording: d => `${d.amount} more${d.price === undefined ? '' : `, for ${d.price}`}`,
  }),
]
