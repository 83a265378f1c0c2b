import { z } from 'zod'
import { lineOfText, reference } from '../../reference'
import { defineKind, seen } from '../../log'
import { tag } from '../fields'

const none = z.strictObject({})

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
    },
    wording: () => 'Replaced',
  }),
]
