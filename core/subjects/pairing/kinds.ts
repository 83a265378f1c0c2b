import { z } from 'zod'
import { freeText, reference } from '../../reference'
import type { BreedingEvent } from '../../almanac'
import { defineKind, seen, type CheckContext, type Problem } from '../../log'
import { isOneSpecies } from '../oneSpecies'
import { tag } from '../fields'
import { BirthData, LayingData, birthFields, layingFields, tellBirth, tellLaying } from '../laying'
import type { PairingState } from './state'

const none = z.strictObject({})
function femaleAlive(pairing: PairingState, day: number, { house }: CheckContext): Problem | null {
  const dam = house.animals[pairing.damId]
  if (!dam) return { path: 'subject.id', message: 'The dam of this pairing is not in the house' }
  if (dam.sex === 'male')
    return {
      path: 'subject.id',
      message: `${dam.tag} is a male and cannot carry or lay; if it truly did, record that as a proof of its sex first`,
    }
  if (dam.status !== 'alive' && day >= dam.statusDay!)
    return {
      path: 'at',
      message: `${dam.tag} was ${dam.status === 'dead' ? 'dead' : dam.status === 'sold' ? 'sold' : 'not here'} by then`,
    }
  return null
}

function observe(pairing: PairingState, event: BreedingEvent, entry: { day: number; id: string }) {
  const list = (pairing.seen[event] ??= [])
  list.push({ day: entry.day, entryId: entry.id })
}

/** The male goes out: the visit is over. */
function apart(pairing: PairingState, day: number) {
  if (pairing.together) pairing.visits.push({ from: pairing.together.day, to: day })
  pairing.together = null
}

const sign = (kind: Extract<BreedingEvent, string>, verb: string, told: string) =>
  defineKind({
    kind,
    subject: 'pairing',
    verb,
    data: none,
    apply(state, _, entry) {
      observe(state, kind, entry)
    },
    check: (state, _, entry, context) => femaleAlive(state, entry.day, context),
    wording: () => told,
  })

export const pairingKinds = [
  defineKind({
    kind: 'paired',
    subject: 'pairing',
    verb: 'Set pair',
    founds: 'pairing',
    data: z.strictObject({
      tag,
      damId: reference('animal', 'The dam is not in the house'),
      sireId: reference('animal', 'The sire is not in the house').nullable(),
    }),
    fields: { sireId: { label: 'Male', as: 'one', hint: 'empty: unknown', example: 'Unknown' } },
    apply() {},
    check(_, data, entry, { house }) {
      const dam = house.animals[data.damId]!
      const sire = data.sireId ? house.animals[data.sireId]! : null
      if (dam.sex === 'male') return { path: 'data.damId', message: `${dam.tag} is a male` }
      if (!sire) return null
      if (sire.id === dam.id) return { path: 'data.sireId', message: 'An animal is not its own mate' }
      if (sire.sex === 'female') return { path: 'data.sireId', message: `${sire.tag} is a female` }
      if (!isOneSpecies(house, sire.speciesId, dam.speciesId))
        return { path: 'data.sireId', message: 'Dam and sire are of different species' }
      const gone = [dam, sire].find(a => a.status !== 'alive' && entry.day > a.statusDay!)
      return gone
        ? { path: 'data', message: `${gone.tag} is ${gone.status === 'elsewhere' ? 'not kept here' : gone.status}` }
        : null
    },
    wording: () => 'Pair set',
  }),
  defineKind({
    kind: 'introduced',
    subject: 'pairing',
    verb: 'Record introduction',
    data: none,
    apply(state, _, entry) {
      observe(state, 'introduced', entry)
      state.together = seen(entry)
    },
    check: (state, _, entry, context) => {
      const elsewhere = Object.values(context.house.pairings).find(
        p => p.id !== state.id && p.together && ((p.sireId && p.sireId === state.sireId) || p.damId === state.damId),
      )
      if (elsewhere)
        return {
          path: 'subject.id',
          message: `${context.house.animals[elsewhere.sireId === state.sireId && state.sireId ? state.sireId : state.damId]!.tag} is together in ${elsewhere.tag}; record separating first`,
        }
      return femaleAlive(state, entry.day, context)
    },
    wording: () => 'Introduced',
  }),
  defineKind({
    kind: 'separated',
    subject: 'pairing',
    verb: 'Record separating',
    data: none,
    apply(state, _, entry) {
      apart(state, entry.day)
    },
    check: state => (state.together ? null : { path: 'kind', message: `${state.tag} is not together` }),
    wording: () => 'Separated',
  }),
  defineKind({
    kind: 'rejected',
    subject: 'pairing',
    verb: 'Record rejection',
    data: none,
    apply(state, _, entry) {
      state.rejections.push(seen(entry))
      apart(state, entry.day)
    },
    wording: () => 'Rejected, taken apart',
  }),
  defineKind({
    kind: 'injured',
    subject: 'pairing',
    verb: 'Record injury',
    data: z.strictObject({ who: z.enum(['dam', 'sire']).default('dam') }),
    apply(state, d, entry) {
      state.injuries.push({ ...seen(entry), who: d.who })
      apart(state, entry.day)
    },
    wording: d => `${d.who === 'dam' ? 'Female' : 'Male'} injured, taken apart`,
  }),
  defineKind({
    kind: 'folliclesSeen',
    subject: 'pairing',
    verb: 'Record follicles',
    data: z.strictObject({
      mm: z
        .number({ error: 'The size must be a number of millimetres' })
        .positive('A follicle is larger than 0 mm')
        .max(90, 'A follicle over 90 mm: check the unit'),
    }),
    apply(state, { mm }, entry) {
      state.follicles.push({ day: entry.day, mm, entryId: entry.id })
    },
    check: (state, _, entry, context) => femaleAlive(state, entry.day, context),
    wording: d => `Follicles ${d.mm} mm`,
  }),
  defineKind({
    kind: 'copulation',
    subject: 'pairing',
    verb: 'Record lock',
    data: z.strictObject({ confirmed: z.boolean().default(true) }),
    // only lying together is worth writing down, but it starts no clock
    apply(state, data, entry) {
      if (data.confirmed) observe(state, 'copulation', entry)
      const list = data.confirmed ? state.locks : state.layTogether
      list.push(seen(entry))
    },
    check: (state, _, entry, context) => femaleAlive(state, entry.day, context),
    wording: d => (d.confirmed ? 'Lock confirmed' : 'Lay together'),
  }),
  sign('ovulation', 'Record ovulation', 'Ovulated'),
  sign('preLayShed', 'Record pre-lay shed', 'Pre-lay shed'),
  sign('postOvulationShed', 'Record post-ovulation shed', 'Post-ovulation shed'),
  defineKind({
    kind: 'laid',
    subject: 'pairing',
    verb: 'Record laying',
    founds: 'clutch',
    data: LayingData,
    apply(state, _, entry) {
      observe(state, 'laid', entry)
      state.clutchIds.push(entry.id)
    },
    check: (state, _, entry, context) => femaleAlive(state, entry.day, context),
    fields: layingFields,
    wording: tellLaying,
  }),
  defineKind({
    kind: 'born',
    subject: 'pairing',
    verb: 'Record birth',
    founds: 'clutch',
    data: BirthData,
    apply(state, _, entry) {
      observe(state, 'born', entry)
      state.clutchIds.push(entry.id)
    },
    check: (state, _, entry, context) => femaleAlive(state, entry.day, context),
    fields: birthFields,
    wording: tellBirth,
  }),
  defineKind({
    kind: 'pairingEnded',
    subject: 'pairing',
    verb: 'End season',
    data: z.strictObject({ why: freeText(300).optional() }),
    apply(state, _, entry) {
      apart(state, entry.day)
      state.ended = seen(entry)
    },
    wording: d => (d.why ? `Season ended: ${d.why}` : 'Season ended'),
  }),
]
