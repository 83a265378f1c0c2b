import { z } from 'zod'
import { defineKind, seen, type CheckContext, type Problem } from '../../log'
import { lineOfText, reference } from '../../reference'
import { WEEKDAYS } from '../../units'
import type { Offer, SupplierState } from './state'

const money = (what: string) =>
  z
    .number({ error: `${what} must be a number` })
    .min(0, `${what} cannot be negative`)
    .max(100_000, `${what}: over 100 000, check the unit`)

const said = {
  name: lineOfText(60, 'A supplier needs a name'),
  leadDays: z
    .number({ error: 'A number of days' })
    .int('Whole days')
    .min(1, 'A day on the road at least')
    .max(60, 'Over two months: check the number'),
  sendsOn: z
    .array(z.number().int().min(0, 'Sunday is 0').max(6, 'Saturday is 6'))
    .min(1, 'One day at least')
    .max(7)
    .refine(days => new Set(days).size === days.length, 'A day is named twice')
    .nullable(),
  minimum: money('The least order').nullable(),
  carriage: money('Carriage').nullable(),
}

/** How a supplier is asked for, new or changed. */
const fields = {
  name: { label: 'Name', as: 'text', needed: true },
  leadDays: { label: 'Days on the road', as: 'count', needed: true },
  sendsOn: {
    label: 'Parcels leave on',
    as: 'several',
    choices: Object.fromEntries(WEEKDAYS.map((day, i) => [i, day])),
    example: 'Every day',
  },
  minimum: { label: 'Least order', as: 'money', example: 'none' },
  carriage: { label: 'Carriage', as: 'money', example: 'none' },
} as const

export const OfferData = z.strictObject({
  prey: reference('feeder'),
  pieces: z
    .number({ error: 'The number in a pack must be a number' })
    .int('The number in a pack must be a whole number')
    .min(1, 'A pack holds one at least')
    .max(1_000_000, 'Over a million in a pack: check the number'),
  price: money('The price'),
  usual: z.literal(true).optional(),
})

const ended = (state: SupplierState): Problem | null =>
  state.ended ? { path: 'subject.id', message: `${state.name} is no longer ordered from` } : null

/** What may be on a list: feeders that come by the pack, each pack once, one usual pack of each. */
export function offersProblem(offers: readonly Offer[], { almanac }: Pick<CheckContext, 'almanac'>): Problem | null {
  const packs = new Set<string>()
  const usual = new Set<string>()
  for (const [i, { prey, pieces, usual: isUsual }] of offers.entries()) {
    const feeder = almanac.feeders[prey]
    const path = `data.offers.${i}`
    const ways = feeder ? [feeder.supply, ...(feeder.otherWays ?? [])] : []
    if (feeder && !ways.some(way => way.kind === 'bought' && !way.gathered))
      return { path: `${path}.prey`, message: `${feeder.name} is not bought by the pack` }
    if (packs.has(`${prey} ${pieces}`))
      return { path: `${path}.pieces`, message: `${feeder?.name ?? prey} by ${pieces} stands twice` }
    if (isUsual && usual.has(prey))
      return { path: `${path}.usual`, message: `Of ${feeder?.many ?? prey} one pack is the usual one` }
    packs.add(`${prey} ${pieces}`)
    if (isUsual) usual.add(prey)
  }
  return null
}

export const supplierKinds = [
  defineKind({
    kind: 'supplierAdded',
    subject: 'supplier',
    verb: 'Add supplier',
    founds: 'supplier',
    data: z.strictObject({
      ...said,
      sendsOn: said.sendsOn.default(null),
      minimum: said.minimum.default(null),
      carriage: said.carriage.default(null),
      simulated: z.literal(true).optional(),
    }),
    apply() {},
    wording: d => `${d.name} added`,
    fields: {
      ...fields,
      simulated: { label: 'Simulated: it answers orders by itself, to try the plan out', as: 'flag' },
    },
  }),
  defineKind({
    kind: 'supplierChanged',
    subject: 'supplier',
    verb: 'Change supplier',
    data: z.strictObject({
      name: said.name.optional(),
      leadDays: said.leadDays.optional(),
      sendsOn: said.sendsOn.optional(),
      minimum: said.minimum.optional(),
      carriage: said.carriage.optional(),
    }),
    check: ended,
    apply(state, data) {
      Object.assign(state, data)
    },
    wording: d => `Supplier changed${d.name ? `: ${d.name}` : ''}`,
    fields,
  }),
  defineKind({
    kind: 'priceListSet',
    subject: 'supplier',
    verb: 'Set price list',
    data: z.strictObject({ offers: z.array(OfferData).max(500, 'Over 500 lines') }),
    check: (state, { offers }, _, context) => ended(state) ?? offersProblem(offers as Offer[], context),
    apply(state, { offers }) {
      state.offers = offers as Offer[]
    },
    wording: d => `Price list of ${d.offers.length} ${d.offers.length === 1 ? 'pack' : 'packs'}`,
  }),
  defineKind({
    kind: 'supplierEnded',
    subject: 'supplier',
    verb: 'End supplier',
    data: z.strictObject({}),
    check: ended,
    apply(state, _, entry) {
      state.ended = seen(entry)
    },
    wording: () => 'No longer ordered from',
  }),
]
