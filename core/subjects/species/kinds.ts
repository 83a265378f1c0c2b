import { z } from 'zod'
import { SPECIES_PARTS, Species, partWords, shippedAlmanac, speciesProblem } from '../../almanac'
import { defineKind, type House, type Problem } from '../../log'
import { lineOfText, reference } from '../../reference'
import { changeSchema, changedParts, partsSchema, retiring, rowName, rowTrouble } from '../almanacRow'
import { ownKnowledge } from '../knowledge'
import { addedSpecies, type SpeciesState } from './state'

const NAMES = ['name', 'latin'] as const
const Parts = partsSchema(Species.shape, SPECIES_PARTS)
/** What a species is cannot change under animals that are kept of it. */
const ChangedParts = Parts.omit({ mode: true, group: true })

const SpeciesAdded = z.strictObject({
  name: rowName,
  latin: lineOfText(80).default(''),
  /** The relative that is taken over, or the species that this is a type of; null when all parts are given. */
  from: reference('species').nullable(),
  type: z.boolean().default(false),
  parts: Parts.default({}),
})
export type SpeciesAdded = z.output<typeof SpeciesAdded>

function problemWith(house: House, row: SpeciesState): Problem | null {
  const own = ownKnowledge(house)
  const species = [...own.species.filter(s => s.id !== row.id), row]
  return rowTrouble('species', row.id, { ...own, species }, speciesProblem, NAMES, almanac => {
    const relative = row.added ? (row.from === null ? null : almanac.species[row.from]) : shippedAlmanac.species[row.id]
    const made = almanac.species[row.id]
    return relative?.sexing?.venomous && made && !made.sexing?.venomous
      ? {
          path: 'data.parts.sexing',
          message: `${relative.name} is venomous: that stays said of it and of what is like it`,
        }
      : null
  })
}

const SpeciesChanged = changeSchema(
  { name: rowName.optional(), latin: lineOfText(80).optional() },
  ChangedParts,
  SPECIES_PARTS,
)

function change(state: SpeciesState, { parts, back, ...names }: z.output<typeof SpeciesChanged>): void {
  Object.assign(state, names)
  state.parts = changedParts(state.parts, parts, back)
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
      return problemWith(house, addedSpecies(id, data))
    },
    wording: d => `${d.type ? 'Type' : 'Species'} ${d.name} added`,
  }),
  defineKind({
    kind: 'speciesChanged',
    subject: 'species',
    verb: 'Change species',
    dayless: true,
    data: SpeciesChanged,
    fields: {
      name: { label: 'Name', as: 'text', needed: true },
      latin: { label: 'Latin name', as: 'text', hint: 'if known' },
    },
    apply: change,
    check: (state, data, _, { house }) => {
      if (data.back?.some(p => p === 'mode' || p === 'group'))
        return { path: 'data.back', message: 'How it bears its young, and its group, stay' }
      const row = { ...state }
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
  ...retiring('species'),
]
