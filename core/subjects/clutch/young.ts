import { z } from 'zod'
import { lookLikelihood } from '../../genetics'
import { defineKind, seen, sure, writtenAgain } from '../../log'
import { reference } from '../../reference'
import { locusFor, problemOf } from '../locus'
import { some, sum } from './counts'
import type { ClutchState } from './state'

/** Tadpoles of a spawn that have not turned yet; the rest of the losses fall on them first. */
export function tadpolesLeft(c: ClutchState): number {
  return c.kind === 'spawn' ? Math.max(0, sum(c.hatched) - sum(c.metamorphosed) - c.youngLost) : 0
}

/** Young of a clutch that were put with a group without tags, by an instant or in all. */
const grouped = ({ grouped }: ClutchState, at: string | null): number =>
  sum(at === null ? grouped : grouped.filter(g => g.at <= at))

/**
 * Young on land that are alive, here, and not yet tagged as animals of their own.
 * @param at the instant by which they were put with a group, for what was written then
 */
export function youngInGroup(c: ClutchState, at: string | null = null): number {
  const out = c.kind === 'spawn' ? sum(c.metamorphosed) : sum(c.hatched)
  const lostOnLand =
    c.kind === 'spawn' ? Math.max(0, c.youngLost - Math.max(0, sum(c.hatched) - sum(c.metamorphosed))) : c.youngLost
  return Math.max(0, out - lostOnLand - c.tagged - c.sold - grouped(c, at))
}

/** What tadpoles eat, and nobody on land does. */
export const TADPOLE_FOOD = 'flake'

/** Whether a meal is that of the tadpoles. */
const isForTadpoles = (c: ClutchState, prey: string, at: string): boolean =>
  c.kind === 'spawn' && (prey === TADPOLE_FOOD || youngInGroup(c, at) === 0)

/** Young and tadpoles of a clutch: they eat, die, are sold, get tags, and show looks. */
export const youngKinds = [
  defineKind({
    kind: 'metamorphosed',
    subject: 'clutch',
    verb: 'Record froglets',
    data: z.strictObject({ count: some('Froglets') }),
    apply(state, { count }, entry) {
      state.metamorphosed.push({ day: entry.day, count, entryId: entry.id })
    },
    check: (state, { count }) => {
      if (state.kind !== 'spawn') return { path: 'kind', message: 'Only tadpoles turn into froglets' }
      return count > tadpolesLeft(state)
        ? { path: 'data.count', message: `${state.tag} has ${tadpolesLeft(state)} tadpoles` }
        : null
    },
    wording: d => `${d.count} came on land`,
  }),
  defineKind({
    kind: 'groupFed',
    subject: 'clutch',
    verb: 'Record feeding',
    data: z.strictObject({
      prey: reference('feeder'),
      each: z.number().positive('At least a little each').max(1000),
      sure,
    }),
    apply(state, { prey, each }, entry) {
      const forTadpoles = isForTadpoles(state, prey, entry.at)
      if (forTadpoles) state.tadpolesFed = { ...seen(entry), prey, each }
      else {
        state.firstFed ??= seen(entry)
        state.lastFed = { ...seen(entry), prey, each }
      }
      state.meals.push({
        day: entry.day,
        at: entry.at,
        prey,
        count: each * (forTadpoles ? tadpolesLeft(state) : youngInGroup(state, entry.at)),
      })
    },
    check: (state, { prey, each, sure }, entry) =>
      youngInGroup(state) + tadpolesLeft(state) > 0
        ? writtenAgain(
            sure,
            entry,
            [state.lastFed, state.tadpolesFed].some(
              fed => fed?.day === entry.day && fed.prey === prey && fed.each === each,
            ),
            `${state.tag} was fed the same on this day already`,
          )
        : { path: 'subject.id', message: `${state.tag} has no mouths to feed` },
    wording: d => `Fed, ${d.each} × ${d.prey} each`,
  }),
  defineKind({
    kind: 'youngLost',
    subject: 'clutch',
    verb: 'Record losses',
    data: z.strictObject({ count: some('Lost young') }),
    apply(state, { count }, entry) {
      state.youngLost += count
      state.parted = [...(state.parted ?? []), { ...seen(entry), count, how: 'lost' }]
    },
    check: (state, { count }) => {
      const alive = youngInGroup(state) + tadpolesLeft(state)
      return count > alive ? { path: 'data.count', message: `${state.tag} has ${alive} alive` } : null
    },
    wording: d => `Lost ${d.count}`,
  }),
  defineKind({
    kind: 'youngSold',
    subject: 'clutch',
    verb: 'Record sale of young',
    data: z.strictObject({ count: some('Sold') }),
    apply(state, { count }, entry) {
      state.sold += count
      state.parted = [...(state.parted ?? []), { ...seen(entry), count, how: 'sold' }]
    },
    check: (state, { count }) =>
      count > youngInGroup(state)
        ? { path: 'data.count', message: `${state.tag} has ${youngInGroup(state)} young to sell` }
        : null,
    wording: d => `Sold ${d.count}`,
  }),
  defineKind({
    kind: 'tagged',
    subject: 'clutch',
    verb: 'Give tags',
    brings: 'animal',
    data: z.strictObject({ count: some('Tagged') }),
    apply(state, { count }) {
      state.tagged += count
    },
    check: (state, { count }) =>
      count > youngInGroup(state)
        ? { path: 'data.count', message: `${state.tag} has ${youngInGroup(state)} young without a tag` }
        : null,
    wording: d => `${d.count} tagged as animals of their own`,
  }),
  defineKind({
    kind: 'clutchEnded',
    subject: 'clutch',
    verb: 'Close clutch',
    data: z.strictObject({ sure }),
    check: (state, { sure }, entry) => {
      const alive = youngInGroup(state) + tadpolesLeft(state)
      return alive && !sure && entry.source === 'keeper'
        ? {
            path: 'data.sure',
            message: `${state.tag} has ${alive} living young without tags; closed, they are neither fed nor counted any more. Close it all the same?`,
          }
        : null
    },
    apply(state, _, entry) {
      state.ended = seen(entry)
    },
    wording: () => 'Clutch closed',
  }),
  defineKind({
    kind: 'looksCounted',
    subject: 'clutch',
    verb: 'Count looks',
    data: z.strictObject({
      locusId: reference('locus'),
      counts: z
        .array(
          z.strictObject({
            look: z.string().max(80),
            count: z.number().int('Whole young only').min(0, 'A count cannot be negative').max(10_000),
          }),
        )
        .min(1)
        .max(30),
    }),
    check: (state, d, _, { house }) => {
      const locus = locusFor(house, d.locusId, state.speciesId)
      if ('message' in locus) return locus
      const born = state.hatched.reduce((sum, h) => sum + h.count, 0)
      const counted = d.counts.reduce((sum, c) => sum + c.count, 0)
      if (counted > Math.max(born, youngInGroup(state)))
        return { path: 'data.counts', message: `${counted} counted, but ${born} came out of ${state.tag}` }
      return (
        d.counts.map((c, i) => problemOf(`data.counts.${i}.look`, () => lookLikelihood(locus, c.look))).find(p => p) ??
        null
      )
    },
    // a later count of the same locus replaces the earlier
    apply(state, d, entry) {
      state.looksCounted = [...state.looksCounted.filter(c => c.locusId !== d.locusId), { ...d, ...seen(entry) }]
    },
    wording: d => `Looks counted: ${d.counts.map(c => `${c.count} ${c.look || 'wild'}`).join(', ')}`,
  }),
]
