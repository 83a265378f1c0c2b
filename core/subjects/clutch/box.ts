import { z } from 'zod'
import { defineKind, type Problem } from '../../log'
import type { ClutchState } from './state'

const grams = (what: string, most = 100_000) =>
  z
    .number({ error: `${what} must be a number of grams` })
    .positive(`${what} is more than nothing`)
    .max(most, `${what}: over ${most / 1000} kg, check the unit`)

const isBox = (state: ClutchState): Problem | null =>
  state.kind === 'eggs' ? null : { path: 'subject.id', message: `${state.tag} is no clutch of eggs in a box` }

/** The box of a clutch: what is in it, what it weighs, and water that was given. */
export const boxKinds = [
  defineKind({
    kind: 'boxSet',
    subject: 'clutch',
    verb: 'Set up box',
    data: z.strictObject({
      medium: z.string().trim().min(1, 'Say what the eggs lie on').max(80, 'At most 80 letters'),
      mediumG: grams('The dry medium').optional(),
      waterG: grams('The water').optional(),
      totalG: grams('The closed box').optional(),
    }),
    apply(state, d, entry) {
      const { medium, mediumG = null, waterG = null, totalG = null } = d
      state.box = { day: entry.day, medium, mediumG, waterG, totalG }
      state.boxWeights = totalG === null ? [] : [{ day: entry.day, totalG }]
      state.watered = []
    },
    check: (state, { mediumG = 0, waterG = 0, totalG }) =>
      isBox(state) ??
      (totalG !== undefined && totalG < mediumG + waterG
        ? { path: 'data.totalG', message: `The box cannot weigh less than what is in it: ${mediumG + waterG} g` }
        : null),
    wording: d =>
      `Box with ${d.medium}${d.mediumG ? `, ${d.mediumG} g` : ''}${d.waterG ? `, ${d.waterG} g of water` : ''}${d.totalG ? `, ${d.totalG} g in all` : ''}`,
  }),
  defineKind({
    kind: 'boxWeighed',
    subject: 'clutch',
    verb: 'Record weight of box',
    data: z.strictObject({ totalG: grams('The closed box') }),
    apply(state, { totalG }, entry) {
      state.boxWeights.push({ day: entry.day, totalG })
    },
    check(state, { totalG }) {
      const { box } = state
      if (!box)
        return {
          path: 'subject.id',
          message: `Write first how the box of ${state.tag} is set up, and what it weighed then`,
        }
      const least = box.mediumG ?? 0
      return totalG <= least
        ? { path: 'data.totalG', message: `The box cannot weigh less than its medium, ${least} g` }
        : null
    },
    wording: d => `Box weighed ${d.totalG} g`,
  }),
  defineKind({
    kind: 'boxWatered',
    subject: 'clutch',
    verb: 'Record water',
    data: z.strictObject({ waterG: grams('The water', 20_000) }),
    apply(state, { waterG }, entry) {
      state.watered.push({ day: entry.day, waterG })
    },
    check: isBox,
    wording: d => `${d.waterG} g of water given`,
  }),
]
