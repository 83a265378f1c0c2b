import { z } from 'zod'
import { lineOfText, reference } from '../../reference'
import { defineKind, seen, sure, writtenAgain } from '../kind'
import { tag } from './pairing'

const none = z.strictObject({})
const many = (what: string) =>
  z
    .number({ error: `${what} must be a number` })
    .int(`${what} must be a whole number`)
    .min(0, `${what} cannot be negative`)
    .max(1_000_000)

export const cultureKinds = [
  defineKind({
    kind: 'cultureStarted',
    subject: 'culture',
    verb: 'Start culture',
    founds: 'culture',
    data: z.strictObject({ tag, feederId: reference('feeder'), placeId: reference('place').nullable().default(null) }),
    apply() {},
    tell: d => `Started ${d.tag}`,
  }),
  defineKind({
    kind: 'producing',
    subject: 'culture',
    verb: 'Record producing',
    data: none,
    apply(state, _, entry) {
      state.producing ??= seen(entry)
    },
    tell: () => 'Producing',
  }),
  defineKind({
    kind: 'harvested',
    subject: 'culture',
    verb: 'Record harvest',
    data: z.strictObject({ count: many('Harvest').default(0) }),
    apply(state, { count }, entry) {
      state.producing ??= seen(entry)
      state.harvested += count
      state.lastHarvest = seen(entry)
    },
    check: state =>
      state.failed || state.finished ? { path: 'subject.id', message: `${state.tag} is no longer running` } : null,
    tell: d => (d.count ? `Harvested about ${d.count}` : 'Harvested'),
  }),
  defineKind({
    kind: 'cultureLooked',
    subject: 'culture',
    verb: 'Record look',
    data: none,
    apply(state, _, entry) {
      state.lastLook = seen(entry)
    },
    tell: () => 'Looked at',
  }),
  defineKind({
    kind: 'cultureFailed',
    subject: 'culture',
    verb: 'Record failure',
    data: z.strictObject({ why: z.string().max(300).optional() }),
    apply(state, _, entry) {
      state.failed = seen(entry)
    },
    tell: d => (d.why ? `Failed: ${d.why}` : 'Failed'),
  }),
  defineKind({
    kind: 'cultureFinished',
    subject: 'culture',
    verb: 'Retire culture',
    data: none,
    apply(state, _, entry) {
      state.finished = seen(entry)
    },
    tell: () => 'Retired',
  }),
]

export const preyKinds = [
  defineKind({
    kind: 'preyCounted',
    subject: 'prey',
    verb: 'Count stock',
    data: z.strictObject({ count: many('Count') }),
    apply(state, { count }, entry) {
      state.counted = { day: entry.day, at: entry.at, count, entryId: entry.id }
      state.received = 0
      state.arrivals = []
    },
    tell: d => `Counted ${d.count}`,
  }),
  defineKind({
    kind: 'preyOrdered',
    subject: 'prey',
    verb: 'Record order',
    data: z.strictObject({ count: many('Order'), sure }),
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
    tell: d => `Ordered ${d.count}`,
  }),
  defineKind({
    kind: 'preyReceived',
    subject: 'prey',
    verb: 'Record delivery',
    data: z.strictObject({ count: many('Delivery'), sure }),
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
    tell: d => `Received ${d.count}`,
  }),
]

export const lampKinds = [
  defineKind({
    kind: 'lampFitted',
    subject: 'lamp',
    verb: 'Fit lamp',
    founds: 'lamp',
    data: z.strictObject({
      tag,
      lamp: lineOfText(60, 'A lamp needs a name'),
      placeId: reference('place').nullable().default(null),
      lifeDays: z.number().int().min(1).max(3650),
    }),
    apply() {},
    tell: d => `Fitted ${d.lamp}`,
  }),
  defineKind({
    kind: 'lampReplaced',
    subject: 'lamp',
    verb: 'Record new lamp',
    data: none,
    apply(state, _, entry) {
      state.replaced = seen(entry)
      state.fittedDay = entry.day
    },
    tell: () => 'Replaced',
  }),
]

export const voidKind = defineKind({
  kind: 'void',
  subject: 'entry',
  verb: 'Take back',
  data: none,
  apply() {},
  tell: () => 'Taken back',
})
