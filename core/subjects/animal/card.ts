import { z } from 'zod'
import { defineKind, type CheckContext, type DatedEntry, type FieldHint, type Problem } from '../../log'
import { impossibleParent } from '../../pedigree'
import { lineOfText, reference } from '../../reference'
import { dayFromIso, dayToIso } from '../../units'
import { tag } from '../fields'
import { isOneSpecies, rootIn } from '../oneSpecies'
import { relativeOf } from './lineage'
import type { AnimalCard, AnimalState } from './state'

const EARLIEST_BIRTH = Date.UTC(1850, 0, 1)

const born = z.iso
  .date('A day is written as 2026-06-12')
  .refine(d => !(Date.parse(d) < EARLIEST_BIRTH), 'Nothing that is kept was born before 1850: check the year')
const sex = z.enum(['male', 'female', 'unknown'])
const name = lineOfText(60)

/** All that is said of an animal when it comes into the house. */
export const AnimalData = z.strictObject({
  tag,
  name: name.nullable().default(null),
  speciesId: reference('species'),
  sex: sex.default('unknown'),
  born: born.nullable().default(null),
  placeId: reference('place').nullable().default(null),
  damId: reference('animal').nullable().default(null),
  sireId: reference('animal').nullable().default(null),
  /** The clutch it came out of. */
  clutchId: z.string().max(80).nullable().default(null),
  /** The group without tags that it was tagged out of. */
  groupId: z.string().max(80).nullable().optional(),
  /** The entry by which it was tagged out of a group; with that one it leaves. */
  taggedBy: reference('entry').nullable().default(null),
})
export type AnimalData = z.output<typeof AnimalData>

/** What stands on the card of an animal by the entry that added it. */
export function cardOf(entry: Pick<DatedEntry, 'id' | 'data'>): AnimalCard {
  const { born, taggedBy, ...rest } = entry.data as AnimalData
  return { id: entry.id, ...rest, bornDay: born === null ? null : dayFromIso(born), foundedBy: taggedBy }
}

/** When something came into the house, and who says so. */
export type Arrival = Pick<DatedEntry, 'at' | 'day' | 'source'>

/** The entry that brings an animal into the house, by what stands on its card. */
export function animalAdded({ id, bornDay, foundedBy, ...rest }: AnimalCard, arrival: Arrival): DatedEntry {
  const data: AnimalData = { ...rest, born: bornDay === null ? null : dayToIso(bornDay), taggedBy: foundedBy }
  return { id, ...arrival, subject: { type: 'animal', id }, kind: 'animalAdded', data }
}

const bornLater = (day: string | null | undefined, today: number): Problem | null =>
  day && dayFromIso(day) > today ? { path: 'data.born', message: 'It cannot be born in the future' } : null

function parentsFit(data: AnimalData, entry: DatedEntry, { house, almanac }: CheckContext): Problem | null {
  const card = cardOf({ id: entry.id, data })
  const child = { ...card, speciesId: rootIn(house, card.speciesId), diedDay: null }
  for (const role of ['dam', 'sire'] as const) {
    const id = data[`${role}Id`]
    const why = id ? impossibleParent(child, relativeOf(house.animals[id]!, house), role, almanac.common) : null
    if (why) return { path: `data.${role}Id`, message: why }
  }
  return null
}

const parentsOf = ({ damId, sires }: AnimalState) => [
  ...(damId ? [{ id: damId, role: 'dam' as const }] : []),
  ...sires.map(({ id }) => ({ id, role: 'sire' as const })),
]

/**
 * A species is corrected only while nothing follows from it: a pair, a clutch, parents, young, a winter group, genes.
 */
function speciesInUse(animal: AnimalState, { house }: CheckContext): string | null {
  if (Object.values(house.pairings).some(p => p.damId === animal.id || p.sireId === animal.id))
    return 'is set in a pair'
  if (animal.damId || animal.sires.length) return 'has parents of its species'
  if (Object.values(house.animals).some(a => a.damId === animal.id || a.sires.some(s => s.id === animal.id)))
    return 'has young of its species'
  if (Object.values(house.winters).some(w => !w.ended && Object.hasOwn(w.members, animal.id)))
    return 'is in a winter group of its species'
  return Object.keys(animal.genes).length || Object.keys(animal.looks).length ? 'has genes stated of its species' : null
}

const SEX_WORDS = { unknown: 'unknown', female: 'female', male: 'male' }
const NAME_FIELD: FieldHint = { label: 'Name', as: 'text', hint: 'if it has one' }
const BORN_FIELD: FieldHint = { label: 'Born or hatched', as: 'day', hint: 'if known', past: true }

export const cardKinds = [
  defineKind({
    kind: 'animalAdded',
    subject: 'animal',
    verb: 'Add animal',
    dayless: true,
    founds: 'animal',
    data: AnimalData,
    fields: {
      tag: { label: 'Tag', as: 'text', example: 'K-10', needed: true },
      speciesId: { label: 'Species', as: 'species', needed: true },
      sex: { label: 'Sex', as: 'choice', choices: SEX_WORDS },
      born: BORN_FIELD,
      placeId: { label: 'Place', as: 'place' },
      name: NAME_FIELD,
    },
    apply() {},
    check: (_, data, entry, context) => bornLater(data.born, context.today) ?? parentsFit(data, entry, context),
    wording: d => `Added as ${d.tag}`,
  }),
  defineKind({
    kind: 'animalCorrected',
    subject: 'animal',
    verb: 'Correct card',
    afterLeaving: true,
    beforeBeginning: true,
    fields: {
      tag: { label: 'Tag', as: 'text', needed: true },
      name: NAME_FIELD,
      speciesId: {
        label: 'Species',
        as: 'species',
        help: 'Another species only while no pair, young, parents or genes follow from it; another type of it at any time',
      },
      sex: {
        label: 'Sex, as it was first said',
        as: 'choice',
        choices: SEX_WORDS,
        help: 'What was found out since is not changed by this',
      },
      born: BORN_FIELD,
    },
    data: z
      .strictObject({
        tag: tag.optional(),
        name: name.nullable().optional(),
        speciesId: reference('species').optional(),
        sex: sex.optional(),
        born: born.nullable().optional(),
      })
      .refine(d => Object.values(d).some(value => value !== undefined), { message: 'Nothing is corrected by this' }),
    apply(state, { tag, name, speciesId, sex, born }) {
      if (tag !== undefined) state.tag = tag
      if (name !== undefined) state.name = name
      if (speciesId !== undefined) state.speciesId = speciesId
      if (born !== undefined) state.bornDay = born === null ? null : dayFromIso(born)
      if (sex === undefined) return
      // what was found out since stands: only what was said in the beginning is corrected
      if (state.sex === state.statedSex && !state.sexSettled) state.sex = sex
      state.statedSex = sex
    },
    check: (state, { speciesId, born, sex }, _, context) => {
      const future = bornLater(born, context.today)
      if (future) return future
      if (
        born &&
        (context.records.entries.get(`animal:${state.id}`) ?? []).some(
          e => e.id !== state.id && e.kind !== 'animalCorrected' && e.day < dayFromIso(born),
        )
      )
        return { path: 'data.born', message: `Entries of ${state.tag} lie before this day` }
      const child = {
        ...relativeOf(state, context.house),
        ...(born !== undefined && { bornDay: born === null ? null : dayFromIso(born) }),
        ...(sex && { sex }),
      }
      for (const { id, role } of parentsOf(state)) {
        const parent = context.house.animals[id]
        const why =
          parent && born
            ? impossibleParent(child, relativeOf(parent, context.house), role, context.almanac.common)
            : null
        if (why) return { path: 'data.born', message: why }
      }
      for (const other of Object.values(context.house.animals)) {
        const role = other.damId === state.id ? 'dam' : other.sires.some(s => s.id === state.id) ? 'sire' : null
        const why = role
          ? impossibleParent(relativeOf(other, context.house), child, role, context.almanac.common)
          : null
        if (why) return { path: sex ? 'data.sex' : 'data.born', message: why }
      }
      const pair =
        sex && sex !== 'unknown'
          ? Object.values(context.house.pairings).find(p => (sex === 'male' ? p.damId : p.sireId) === state.id)
          : undefined
      if (pair)
        return { path: 'data.sex', message: `${state.tag} is the ${sex === 'male' ? 'female' : 'male'} of ${pair.tag}` }
      const other = speciesId !== undefined && !isOneSpecies(context.house, speciesId, state.speciesId)
      const inUse = other ? speciesInUse(state, context) : null
      return inUse ? { path: 'data.speciesId', message: `${state.tag} ${inUse}: take that back first` } : null
    },
    wording: d => {
      const parts = Object.entries(d).flatMap(([field, value]) =>
        value === undefined ? [] : [`${FIELD_WORDS[field as keyof typeof FIELD_WORDS]} ${value ?? 'not known'}`],
      )
      return `Corrected: ${parts.join(', ')}`
    },
  }),
]

const FIELD_WORDS = { tag: 'tag', name: 'name', speciesId: 'species', sex: 'sex', born: 'born' }
