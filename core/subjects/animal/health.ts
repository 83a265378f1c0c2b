import { z } from 'zod'
import { defineKind, seen, type DatedEntry } from '../../log'
import { freeText, lineOfText, reference } from '../../reference'
import { dayFromIso } from '../../units'
import { dayText } from '../fields'
import type { AnimalState, Treatment } from './state'

/** Meals that came up and are kept in mind. */
const BROUGHT_UP_KEPT = 10

/** Doses given that are kept in mind of a treatment: the longest course. */
const MOST_DOSES = 400

const running = (state: AnimalState, of: string): Treatment | undefined =>
  state.treatments?.find(t => t.entryId === of && !t.ended)
const noneRuns = (state: AnimalState, { of }: { of: string }) =>
  running(state, of) ? null : { path: 'data.of', message: `${state.tag} has no such treatment running` }

function change(state: AnimalState, of: string, to: (t: Treatment) => Treatment): void {
  state.treatments = state.treatments?.map(t => (t.entryId === of ? to(t) : t))
}

/** A dose more; after the last of the course it has ended. */
const withDose = (t: Treatment, { day }: DatedEntry): Treatment => {
  const given = [...t.given, day]
  return { ...t, given, ended: given.length >= t.times }
}

/** What is written of an animal that is not well: what was seen, what the vet said, and what is given by their word. */
export const healthKinds = [
  defineKind({
    kind: 'broughtUp',
    subject: 'animal',
    verb: 'Record meal brought up',
    data: z.strictObject({ prey: reference('feeder').optional() }),
    apply(state, _, entry) {
      state.broughtUp = [...(state.broughtUp ?? []), seen(entry)].slice(-BROUGHT_UP_KEPT)
    },
    wording: () => 'Brought up its meal',
  }),
  defineKind({
    kind: 'tailDropped',
    subject: 'animal',
    verb: 'Record dropped tail',
    data: z.strictObject({}),
    apply(state, _, entry) {
      state.tailDropped = seen(entry)
    },
    wording: () => 'Dropped its tail',
  }),
  defineKind({
    kind: 'droppingsTested',
    subject: 'animal',
    verb: 'Record test of droppings',
    data: z.strictObject({ clear: z.boolean(), note: freeText(300).optional() }),
    apply(state, { clear }, entry) {
      state.droppings = { ...seen(entry), clear }
    },
    wording: d => `Droppings tested: ${d.clear ? 'clear' : 'not clear'}${d.note ? `; ${d.note}` : ''}`,
  }),
  defineKind({
    kind: 'vetSeen',
    subject: 'animal',
    verb: 'Record vet visit',
    data: z.strictObject({
      said: lineOfText(500, 'Say what the vet found or said'),
      /** When to come again. */
      again: dayText.optional(),
    }),
    fields: {
      said: { label: 'What the vet said', as: 'text', needed: true },
      again: { label: 'Again on', as: 'day', hint: 'may stay empty' },
    },
    check: (_, { again }, entry) =>
      again && dayFromIso(again) < entry.day ? { path: 'data.again', message: 'That is before this visit' } : null,
    apply(state, { said, again }, entry) {
      state.vet = { ...seen(entry), said, again: again ? dayFromIso(again) : null }
    },
    wording: d => `Vet: ${d.said}${d.again ? `; again on ${d.again}` : ''}`,
  }),
  defineKind({
    kind: 'treatmentStarted',
    subject: 'animal',
    verb: 'Begin treatment',
    data: z.strictObject({
      what: lineOfText(120, 'Say what is given'),
      /** In the vet's words: the program knows no dose. */
      dose: lineOfText(160, 'Write the dose as the vet gave it'),
      everyDays: z
        .number({ error: 'Every how many days?' })
        .min(0.25, 'At most four times a day')
        .max(60, 'At least every 60 days'),
      times: z
        .number({ error: 'How often in all?' })
        .int('A whole number of times')
        .min(1, 'At least once')
        .max(MOST_DOSES, `At most ${MOST_DOSES} times`),
    }),
    fields: {
      what: { label: 'What is given', as: 'text', needed: true },
      dose: { label: 'Dose, in the vet’s words', as: 'text', needed: true },
      everyDays: { label: 'How often', as: 'one', needed: true },
      times: { label: 'Times in all', as: 'count', needed: true },
    },
    apply(state, { what, dose, everyDays, times }, entry) {
      state.treatments = [
        ...(state.treatments ?? []).filter(t => !t.ended),
        { ...seen(entry), what, dose, everyDays, times, given: [], ended: false },
      ]
    },
    wording: d => `Treatment begun: ${d.what}, ${d.dose}, ${d.times} times`,
  }),
  defineKind({
    kind: 'treated',
    subject: 'animal',
    verb: 'Record treatment',
    data: z.strictObject({ of: z.string().min(1).max(80) }),
    check: noneRuns,
    apply(state, { of }, entry) {
      change(state, of, t => withDose(t, entry))
    },
    wording: () => 'Treatment given',
  }),
  defineKind({
    kind: 'treatmentEnded',
    subject: 'animal',
    verb: 'End treatment',
    data: z.strictObject({ of: z.string().min(1).max(80), why: lineOfText(200, 'Say why').optional() }),
    check: noneRuns,
    apply(state, { of }) {
      change(state, of, t => ({ ...t, ended: true }))
    },
    wording: d => `Treatment ended${d.why ? `: ${d.why}` : ''}`,
  }),
]

/** Weights that can be compared with today's: a tail that was dropped is gone from the scale. */
export const comparableWeights = ({
  weights,
  tailDropped,
}: Pick<AnimalState, 'weights' | 'tailDropped'>): AnimalState['weights'] =>
  tailDropped ? weights.filter(w => w.day >= tailDropped.day) : weights

/** Doses that are still to be given on a day: 0 when the next is due later. */
export function dosesDue({ day, everyDays, times, given, ended }: Treatment, today: number): number {
  if (ended || today < day) return 0
  const left = times - given.length
  if (everyDays < 1) {
    const aDay = Math.round(1 / everyDays)
    return Math.max(0, Math.min(left, aDay - given.filter(d => d === today).length))
  }
  const last = given.at(-1)
  return last === undefined || today >= last + Math.round(everyDays) ? Math.min(1, left) : 0
}
