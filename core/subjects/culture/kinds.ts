import { z } from 'zod'
import { reference } from '../../reference'
import { defineKind, seen } from '../../log'
import { amount, tag } from '../fields'

const none = z.strictObject({})

export const cultureKinds = [
  defineKind({
    kind: 'cultureStarted',
    subject: 'culture',
    verb: 'Start culture',
    founds: 'culture',
    data: z.strictObject({
      tag,
      feederId: reference('feeder'),
      placeId: reference('place').nullable().default(null),
      /** Ordered as a culture that is about to yield. */
      bought: z.literal(true).optional(),
    }),
    apply() {},
    wording: d => `Started ${d.tag}`,
  }),
  defineKind({
    kind: 'producing',
    subject: 'culture',
    verb: 'Record producing',
    data: none,
    apply(state, _, entry) {
      state.producing ??= seen(entry)
    },
    wording: () => 'Producing',
  }),
  defineKind({
    kind: 'harvested',
    subject: 'culture',
    verb: 'Record harvest',
    data: z.strictObject({ count: amount('Harvest').default(0) }),
    apply(state, { count }, entry) {
      state.producing ??= seen(entry)
      state.harvested += count
      state.lastHarvest = seen(entry)
    },
    check: state =>
      state.failed || state.finished ? { path: 'subject.id', message: `${state.tag} is no longer running` } : null,
    wording: d => (d.count ? `Harvested about ${d.count}` : 'Harvested'),
  }),
  defineKind({
    kind: 'cultureLooked',
    subject: 'culture',
    verb: 'Record look',
    data: none,
    apply(state, _, entry) {
      state.lastLook = seen(entry)
    },
    wording: () => 'Looked at',
  }),
  defineKind({
    kind: 'cultureFailed',
    subject: 'culture',
    verb: 'Record failure',
    data: z.strictObject({ why: z.string().max(300).optional() }),
    apply(state, _, entry) {
      state.failed = seen(entry)
    },
    fields: { why: { label: 'Why, if known', as: 'text' } },
    wording: d => (d.why ? `Failed: ${d.why}` : 'Failed'),
  }),
  defineKind({
    kind: 'cultureFinished',
    subject: 'culture',
    verb: 'Retire culture',
    data: none,
    apply(state, _, entry) {
      state.finished = seen(entry)
    },
    wording: () => 'Retired',
  }),
]
