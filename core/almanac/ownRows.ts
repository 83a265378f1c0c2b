import { derived } from '../derived'
import { recordOf } from '../record'
import type { Almanac, Feeder, Species } from './schema'

/** What a species says beside its names; each part is taken over or set as a whole. */
export const SPECIES_PARTS = [
  'group',
  'mode',
  'winter',
  'cold',
  'shellMass',
  'sexing',
  'mating',
  'matureDays',
  'adultMassG',
  'youngMassG',
  'clocks',
  'nextClutch',
  'clutchSize',
  'fertility',
  'hatchRate',
  'larvalSurvival',
  'incubation',
  'sexByTemperature',
  'survival90',
  'keptDays',
  'eats',
  'ladder',
  'weighEveryDays',
  'cautions',
] as const satisfies readonly (keyof Species)[]
export type SpeciesPart = (typeof SPECIES_PARTS)[number]

export const FEEDER_PARTS = ['massG', 'supply', 'care', 'cautions'] as const satisfies readonly (keyof Feeder)[]
export type FeederPart = (typeof FEEDER_PARTS)[number]

/** Parts that the house has set; null where it says that a part is not known. */
export type PartsOf<T, Part extends keyof T> = { [P in Part]?: T[P] | null }

/** A species of the house, or what the house says otherwise of a shipped one. */
export interface OwnSpecies {
  id: string
  /** Founded by the house; a shipped one is not. */
  added: boolean
  /** The relative that all is taken over from that the house does not say itself. */
  from: string | null
  /** It is a type within that species, and not a relative. */
  type: boolean
  name: string | null
  latin: string | null
  parts: PartsOf<Species, SpeciesPart>
  retired: boolean
}

/** A feeder of the house, or what the house says otherwise of a shipped one. */
export interface OwnFeeder {
  id: string
  added: boolean
  from: string | null
  name: string | null
  one: string | null
  many: string | null
  parts: PartsOf<Feeder, FeederPart>
  retired: boolean
}

/** A row that cannot be made, with the reason. */
export interface RefusedRow {
  id: string
  name: string | null
  message: string
}

/** A value with every mark in it saying that it is taken over from a relative; what that one had borrowed keeps its name. */
export function borrowed<T>(value: T, from: string): T {
  if (Array.isArray(value)) return value.map((v: unknown) => borrowed(v, from)) as T
  if (typeof value !== 'object' || value === null) return value
  const copy = Object.fromEntries(Object.entries(value).map(([k, v]) => [k, borrowed(v as unknown, from)]))
  if (typeof copy.mark === 'string' && copy.mark !== 'borrowed') Object.assign(copy, { mark: 'borrowed', from })
  return copy as T
}

/** The whole of a row as another borrows it, made once for each row. */
const borrowedOf = derived((row: Species | Feeder): object => borrowed(row, row.name))

function withParts<T extends object>(base: object, parts: object, names: object): T {
  const said = Object.entries({ ...base, ...parts, ...names } as Record<string, unknown>)
  return Object.fromEntries(said.filter(([, value]) => value !== null && value !== undefined)) as T
}

interface RowOf {
  id: string
  added: boolean
  from: string | null
  name: string | null
  retired: boolean
}

/** Rows over what is shipped; each may take over from another that is made before it. */
function rowsOver<T extends { name: string }, Own extends RowOf>(
  shipped: Readonly<Record<string, T>>,
  own: readonly Own[],
  make: (row: Own, base: T | null) => T,
): { rows: Record<string, T>; refused: RefusedRow[] } {
  const rows = recordOf(Object.entries(shipped))
  const left = new Map(own.map(row => [row.id, row]))
  const refused: RefusedRow[] = []
  const stands = (id: string, behind: readonly string[]): T | null => {
    const row = left.get(id)
    if (row) add(row, behind)
    return rows[id] ?? null
  }
  const add = (row: Own, behind: readonly string[]): void => {
    const refuse = (message: string) => refused.push({ id: row.id, name: row.name, message })
    left.delete(row.id)
    const from = row.added ? row.from : row.id
    if (row.from !== null && behind.includes(row.from)) return void refuse('It takes over from itself')
    const base = from === null ? null : row.added ? stands(from, [...behind, row.id]) : (shipped[from] ?? null)
    if (from !== null && !base) return void refuse('What it takes over from is not in the almanac')
    rows[row.id] = make(row, base)
  }
  for (const row of own) if (left.has(row.id)) add(row, [])
  return { rows, refused }
}

/**
 * The almanac with the species and feeders of the house, and with what it says otherwise of shipped ones. What is shipped
 * is left as it was; whether a row contradicts itself is not looked at (see `speciesProblem`).
 * @returns the almanac, and rows that cannot be made, which are left out
 */
export function withRows(
  almanac: Almanac,
  species: readonly OwnSpecies[],
  feeders: readonly OwnFeeder[],
): { almanac: Almanac; refused: RefusedRow[] } {
  if (!species.length && !feeders.length) return { almanac, refused: [] }
  const ofSpecies = rowsOver<Species, OwnSpecies>(almanac.species, species, (row, base) =>
    withParts(base === null || !row.added || row.type ? (base ?? {}) : borrowedOf(base), row.parts, {
      id: row.id,
      name: row.name ?? base?.name,
      latin: row.latin ?? base?.latin ?? '',
      typeOf: row.added ? (row.type ? (base?.typeOf ?? row.from) : null) : base?.typeOf,
      retired: row.retired || null,
    }),
  )
  const ofFeeders = rowsOver<Feeder, OwnFeeder>(almanac.feeders, feeders, (row, base) =>
    withParts(base === null || !row.added ? (base ?? {}) : borrowedOf(base), row.parts, {
      id: row.id,
      name: row.name ?? base?.name,
      one: row.one ?? base?.one,
      many: row.many ?? base?.many,
      retired: row.retired || null,
    }),
  )
  return {
    almanac: { ...almanac, species: ofSpecies.rows, feeders: ofFeeders.rows },
    refused: [...ofSpecies.refused, ...ofFeeders.refused],
  }
}
