import { z } from 'zod'
import { freeText, reference } from '../../reference'
import { defineKind, seen, sure, writtenAgain } from '../../log'
import { dayFromIso } from '../../units'
import { companyQuestion } from '../company'
import { isQuarantine } from '../ways'
import { leavingChecks, leavingQuestion } from './leaving'
import { PREY_STATE_WORDS, offerFields, outcomeFits, saidOf, tellOffer } from './offer'
import { preyQuestion } from './preyQuestion'
import { questionWeight } from './plausibleWeight'
import { quarantineOf, staysInQuarantine } from './quarantine'
import type { AnimalState } from './state'

const MEALS_KEPT = 40
const WEIGHTS_KEPT = 120

/** Heavier than any animal kept here; a gram figure above it is a unit slip. */
const MOST_G = 400_000

const grams = z
  .number({ error: 'The weight must be a number of grams' })
  .positive('A weight must be above 0 g')
  .max(MOST_G, 'No animal here weighs over 400 kg: check the unit')
const short = (what: string) =>
  z.string().trim().min(1, `${what}: write something`).max(40, `${what}: at most 40 letters`)
const prey = reference('feeder')
const count = (what: string) =>
  z
    .number({ error: `${what} must be a number` })
    .int(`${what} must be a whole number`)
    .min(0, `${what} cannot be negative`)
    .max(100_000)

function end(status: AnimalState['status']) {
  return (state: AnimalState, _: unknown, entry: { day: number }) => {
    state.status = status
    state.statusDay = entry.day
  }
}

export const dayKinds = [
  defineKind({
    kind: 'weighed',
    subject: 'animal',
    verb: 'Record weight',
    data: z.strictObject({ massG: grams, sure }),
    check: (state, { massG, sure }, entry, context) => {
      const question = sure ? null : questionWeight(state, massG, entry, context)
      return question === null ? null : { path: 'data.sure', message: question }
    },
    apply(state, { massG }, entry) {
      state.weights.push({ day: entry.day, massG, entryId: entry.id })
      if (state.weights.length > WEIGHTS_KEPT) state.weights.shift()
    },
    wording: ({ massG }) => `Weighed ${massG} g`,
  }),
  defineKind({
    kind: 'fed',
    subject: 'animal',
    verb: 'Record meal',
    data: z
      .strictObject({ prey, offered: count('Offered'), taken: count('Taken'), ...offerFields, sure })
      .refine(d => d.taken <= d.offered, { path: ['taken'], message: 'More taken than offered' })
      .refine(outcomeFits, { path: ['outcome'], message: 'That does not go with how much it took' }),
    check: (state, { prey, offered, taken, manner, state: preyState, sure }, entry, { almanac }) =>
      preyQuestion(state, { prey, sure }, entry, almanac) ??
      writtenAgain(
        sure,
        entry,
        state.meals.some(
          m =>
            m.day === entry.day &&
            m.prey === prey &&
            m.offered === offered &&
            m.taken === taken &&
            m.manner === manner &&
            m.state === preyState,
        ),
        `${state.tag} has this very meal on this day already`,
      ),
    apply(state, said, entry) {
      const { prey, offered, taken } = said
      // a meal of several prey is one refusal
      const sameMeal = state.meals.at(-1)?.at === entry.at
      // what was left in was offered on the day before
      const left = state.leftIn?.find(l => l.prey === prey)
      if (left) {
        const rest = state.leftIn!.filter(l => l !== left)
        if (rest.length) state.leftIn = rest
        else delete state.leftIn
      }
      state.meals.push({
        day: left?.day ?? entry.day,
        at: entry.at,
        prey,
        offered,
        taken,
        entryId: entry.id,
        ...saidOf(said),
      })
      if (state.meals.length > MEALS_KEPT) state.meals.shift()
      if (taken > 0) {
        state.lastTaken = seen(entry)
        state.refusals = 0
      } else if (!sameMeal) state.refusals++
    },
    wording: d => {
      const how = tellOffer(d)
      const took = d.taken < d.offered ? `Took ${d.taken} of ${d.offered}` : `Took ${d.taken}`
      return `${d.taken === 0 ? `Refused ${d.offered}` : took} × ${d.prey}${how ? `: ${how}` : ''}`
    },
  }),
  defineKind({
    kind: 'leftIn',
    subject: 'animal',
    verb: 'Leave prey in',
    data: z.strictObject({
      prey,
      offered: count('Offered').min(1, 'Offered must be at least 1'),
      state: offerFields.state,
      dusted: offerFields.dusted,
      sure,
    }),
    check: (animal, { prey, sure }, entry, { almanac }) =>
      preyQuestion(animal, { prey, sure }, entry, almanac) ??
      writtenAgain(
        sure,
        entry,
        Boolean(animal.leftIn?.some(l => l.prey === prey && l.day === entry.day)),
        `${animal.tag} has this prey in with it already`,
      ),
    apply(animal, { prey, offered, state, dusted }, entry) {
      const item = { ...seen(entry), prey, offered, ...(state && { state }), ...(dusted && { dusted }) }
      // of older prey nothing will be said any more
      animal.leftIn = [...(animal.leftIn ?? []).filter(l => l.day === entry.day), item]
    },
    wording: d => `Left in ${d.offered} × ${d.prey}${d.state ? `, ${PREY_STATE_WORDS[d.state]}` : ''}`,
  }),
  defineKind({
    kind: 'shed',
    subject: 'animal',
    verb: 'Record shed',
    data: z.strictObject({ complete: z.boolean().default(true) }),
    apply(state, _, entry) {
      state.lastShed = seen(entry)
    },
    wording: d => (d.complete ? 'Shed' : 'Shed in pieces'),
  }),
  defineKind({
    kind: 'moved',
    subject: 'animal',
    verb: 'Move',
    data: z.strictObject({ placeId: reference('place'), sure }),
    check: (state, { placeId, sure }, entry, { house, almanac }) => {
      const quarantine =
        sure || entry.source !== 'keeper' || isQuarantine(house.places, placeId)
          ? null
          : quarantineOf(house, state, almanac.common)
      const stays = quarantine && staysInQuarantine(quarantine, entry.day)
      if (stays) return { path: 'data.sure', message: `${state.tag} ${stays}. Move it out of quarantine all the same?` }
      if (sure || entry.source !== 'keeper') return null
      const message = companyQuestion(house, almanac, placeId, [{ ...state, placeId }], state.tag)
      return message === null ? null : { path: 'data.sure', message }
    },
    apply(state, { placeId }, entry) {
      if (placeId !== state.placeId) state.placedDay = entry.day
      state.placeId = placeId
      if (!state.cooled || state.warmed) state.homeId = placeId
    },
    wording: () => 'Moved',
  }),
  defineKind({
    kind: 'noted',
    subject: 'animal',
    verb: 'Write note',
    data: z.strictObject({ text: z.string().min(1, 'Write something').max(2000) }),
    apply() {},
    wording: d => d.text,
  }),
  defineKind({
    kind: 'sold',
    subject: 'animal',
    verb: 'Record sale',
    data: z.strictObject({ to: short('Buyer').optional(), price: short('Price').optional(), sure }),
    fields: { to: { label: 'To whom, by initials', as: 'text' }, price: { label: 'Price', as: 'text' } },
    check(state, { sure }, entry, { house, almanac }) {
      const species = almanac.species[state.speciesId]
      if (sure || entry.source !== 'keeper' || !species) return null
      const checks = leavingChecks(state, species, house, almanac.common, entry.day)
      const message = leavingQuestion(state.tag, checks)
      return message === null ? null : { path: 'data.sure', message }
    },
    apply(state, _, entry) {
      end('sold')(state, null, entry)
      delete state.reserved
    },
    wording: d =>
      `Sold${d.to ? ` to ${d.to}` : ''}${d.price ? `, ${d.price}` : ''}${d.sure ? ', though something spoke against it' : ''}`,
  }),
  defineKind({
    kind: 'ladderSet',
    subject: 'animal',
    verb: 'Set its ladder',
    data: z.strictObject({
      /** Counted from 1; nothing puts it back to its age. */
      step: z
        .number({ error: 'The step must be a number' })
        .int('Steps are whole numbers')
        .min(1, 'Steps are counted from 1')
        .max(60, 'A ladder has at most 60 steps')
        .nullable(),
      /** Nothing puts it back to the step’s. */
      everyDays: z
        .number({ error: 'The interval must be a number of days' })
        .min(1, 'At most once a day')
        .max(120, 'Over four months between meals: check the number')
        .nullable(),
    }),
    apply(state, { step, everyDays }, entry) {
      if (step === null && everyDays === null) delete state.ownLadder
      else state.ownLadder = { ...seen(entry), step: step === null ? null : step - 1, everyDays }
    },
    wording: ({ step, everyDays }) =>
      [
        step === null ? 'On the ladder by its age' : `On step ${step} of the ladder`,
        everyDays !== null && `fed every ${everyDays} ${everyDays === 1 ? 'day' : 'days'}`,
      ]
        .filter(Boolean)
        .join(', '),
  }),
  defineKind({
    kind: 'reserved',
    subject: 'animal',
    verb: 'Reserve',
    data: z.strictObject({
      /** By initials; nothing takes the reservation back. */
      for: short('For whom').nullable(),
      until: z.iso.date('A day is written as 2026-06-12').optional(),
    }),
    check: (_, { for: whom, until }, entry) =>
      whom && until && dayFromIso(until) < entry.day ? { path: 'data.until', message: 'That day is over' } : null,
    apply(state, { for: whom, until }, entry) {
      if (whom) state.reserved = { ...seen(entry), for: whom, until: until ? dayFromIso(until) : null }
      else delete state.reserved
    },
    wording: d => (d.for ? `Reserved for ${d.for}${d.until ? ` until ${d.until}` : ''}` : 'Not reserved any more'),
  }),
  defineKind({
    kind: 'died',
    subject: 'animal',
    verb: 'Record death',
    data: z.strictObject({ cause: freeText(300).optional() }),
    fields: { cause: { label: 'Cause, if known', as: 'text' } },
    apply: end('dead'),
    wording: d => (d.cause ? `Died: ${d.cause}` : 'Died'),
  }),
]
