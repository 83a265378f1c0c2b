import { z } from 'zod'
import { defineKind, seen } from '../kind'
import type { AnimalState } from '../states'

const MEALS_KEPT = 40
const WEIGHTS_KEPT = 120

/** Heavier than any animal kept here; a gram figure above it is a unit slip. */
const MOST_G = 400_000

const grams = z.number({ error: 'The weight must be a number of grams' }).positive('A weight must be above 0 g').max(MOST_G, 'No animal here weighs over 400 kg: check the unit')
const none = z.strictObject({})
const prey = z.string().min(1).max(60)
const count = (what: string) => z.number({ error: `${what} must be a number` }).int(`${what} must be a whole number`).min(0, `${what} cannot be negative`).max(100_000)

function end(status: AnimalState['status']) {
  return (state: AnimalState, _: unknown, entry: { day: number }) => {
    state.status = status
    state.statusDay = entry.day
  }
}

export const animalKinds = [
  defineKind({
    kind: 'weighed', subject: 'animal', verb: 'Record weight', data: z.strictObject({ massG: grams }),
    apply(state, { massG }, entry) {
      state.weights.push({ day: entry.day, massG, entryId: entry.id })
      if (state.weights.length > WEIGHTS_KEPT) state.weights.shift()
    },
    tell: ({ massG }) => `Weighed ${massG} g`,
  }),
  defineKind({
    kind: 'fed', subject: 'animal', verb: 'Record meal',
    data: z.strictObject({ prey, offered: count('Offered'), taken: count('Taken') }).refine(d => d.taken <= d.offered, { path: ['taken'], message: 'More taken than offered' }),
    apply(state, data, entry) {
      state.meals.push({ day: entry.day, ...data, entryId: entry.id })
      if (state.meals.length > MEALS_KEPT) state.meals.shift()
      if (data.taken > 0) {
        state.lastTaken = seen(entry)
        state.refusals = 0
      }
      else state.refusals++
    },
    tell: d => (d.taken === 0 ? `Refused ${d.offered} × ${d.prey}` : `Took ${d.taken}${d.taken < d.offered ? ` of ${d.offered}` : ''} × ${d.prey}`),
  }),
  defineKind({
    kind: 'shed', subject: 'animal', verb: 'Record shed', data: z.strictObject({ complete: z.boolean().default(true) }),
    apply(state, _, entry) { state.lastShed = seen(entry) },
    tell: d => (d.complete ? 'Shed' : 'Shed in pieces'),
  }),
  defineKind({
    kind: 'checked', subject: 'animal', verb: 'Record check', data: z.strictObject({ well: z.boolean().default(true) }),
    apply(state, _, entry) { state.lastCheck = seen(entry) },
    tell: d => (d.well ? 'Looked at, well' : 'Looked at, not well'),
  }),
  defineKind({
    kind: 'moved', subject: 'animal', verb: 'Move', data: z.strictObject({ placeId: z.string().min(1) }),
    apply(state, { placeId }) { state.placeId = placeId },
    check: (_, { placeId }, __, { house }) => (house.places[placeId] ? null : { path: 'data.placeId', message: 'There is no such place' }),
    tell: () => 'Moved',
  }),
  defineKind({
    kind: 'cooledDown', subject: 'animal', verb: 'Record cooling', data: none,
    apply(state, _, entry) {
      state.cooled = seen(entry)
      state.warmed = null
    },
    tell: () => 'Cooled down',
  }),
  defineKind({
    kind: 'warmedUp', subject: 'animal', verb: 'Record warm-up', data: none,
    apply(state, _, entry) { state.warmed = seen(entry) },
    check: state => (state.cooled && !state.warmed ? null : { path: 'kind', message: `${state.tag} is not in the cold` }),
    tell: () => 'Warmed up',
  }),
  defineKind({
    kind: 'noted', subject: 'animal', verb: 'Write note', data: z.strictObject({ text: z.string().min(1, 'Write something').max(2000) }),
    apply() {}, tell: d => d.text,
  }),
  defineKind({ kind: 'sold', subject: 'animal', verb: 'Record sale', data: none, apply: end('sold'), tell: () => 'Sold' }),
  defineKind({
    kind: 'died', subject: 'animal', verb: 'Record death', data: z.strictObject({ cause: z.string().max(300).optional() }), apply: end('dead'),
    tell: d => (d.cause ? `Died: ${d.cause}` : 'Died'),
  }),
]
