import { z } from 'zod'
import { defineKind, seen, type Problem } from '../../log'
import { counted } from '../../units'
import type { ClutchState } from './state'
import { TADPOLE_HOMES, TADPOLE_HOME_WORDS } from './tadpoleHomes'

const isSpawn = (state: ClutchState): Problem | null =>
  state.kind === 'spawn' ? null : { path: 'subject.id', message: `${state.tag} has no tadpoles` }

export const tadpoleKinds = [
  defineKind({
    kind: 'tadpoleMeasured',
    subject: 'clutch',
    verb: 'Record length of tadpoles',
    data: z.strictObject({
      mm: z
        .number({ error: 'The length must be a number of mm' })
        .min(2, 'A tadpole under 2 mm: check the unit')
        .max(250, 'A tadpole over 25 cm: check the unit'),
    }),
    apply(state, { mm }, entry) {
      state.tadpoleLengths = [...(state.tadpoleLengths ?? []), { day: entry.day, mm }]
    },
    check: isSpawn,
    wording: d => `Tadpoles measured ${d.mm} mm, tip of the mouth to tip of the tail`,
  }),
  defineKind({
    kind: 'tadpolesHoused',
    subject: 'clutch',
    verb: 'Say how tadpoles are kept',
    data: z.strictObject({
      how: z.enum(TADPOLE_HOMES),
      boxes: z.number().int('Whole boxes only').min(1, 'One box at least').max(5000).optional(),
    }),
    apply(state, { how, boxes }, entry) {
      state.housed = { ...seen(entry), how, boxes: boxes ?? null }
    },
    check: isSpawn,
    wording: ({ how, boxes }) => {
      const kept = boxes && (how === 'cups' ? counted(boxes, 'cup') : counted(boxes, 'box', 'boxes'))
      return `Tadpoles kept ${TADPOLE_HOME_WORDS[how]}${kept ? `: ${kept}` : ''}`
    },
  }),
  defineKind({
    kind: 'waterChanged',
    subject: 'clutch',
    verb: 'Record change of water',
    data: z.strictObject({ cloudy: z.boolean().optional() }),
    apply(state, _, entry) {
      state.waterChanged = seen(entry)
    },
    check: isSpawn,
    wording: d => (d.cloudy ? 'Water changed: it was cloudy' : 'Water changed'),
  }),
]
