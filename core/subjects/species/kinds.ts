import { z } from 'zod'
import {
  AlmanacError,
  SPECIES_PARTS,
  Species,
  partWords,
  speciesProblem,
  withOverrides,
  withRows,
  shippedAlmanac,
} from '../../almanac'
import { defineKind, type House, type Problem } from '../../log'
import { lineOfText, reference } from '../../reference'
import { ownRows } from '../ownRows'
import { ownNumbers } from '../ownNumbers'
import type { SpeciesState } from './state'

const inside = (schema: z.ZodType): z.ZodType =>
  schema instanceof z.ZodOptional ? (schema.unwrap() as z.ZodType) : schema

/** Each part of a species, or null where it is said not to be known. */
const Parts = z.strictObject(
  Object.fromEntries(SPECIES_PARTS.map(p => [p, inside(Species.shape[p]).nullable().optional()])),
)
/** What a species is cannot change under animals that are kept of it. */
const ChangedParts = Parts.omit({ mode: true, group: true })

const SpeciesAdded = z.strictObject({
  name: lineOfText(80, 'A name is needed'),
  latin: lineOfText(80).default(''),
  /** The relative that is taken over, or the species that this is a type of; null when all parts are given. */
  from: reference('species').nullable(),
  type: z.boolean().default(false),
  parts: Parts.default({}),
})
export type SpeciesAdded = z.output<typeof SpeciesAdded>

/** What speaks against the almanac with this row in it, said of fields of the entry. */
function problemWith(house: House, row: SpeciesState): Problem | null {
  const rows = ownRows(house)
  const species = [...rows.species.filter(s => s.id !== row.id), row]
  const { almanac, refused } = withRows(shippedAlmanac, species, rows.feeders)
  const refusal = refused.find(r => r.id === row.id)
  if (refusal) return { path: 'data.from', message: refusal.message }
  const relative = row.added ? (row.from === null ? null : almanac.species[row.from]) : shippedAlmanac.species[row.id]
  if (relative?.sexing?.venomous && !almanac.species[row.id]?.sexing?.venomous)
    return {
      path: 'data.parts.sexing',
      message: `${relative.name} is venomous: that stays said of it and of what is like it`,
    }
  // what takes over from it follows it
  for (const id of [row.id, ...species.filter(s => s.added && s.from === row.id).map(s => s.id)]) {
    const made = almanac.species[id]
    const problem = made && speciesProblem(made, almanac)
    if (!problem) continue
    const path = ['name', 'latin'].includes(problem.path) ? `data.${problem.path}` : `data.parts.${problem.path}`
    return { path, message: id === row.id ? problem.message : `${made.name} follows it: ${problem.message}` }
  }
  try {
    withOverrides(almanac, ownNumbers(house))
    return null
  } catch (error) {
    if (!(error instanceof AlmanacError)) throw error
    return {
      path: 'data.parts',
      message: `A number of your own stands on what this changes; put it back first. ${error.message}`,
    }
  }
}

const rowOf = (id: string, data: SpeciesAdded): SpeciesState => ({
  id,
  added: true,
  from: data.from,
  type: data.type,
  name: data.name,
  latin: data.latin,
  parts: data.parts as SpeciesState['parts'],
  retired: false,
})

const SpeciesChanged = z
  .strictObject({
    name: lineOfText(80, 'A name is needed').optional(),
    latin: lineOfText(80).optional(),
    parts: ChangedParts.optional(),
    /** Parts that go back to what is shipped, or borrowed. */
    back: z.array(z.enum(SPECIES_PARTS)).max(SPECIES_PARTS.length).optional(),
  })
  .refine(d => Object.keys(d).length > 0, 'Nothing is changed')

function change(state: SpeciesState, { name, latin, parts, back }: z.output<typeof SpeciesChanged>): void {
  if (name !== undefined) state.name = name
  if (latin !== undefined) state.latin = latin
  const now = Object.entries({ ...state.parts, ...(parts as SpeciesState['parts'] | undefined) })
  state.parts = Object.fromEntries(now.filter(([part]) => !back?.some(b => b === part)))
}

export const speciesKinds = [
  defineKind({
    kind: 'speciesAdded',
    subject: 'species',
    verb: 'Add species',
    founds: 'species',
    dayless: true,
    data: SpeciesAdded,
    apply() {},
    check: (_, data, { id }, { house }) => {
      if (data.type && data.from === null)
        return { path: 'data.from', message: 'A type is a type of a species: name that one' }
      if (data.type && (data.parts.mode || data.parts.group))
        return { path: 'data.parts', message: 'A type bears its young as its species does' }
      return problemWith(house, rowOf(id, data))
    },
    wording: d => `${d.type ? 'Type' : 'Species'} ${d.name} added`,
  }),
  defineKind({
    kind: 'speciesChanged',
    subject: 'species',
    verb: 'Change species',
    dayless: true,
    data: SpeciesChanged,
    apply: change,
    check: (state, data, _, { house }) => {
      if (data.back?.some(p => p === 'mode' || p === 'group'))
        return { path: 'data.back', message: 'How it bears its young, and its group, stay' }
      const row = structuredCopy(state)
      change(row, data)
      return problemWith(house, row)
    },
    wording: d =>
      [
        ...(d.name !== undefined || d.latin !== undefined ? ['renamed'] : []),
        ...Object.keys(d.parts ?? {}).map(p => `${partWords(p)} set`),
        ...(d.back ?? []).map(p => `${partWords(p)} put back`),
      ]
        .join(', ')
        .replace(/^./, c => c.toUpperCase()),
  }),
  defineKind({
    kind: 'speciesMerged',
    subject: 'species',
    verb: 'Say that two species are one',
    dayless: true,
    data: z.strictObject({ into: reference('species') }),
    // what is written of it stays with it: it counts as the other in everything, and is offered no more
    apply(state, { into }) {
      Object.assign(state, { from: into, type: true, parts: {}, retired: true })
    },
    check: (state, { into }, _, { house, almanac }) => {
      if (!state.added)
        return { path: 'subject.id', message: 'Only a species that this house added can be one with another' }
      if (into === state.id) return { path: 'data.into', message: 'It is one with itself already' }
      const [one, other] = [almanac.species[state.id], almanac.species[into]]
      if (one && other && (one.mode !== other.mode || one.group !== other.group))
        return { path: 'data.into', message: `${other.name} bears its young otherwise, or is of another group` }
      return problemWith(house, { ...state, from: into, type: true, parts: {}, retired: true })
    },
    wording: () => 'Entered twice: counts as another from now on',
  }),
  defineKind({
    kind: 'speciesRetired',
    subject: 'species',
    verb: 'Retire species',
    dayless: true,
    data: z.strictObject({}),
    apply(state) {
      state.retired = true
    },
    check: state => (state.retired ? { path: 'subject.id', message: 'It is retired already' } : null),
    wording: () => 'Retired: kept for what is written of it, offered no more',
  }),
  defineKind({
    kind: 'speciesUsed',
    subject: 'species',
    verb: 'Offer species again',
    dayless: true,
    data: z.strictObject({}),
    apply(state) {
      state.retired = false
    },
    check: state => (state.retired ? null : { path: 'subject.id', message: 'It is offered already' }),
    wording: () => 'Offered again',
  }),
]

/** A state that may be changed to try it. */
function structuredCopy(state: SpeciesState): SpeciesState {
  return { ...state, parts: { ...state.parts } }
}
