import { z } from 'zod'
import { lineOfText, reference } from '../../reference'
import { defineKind, seen } from '../../log'
import { tag } from '../fields'
import { LAMP_SOURCE_IDS } from './state'

const none = z.strictObject({})
const distance = z
  .number({ error: 'A distance is a number of cm' })
  .min(1, 'A lamp nearer than 1 cm burns')
  .max(300, 'Further than 3 m: check the unit')

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
      source: z.enum(LAMP_SOURCE_IDS).optional(),
      distanceCm: distance.optional(),
    }),
    apply() {},
    wording: d => `Fitted ${d.lamp}`,
  }),
  defineKind({
    kind: 'lampReplaced',
    subject: 'lamp',
    verb: 'Record new lamp',
    data: none,
    apply(state, _, entry) {
      state.replaced = seen(entry)
      state.fittedDay = entry.day
      state.hungDay = entry.day
    },
    wording: () => 'Replaced',
  }),
  defineKind({
    kind: 'lampHung',
    subject: 'lamp',
    verb: 'Hang lamp',
    data: z.strictObject({ distanceCm: distance, source: z.enum(LAMP_SOURCE_IDS).optional() }),
    apply(state, { distanceCm, source }, entry) {
      if (source) state.source = source
      if (state.distanceCm !== distanceCm) state.hungDay = entry.day
      state.distanceCm = distanceCm
    },
    wording: d => `Hangs ${d.distanceCm} cm from the spot`,
  }),
]
