import { z } from 'zod'
import { freeText, lineOfText, reference } from '../../reference'
import { defineKind, seen, sure, writtenAgain, type Problem } from '../../log'
import { dayFromIso } from '../../units'
import { companyQuestion } from '../company'
import { amount, tag } from '../fields'
import { BirthData, LayingData, birthFields, layingFields, tellBirth, tellLaying } from '../laying'
import { membersOf } from '../members'
import { youngInGroup } from '../clutch'
import { isOneSpecies } from '../oneSpecies'
import { SEXES, type Sex } from '../sexes'
import { hereOf, inAll, without } from './numbers'
import type { GroupState } from './state'

const MEALS_KEPT = 40
const WEIGHINGS_KEPT = 60
const LOSSES_KEPT = 60
const EATING_KEPT = 20
const MOST = 2_000

const whole = (what: string) =>
  z
    .number({ error: `${what} must be a number` })
    .int(`${what} must be a whole number`)
    .min(0, `${what} cannot be negative`)
    .max(MOST, `${what}: over ${MOST} are a stock, not a group`)
const some = (what: string) => whole(what).min(1, `${what} must be at least 1`)
const bySex = { male: whole('Males').default(0), female: whole('Females').default(0) }
const sex = z.enum(SEXES).optional()
const born = z.iso.date('A day is written as 2026-06-12').nullable()

/** All that is said of a group when it comes into the house. */
export const GroupData = z
  .strictObject({
    tag,
    name: lineOfText(60).nullable().default(null),
    speciesId: reference('species'),
    placeId: reference('place').nullable().default(null),
    born: born.default(null),
    ...bySex,
    unknown: whole('Of unknown sex').default(0),
  })
  .refine(d => inAll(d) > 0, { path: ['unknown'], message: 'A group has at least one animal' })
export type GroupData = z.output<typeof GroupData>

const bornLater = (day: string | null | undefined, today: number): Problem | null =>
  day && dayFromIso(day) > today ? { path: 'data.born', message: 'They cannot be born in the future' } : null

/** Why so many cannot leave: there are not that many, or nobody has said which they were. */
function leaving(state: GroupState, count: number, sex: Sex | undefined, all: number): Problem | null {
  if (count > all) return { path: 'data.count', message: `${state.tag} has ${all}` }
  if (without(state.numbers, count, sex)) return null
  return sex && sex !== 'unknown'
    ? {
        path: 'data.sex',
        message: `${state.tag} has ${state.numbers[sex]} ${sex}${state.numbers[sex] === 1 ? '' : 's'}`,
      }
    : {
        path: 'data.sex',
        message: `Which were they? ${state.tag} has ${state.numbers.male} males, ${state.numbers.female} females and ${state.numbers.unknown} of unknown sex`,
      }
}

/** Takes some out; what cannot be, since an entry before was taken back, leaves nobody rather than fewer than none. */
function takeOut(state: GroupState, count: number, sex: Sex | undefined): void {
  const left = without(state.numbers, count, sex)
  if (left) {
    state.numbers = left
    return
  }
  let still = count
  for (const s of ['unknown', 'female', 'male'] as const) {
    const gone = Math.min(still, state.numbers[s])
    state.numbers = { ...state.numbers, [s]: state.numbers[s] - gone }
    still -= gone
  }
}

/** The missing are never more than belong to it. */
function keepMissing(state: GroupState, count: number): void {
  const most = Math.min(count, inAll(state.numbers))
  state.missing = state.missing && most > 0 ? { ...state.missing, count: most } : null
}

/** Some of those that are there leave it alive. */
const goes = (word: string) => ({
  subject: 'group' as const,
  data: z.strictObject({ count: some(word), sex }),
  apply(state: GroupState, { count, sex }: { count: number; sex?: Sex }) {
    takeOut(state, count, sex)
    keepMissing(state, state.missing?.count ?? 0)
  },
  check: (state: GroupState, { count, sex }: { count: number; sex?: Sex }) => leaving(state, count, sex, hereOf(state)),
})

export const groupKinds = [
  defineKind({
    kind: 'groupAdded',
    subject: 'group',
    verb: 'Add group',
    dayless: true,
    founds: 'group',
    data: GroupData,
    fields: {
      tag: {
        label: 'Tag',
        as: 'text',
        help: 'One word for all: it stands on the glass',
        example: 'F-1',
        needed: true,
      },
      speciesId: { label: 'Species', as: 'species', needed: true },
      male: { label: 'Males', as: 'count' },
      female: { label: 'Females', as: 'count' },
      unknown: { label: 'Not known', as: 'count' },
      born: { label: 'Born about', as: 'day', hint: 'empty = grown', past: true },
      placeId: { label: 'Place', as: 'place' },
      name: { label: 'Name', as: 'text', hint: 'if it has one' },
    },
    apply() {},
    check: (_, data, __, { today }) => bornLater(data.born, today),
    wording: d => `Added as ${d.tag}: ${inAll(d)} without tags`,
  }),
  defineKind({
    kind: 'groupCorrected',
    subject: 'group',
    verb: 'Correct group',
    beforeBeginning: true,
    data: z
      .strictObject({ tag: tag.optional(), name: lineOfText(60).nullable().optional(), born: born.optional() })
      .refine(d => Object.values(d).some(value => value !== undefined), { message: 'Nothing is corrected by this' }),
    apply(state, { tag, name, born }) {
      if (tag !== undefined) state.tag = tag
      if (name !== undefined) state.name = name
      if (born !== undefined) state.bornDay = born === null ? null : dayFromIso(born)
    },
    check: (_, { born }, __, { today }) => bornLater(born, today),
    wording: d =>
      `Corrected: ${Object.entries(d)
        .flatMap(([field, value]) => (value === undefined ? [] : [`${field} ${value ?? 'not known'}`]))
        .join(', ')}`,
  }),
  defineKind({
    kind: 'groupMoved',
    subject: 'group',
    verb: 'Move group',
    data: z.strictObject({ placeId: reference('place'), sure }),
    check: (state, { placeId, sure }, entry, { house, almanac }) => {
      if (sure || entry.source !== 'keeper') return null
      const message = companyQuestion(house, almanac, placeId, membersOf(state), state.tag)
      return message === null ? null : { path: 'data.sure', message }
    },
    apply(state, { placeId }, entry) {
      if (placeId !== state.placeId) state.placedDay = entry.day
      state.placeId = placeId
    },
    wording: () => 'Moved',
  }),
  defineKind({
    kind: 'groupJoined',
    subject: 'group',
    verb: 'Put with the group',
    data: z
      .strictObject({
        ...bySex,
        unknown: whole('Of unknown sex').default(0),
        /** Young of this clutch, which have no tags. */
        clutchId: reference('clutch').optional(),
      })
      .refine(d => inAll(d) > 0, { path: ['unknown'], message: 'Somebody joins, or nothing is written' }),
    fields: { unknown: { label: 'How many', as: 'count', needed: true } },
    apply(state, { male = 0, female = 0, unknown = 0, clutchId }, entry) {
      const { numbers: n } = state
      state.numbers = { male: n.male + male, female: n.female + female, unknown: n.unknown + unknown }
      state.joined.push({ ...seen(entry), at: entry.at, count: male + female + unknown, clutchId: clutchId ?? null })
    },
    check: (state, d, _, { house }) => {
      if (inAll(state.numbers) + inAll(d) > MOST)
        return { path: 'data.unknown', message: `Over ${MOST} are a stock, not a group` }
      if (!d.clutchId) return null
      const clutch = house.clutches[d.clutchId]!
      if (!isOneSpecies(house, clutch.speciesId, state.speciesId))
        return { path: 'data.clutchId', message: `${clutch.tag} is of another species` }
      const young = youngInGroup(clutch)
      return inAll(d) > young
        ? { path: 'data.unknown', message: `${clutch.tag} has ${young} young without tags` }
        : null
    },
    wording: d => `${inAll(d)} joined${d.clutchId ? ', young of a clutch' : ''}`,
  }),
  defineKind({
    kind: 'groupCounted',
    subject: 'group',
    verb: 'Record count',
    data: z.strictObject({ count: whole('Counted'), sure }),
    apply(state, { count }, entry) {
      const known = inAll(state.numbers)
      state.lastCounted = seen(entry)
      state.missing = count < known ? { ...seen(entry), count: known - count } : null
      if (count > known) state.numbers = { ...state.numbers, unknown: state.numbers.unknown + count - known }
    },
    check: (state, { count, sure }, entry) => {
      const known = inAll(state.numbers)
      return count > known && !sure && entry.source === 'keeper'
        ? {
            path: 'data.sure',
            message: `${count} are more than the ${known} that are known of ${state.tag}. Young are written as joined, so that they are fed as young. Is the count right, and they are grown?`,
          }
        : null
    },
    wording: d => `Counted ${d.count}`,
  }),
  defineKind({
    kind: 'groupSexed',
    subject: 'group',
    verb: 'Record sexes',
    data: z.strictObject({ male: whole('Males'), female: whole('Females') }),
    apply(state, { male, female }) {
      const known = inAll(state.numbers)
      state.numbers = { male, female, unknown: Math.max(0, known - male - female) }
    },
    check: (state, { male, female }) =>
      male + female > inAll(state.numbers)
        ? { path: 'data.male', message: `${state.tag} has ${inAll(state.numbers)} in all` }
        : null,
    wording: d => `${d.male} males and ${d.female} females`,
  }),
  defineKind({
    kind: 'groupLost',
    subject: 'group',
    verb: 'Record losses',
    data: z.strictObject({ count: some('Lost'), sex, cause: freeText(300).optional() }),
    apply(state, { count, sex, cause }, entry) {
      takeOut(state, count, sex)
      state.lost = [...state.lost, { ...seen(entry), count, cause: cause ?? null }].slice(-LOSSES_KEPT)
      // what is found dead is one of those that were missing
      keepMissing(state, (state.missing?.count ?? 0) - count)
    },
    check: (state, { count, sex }) => leaving(state, count, sex, inAll(state.numbers)),
    fields: { cause: { label: 'Cause, if known', as: 'text' } },
    wording: d => `Lost ${d.count}${d.cause ? `: ${d.cause}` : ''}`,
  }),
  defineKind({
    ...goes('Sold'),
    kind: 'groupSold',
    verb: 'Record sale',
    wording: d => `Sold ${d.count}`,
  }),
  defineKind({
    ...goes('Tagged'),
    kind: 'groupTagged',
    verb: 'Give tags',
    brings: 'animal',
    wording: d => `${d.count} tagged as animals of their own`,
  }),
  defineKind({
    kind: 'groupOffered',
    subject: 'group',
    verb: 'Record feeding',
    data: z.strictObject({ prey: reference('feeder'), count: amount('Offered in all').min(1, 'At least one'), sure }),
    apply(state, { prey, count }, entry) {
      state.lastFed = seen(entry)
      state.meals = [...state.meals, { ...seen(entry), at: entry.at, prey, count }].slice(-MEALS_KEPT)
    },
    check: (state, { prey, count, sure }, entry) =>
      hereOf(state) > 0
        ? writtenAgain(
            sure,
            entry,
            state.meals.some(m => m.day === entry.day && m.prey === prey && m.count === count),
            `${state.tag} has this very meal on this day already`,
          )
        : { path: 'subject.id', message: `${state.tag} has no mouths to feed` },
    wording: d => `Fed ${d.count} × ${d.prey} to all`,
  }),
  defineKind({
    kind: 'groupSeenEating',
    subject: 'group',
    verb: 'Record how many ate',
    data: z.strictObject({ ate: amount('Seen eating') }),
    apply(state, { ate }, entry) {
      state.seenEating = [...(state.seenEating ?? []), { ...seen(entry), ate, of: hereOf(state) }].slice(-EATING_KEPT)
    },
    check: (state, { ate }) =>
      ate > hereOf(state)
        ? { path: 'data.ate', message: `${ate} cannot have eaten: ${hereOf(state)} of ${state.tag} are there` }
        : null,
    wording: d => `${d.ate} seen eating`,
  }),
  defineKind({
    kind: 'groupWeighed',
    subject: 'group',
    verb: 'Record weight',
    fields: { count: { label: 'So many together (else all)', as: 'count' } },
    data: z.strictObject({
      count: some('Weighed'),
      massG: z
        .number({ error: 'The weight must be a number of grams' })
        .positive('A weight must be above 0 g')
        .max(400_000, 'Over 400 kg: check the unit'),
    }),
    apply(state, { count, massG }, entry) {
      state.weighings = [...state.weighings, { ...seen(entry), count, massG }].slice(-WEIGHINGS_KEPT)
    },
    check: (state, { count, massG }, _, { almanac }) => {
      if (count > hereOf(state)) return { path: 'data.count', message: `${state.tag} has ${hereOf(state)}` }
      const grown = almanac.species[state.speciesId]?.adultMassG.value
      const each = massG / count
      const { groupMostEach, groupLeastEach } = almanac.common
      // grams of all, or of each: the slip that is made most
      return grown && (each > grown * groupMostEach!.value || each < grown * groupLeastEach!.value)
        ? {
            path: 'data.massG',
            message: `${massG} g for ${count} is ${Number(each.toPrecision(2))} g each, and a grown one weighs ${grown} g: write what all weighed together weigh`,
          }
        : null
    },
    wording: d => `${d.count} weighed ${d.massG} g together`,
  }),
  defineKind({
    kind: 'groupLaid',
    subject: 'group',
    verb: 'Record laying',
    founds: 'clutch',
    data: LayingData,
    fields: layingFields,
    apply(state, _, entry) {
      state.clutchIds.push(entry.id)
      state.lastNest = seen(entry)
    },
    check: (state, _, __, { almanac }) => mother(state, almanac.species[state.speciesId]?.mode === 'live'),
    wording: tellLaying,
  }),
  defineKind({
    kind: 'groupBore',
    subject: 'group',
    verb: 'Record birth',
    founds: 'clutch',
    data: BirthData,
    fields: birthFields,
    apply(state, _, entry) {
      state.clutchIds.push(entry.id)
    },
    check: (state, _, __, { almanac }) => mother(state, almanac.species[state.speciesId]?.mode !== 'live'),
    wording: tellBirth,
  }),
  defineKind({
    kind: 'nestLooked',
    subject: 'group',
    verb: 'Record look at nests',
    data: z.strictObject({ found: z.enum(['nothing', 'slug']).default('nothing') }),
    apply(state, _, entry) {
      state.lastNest = seen(entry)
    },
    wording: d => (d.found === 'slug' ? 'Nests looked through: a slug' : 'Nests looked through: nothing'),
  }),
  defineKind({
    kind: 'groupNoted',
    subject: 'group',
    verb: 'Write note',
    data: z.strictObject({ text: z.string().min(1, 'Write something').max(2000) }),
    apply() {},
    wording: d => d.text,
  }),
]

/** Whether one of them can have laid or given birth. */
function mother({ tag, numbers }: GroupState, otherWay: boolean): Problem | null {
  if (otherWay) return { path: 'kind', message: `${tag} is of a species that does not bear its young so` }
  return numbers.female + numbers.unknown > 0
    ? null
    : { path: 'subject.id', message: `${tag} has males only; if one laid, write the sexes of the group first` }
}
