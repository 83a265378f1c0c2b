import { derived } from '../derived'
import { recordOf } from '../record'
import { withOffers, type BoughtOffer } from './offers'
import { rowOfPath, withNumbers, type Override } from './ownNumbers'
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
  'climate',
  'supplements',
  'weaning',
  'never',
  'rounds',
  'company',
  'home',
  'weighEveryDays',
  'cautions',
] as const satisfies readonly (keyof Species)[]
export type SpeciesPart = (typeof SPECIES_PARTS)[number]

export const FEEDER_PARTS = [
  'massG',
  'minerals',
  'supply',
  'otherWays',
  'standIns',
  'recipe',
  'upkeep',
  'colony',
  'grows',
  'care',
  'cautions',
] as const satisfies readonly (keyof Feeder)[]
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

/**
 * A value with every mark in it saying that it is taken over from a relative; what that one had borrowed keeps its
 * name.
 */
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

/**
 * Rows as they are made of one another: shipped whole, shipped by a relative, said by the house; numbers of the house
 * are laid on each before another takes over from it, so that a type and a borrower follow what is set on their
 * relative.
 */
function rowsOver<T extends { name: string }, Own extends RowOf>(
  shipped: Readonly<Record<string, T>>,
  shippedRows: readonly Own[],
  own: readonly Own[],
  make: (row: Own, base: T | null) => T,
  numbered: (row: T, id: string) => T,
): { rows: Record<string, T>; refused: RefusedRow[] } {
  const rows = recordOf<T>([])
  const layers = [shippedRows, own].map(said => new Map(said.map(row => [row.id, row])))
  const refused = new Map<string, RefusedRow>()
  const refuse = ({ id, name }: Own, message: string) => void refused.set(id, { id, name, message })
  const stands = (id: string, behind: readonly string[]): T | null => {
    if (Object.hasOwn(rows, id)) return rows[id]!
    if (refused.has(id)) return null
    let row = Object.hasOwn(shipped, id) ? shipped[id]! : null
    const here = [...behind, id]
    for (const layer of layers) {
      const said = layer.get(id)
      if (!said) continue
      if (said.added && said.from !== null && here.includes(said.from)) refuse(said, 'It takes over from itself')
      else {
        const base = !said.added ? row : said.from === null ? null : stands(said.from, here)
        if (base || (said.added && said.from === null)) row = make(said, base)
        else refuse(said, 'What it takes over from is not in the almanac')
      }
      if (refused.has(id)) return null
    }
    return row && (rows[id] = numbered(row, id))
  }
  for (const id of [...Object.keys(shipped), ...layers.flatMap(layer => [...layer.keys()])]) stands(id, [])
  return { rows, refused: [...refused.values()] }
}

/** What is shipped: rows that are written out whole, and those that stand on a relative and follow it. */
export interface Shipped {
  base: Almanac
  rows: readonly OwnSpecies[]
}

/** What a house says otherwise than what is shipped. */
export interface OwnKnowledge {
  species: readonly OwnSpecies[]
  feeders: readonly OwnFeeder[]
  numbers: readonly Override[]
  /** Packs that suppliers of the house sell. */
  offers?: readonly BoughtOffer[]
}

/** An almanac, and the rows that cannot be made and are left out of it. */
export interface MadeAlmanac {
  almanac: Almanac
  refused: RefusedRow[]
}

const speciesMade = (row: OwnSpecies, base: Species | null): Species =>
  withParts(base === null || !row.added || row.type ? (base ?? {}) : borrowedOf(base), row.parts, {
    id: row.id,
    name: row.name ?? base?.name,
    latin: row.latin ?? base?.latin ?? '',
    typeOf: row.added ? (row.type ? (base?.typeOf ?? row.from) : null) : base?.typeOf,
    retired: row.retired || null,
  })
const feederMade = (row: OwnFeeder, base: Feeder | null): Feeder =>
  withParts(base === null || !row.added ? (base ?? {}) : borrowedOf(base), row.parts, {
    id: row.id,
    name: row.name ?? base?.name,
    one: row.one ?? base?.one,
    many: row.many ?? base?.many,
    retired: row.retired || null,
  })

/**
 * The almanac with the species and feeders of the house, with what it says otherwise of shipped ones, and with its own
 * numbers. What is shipped is left as it was; whether a row contradicts itself is not looked at (see `ownProblem`).
 * @returns the almanac, and rows that cannot be made, which are left out
 * @throws AlmanacError when a path of `numbers` names no number
 */
export function withOwn(shipped: Shipped, own: OwnKnowledge): MadeAlmanac {
  const { offers = [] } = own
  const whole = own.species.length || own.feeders.length || own.numbers.length ? made(shipped, own) : asShipped(shipped)
  return offers.length ? { ...whole, almanac: withOffers(whole.almanac, offers) } : whole
}
const asShipped = derived((shipped: Shipped) => made(shipped, { species: [], feeders: [], numbers: [] }))

function made({ base, rows }: Shipped, { species, feeders, numbers }: OwnKnowledge): MadeAlmanac {
  const known = {
    species: new Set([...Object.keys(base.species), ...[...rows, ...species].map(s => s.id)]),
    feeders: new Set([...Object.keys(base.feeders), ...feeders.map(f => f.id)]),
  }
  const ofRow = new Map<string, Override[]>()
  for (const number of numbers) {
    const row = rowOfPath(number.path, known)
    if (row) ofRow.set(row, [...(ofRow.get(row) ?? []), number])
  }
  /** Those of no row: they hold for every species, or for one that is not there. */
  const left = new Set(numbers)
  const laying =
    <T>(table: 'species' | 'feeders') =>
    (row: T, id: string): T => {
      const own = ofRow.get(`${table}.${id}`)
      if (!own) return row
      for (const number of own) left.delete(number)
      return withNumbers({ ...base, species: {}, feeders: {}, [table]: { [id]: row } }, own)[table][id] as T
    }
  const ofSpecies = rowsOver(base.species, rows, species, speciesMade, laying<Species>('species'))
  const ofFeeders = rowsOver(base.feeders, [], feeders, feederMade, laying<Feeder>('feeders'))
  return {
    almanac: withNumbers({ ...base, species: ofSpecies.rows, feeders: ofFeeders.rows }, [...left]),
    refused: [...ofSpecies.refused, ...ofFeeders.refused],
  }
}

/** A row as far as it follows another. */
export type Follower = Pick<RowOf, 'id' | 'added' | 'from'>

/** Rows of the house and those shipped by a relative that stand on one of these, over however many others. */
export function standingOn(rows: readonly Follower[], ids: Iterable<string>): ReadonlySet<string> {
  const found = new Set(ids)
  for (let before = -1; before !== found.size;) {
    before = found.size
    for (const { id, added, from } of rows) if (added && from !== null && found.has(from)) found.add(id)
  }
  return found
}
