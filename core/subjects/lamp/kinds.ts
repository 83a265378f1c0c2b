import { z } from 'zod'
import { lineOfText, reference } from '../../reference'
import { defineKind, seen } from '../../log'
import { tag } from '../fields'
import { LAMP_SOURCES, LAMP_SOURCE_IDS } from './state'

const none = z.strictObject({})
const distance = z
  .number({ error: 'A distance is a number of cm' })
  .min(1, 'A lamp nearer than 1 cm burns')
  .max(300, 'Further than 3 m: check the unit')

const powerW = z.number({ error: 'Power is a number of watts' }).min(1, 'At least 1 W').max(500, 'Over 500 W: check')
const mesh = z
  .number({ error: 'A share from 0 to 1' })
  .min(0.1, 'Mesh that lets less than a tenth through is a lid')
  .max(1, 'Nothing lets more through than comes')

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
      lifeDays: z
        .number({ error: 'The life must be a number of days' })
        .int('The life must be a whole number of days')
        .min(1, 'At least a day')
        .max(3650, 'Over ten years: check the life'),
      source: z.enum(LAMP_SOURCE_IDS).optional(),
      distanceCm: distance.optional(),
      powerW: powerW.optional(),
      mesh: mesh.nullable().optional(),
      thermostat: z.boolean().optional(),
    }),
    apply() {},
    wording: d => `Fitted ${d.lamp}`,
    fields: {
      lamp: { label: 'Lamp', as: 'text', needed: true, example: 'UVB tube, 39 W' },
      source: { label: 'Kind', as: 'choice', choices: LAMP_SOURCES },
      placeId: { label: 'Place', as: 'place' },
      lifeDays: { label: 'Life', as: 'count', hint: 'days, where nobody measures', needed: true },
    },
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
    data: z
      .strictObject({
        distanceCm: distance.optional(),
        source: z.enum(LAMP_SOURCE_IDS).optional(),
        powerW: powerW.optional(),
        mesh: mesh.nullable().optional(),
        thermostat: z.boolean().optional(),
      })
      .refine(d => Object.values(d).some(value => value !== undefined), { message: 'Nothing is said of the lamp' }),
    apply(state, { distanceCm, source, mesh, ...rest }, entry) {
      if (source) state.source = source
      // readings under another distance or mesh say nothing of how it is now
      if (
        (distanceCm !== undefined && state.distanceCm !== distanceCm) ||
        (mesh !== undefined && (state.mesh ?? null) !== mesh)
      )
        state.hungDay = entry.day
      if (distanceCm !== undefined) state.distanceCm = distanceCm
      if (mesh !== undefined) state.mesh = mesh
      Object.assign(state, rest)
    },
    wording: d =>
      [
        d.distanceCm === undefined ? 'Lamp set' : `Hangs ${d.distanceCm} cm from the spot`,
        ...(d.powerW === undefined ? [] : [`${d.powerW} W`]),
        ...(d.mesh === undefined
          ? []
          : [d.mesh === null ? 'no mesh between' : `mesh lets ${Math.round(d.mesh * 100)} % through`]),
        ...(d.thermostat === undefined ? [] : [d.thermostat ? 'on a thermostat' : 'without a thermostat']),
      ].join(', '),
  }),
]
