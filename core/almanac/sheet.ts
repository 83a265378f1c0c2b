import { z } from 'zod'
import { FEEDER_PARTS, SPECIES_PARTS, type FeederPart, type SpeciesPart } from './ownRows'
import { feederProblem, speciesProblem } from './rowProblem'
import { Feeder, Species, type Almanac } from './schema'

/** The form of a sheet that this program writes; an older one would be brought up to it when read. */
export const SHEET_VERSION = 1
/** Larger than any set of sheets that a keeper hands on. */
export const MOST_SHEET_BYTES = 5_000_000

/** Species and feeders as one keeper hands them to another; published as docs/sheet.schema.json. */
export const Sheet = z.strictObject({
  mantelSheet: z.literal(SHEET_VERSION),
  species: z.array(Species).max(2000),
  feeders: z.array(Feeder).max(2000),
})
export type Sheet = z.infer<typeof Sheet>

/** Feeders that a feeder names: what may stand for it, and what it grows into. */
const namedBy = ({ standIns = [], grows }: Feeder): string[] => [
  ...standIns.map(s => s.prey),
  ...(grows ? [grows.into] : []),
]

/** Those of a house that these name, and those that they name in turn; what is shipped is there wherever one reads. */
function withOwnNamed(almanac: Almanac, ids: readonly string[]): string[] {
  const all = new Set(ids)
  for (const id of all) {
    const feeder = almanac.feeders[id]
    if (feeder) for (const named of namedBy(feeder)) if (UUID.test(named)) all.add(named)
  }
  return [...all]
}

/**
 * Species and feeders with all that they need: the species that a type is of, every feeder of a ladder, and feeders of
 * the house that those name, so that whoever reads it computes the same.
 */
export function sheetOf(almanac: Almanac, speciesIds: readonly string[], feederIds: readonly string[] = []): Sheet {
  const wanted = new Set(speciesIds)
  for (const id of speciesIds) {
    const root = almanac.species[id]?.typeOf
    if (root) wanted.add(root)
  }
  const species = [...wanted]
    .flatMap(id => almanac.species[id] ?? [])
    .sort((a, b) => Number(a.typeOf !== undefined) - Number(b.typeOf !== undefined))
  const prey = species.flatMap(s => s.ladder.flatMap(step => step.meal.map(m => m.prey)))
  const feeders = withOwnNamed(almanac, [...feederIds, ...prey]).flatMap(id => almanac.feeders[id] ?? [])
  return { mantelSheet: SHEET_VERSION, species, feeders }
}

/** @returns the sheet, or what speaks against the text in a keeper's words */
export function readSheet(text: string): Sheet | string {
  if (text.length > MOST_SHEET_BYTES)
    return `This file is larger than ${MOST_SHEET_BYTES / 1e6} MB: no sheet of species and feeders is`
  let parsed: unknown
  try {
    parsed = JSON.parse(text)
  } catch {
    return 'This is not JSON: choose a sheet that was written by “Export”'
  }
  const version = (parsed as { mantelSheet?: unknown } | null)?.mantelSheet
  if (typeof version !== 'number') return 'This is not a sheet of species and feeders'
  if (version > SHEET_VERSION)
    return `This sheet was written by a newer Mantel (form ${version}; this one reads up to ${SHEET_VERSION})`
  const sheet = Sheet.safeParse(parsed)
  if (sheet.success) return sheet.data
  const { path, message } = sheet.error.issues[0]!
  return `${path.map(String).join('.')}: ${message}`
}

/** One part that a sheet says otherwise. */
export interface SheetChange {
  id: string
  name: string
  part: SpeciesPart | FeederPart | 'name' | 'latin' | 'one' | 'many'
}

/** What taking a sheet over would do, and what stands against it. */
export interface SheetPlan {
  added: { id: string; name: string; of: 'species' | 'feeder' }[]
  changed: SheetChange[]
  /** Rows that are here already and say the same. */
  same: number
  problems: string[]
  /** The entries that it comes to, in the order in which they are written. */
  facts: {
    id: string
    subject: { type: 'species' | 'feeder'; id: string }
    kind: string
    data: Record<string, unknown>
  }[]
}

const same = (a: unknown, b: unknown) => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b))

/** With the keys of objects in order, so that two texts say the same when they mean it. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => [k, sorted(v)]),
  )
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i

type Row = Record<string, unknown> & { id: string; name: string }

/** Parts of a row that differ from those that stand; null for one that is no longer there. */
function different(row: Row, stands: Row, parts: readonly string[]): Record<string, unknown> {
  const others = parts.filter(p => !same(row[p] ?? null, stands[p] ?? null))
  return Object.fromEntries(others.map(p => [p, row[p] ?? null]))
}

/**
 * What a sheet would change in an almanac. Nothing is written here.
 * @param newId makes an id for a row whose own cannot be an entry's
 */
export function planSheet(sheet: Sheet, almanac: Almanac, newId: () => string): SheetPlan {
  const plan: SheetPlan = { added: [], changed: [], same: 0, problems: [], facts: [] }
  const ids = new Map<string, string>()
  const idOf = (id: string) => ids.get(id) ?? id
  const after = { ...almanac, species: { ...almanac.species }, feeders: { ...almanac.feeders } }

  const take = (
    of: 'species' | 'feeder',
    row: Row,
    stands: Row | undefined,
    parts: readonly string[],
    names: readonly string[],
  ) => {
    if (!stands) {
      const id = ids.get(row.id) ?? (UUID.test(row.id) ? row.id : newId())
      ids.set(row.id, id)
      const type = of === 'species' && typeof row.typeOf === 'string'
      const said = Object.fromEntries(
        parts.filter(p => row[p] !== undefined && !(type && ['mode', 'group'].includes(p))).map(p => [p, row[p]]),
      )
      plan.added.push({ id, name: row.name, of })
      plan.facts.push({
        id,
        subject: { type: of, id },
        kind: `${of}Added`,
        data: {
          ...Object.fromEntries(names.map(n => [n, row[n]])),
          from: type ? idOf(row.typeOf as string) : null,
          ...(of === 'species' && { type }),
          parts: said,
        },
      })
      return
    }
    const changedParts = different(
      row,
      stands,
      parts.filter(p => p !== 'mode' && p !== 'group'),
    )
    const changedNames = Object.fromEntries(names.filter(n => row[n] !== stands[n]).map(n => [n, row[n]]))
    if ((['mode', 'group'] as const).some(p => of === 'species' && row[p] !== stands[p]))
      plan.problems.push(`${row.name} is another animal here: it bears its young otherwise, or is of another group`)
    const keys = [...Object.keys(changedNames), ...Object.keys(changedParts)]
    if (!keys.length) return void plan.same++
    plan.changed.push(...keys.map(part => ({ id: row.id, name: stands.name, part: part as SheetChange['part'] })))
    plan.facts.push({
      id: newId(),
      subject: { type: of, id: row.id },
      kind: `${of}Changed`,
      data: { ...changedNames, ...(Object.keys(changedParts).length > 0 && { parts: changedParts }) },
    })
  }

  const isNew = (id: string) => !almanac.feeders[id]
  for (const { id } of sheet.feeders) if (isNew(id)) ids.set(id, UUID.test(id) ? id : newId())
  const links: SheetPlan['facts'] = []
  for (const given of sheet.feeders) {
    const feeder: Feeder = {
      ...given,
      ...(given.standIns && { standIns: given.standIns.map(s => ({ ...s, prey: idOf(s.prey) })) }),
      ...(given.grows && { grows: { ...given.grows, into: idOf(given.grows.into) } }),
    }
    // new ones may name each other: they are named when all are there
    const later = isNew(given.id) && namedBy(given).some(isNew)
    const { standIns, grows, ...bare } = feeder
    take(
      'feeder',
      (later ? bare : feeder) as unknown as Row,
      almanac.feeders[feeder.id] as unknown as Row | undefined,
      FEEDER_PARTS,
      ['name', 'one', 'many'],
    )
    const id = idOf(feeder.id)
    if (later)
      links.push({
        id: newId(),
        subject: { type: 'feeder', id },
        kind: 'feederChanged',
        data: { parts: { ...(standIns && { standIns }), ...(grows && { grows }) } },
      })
    after.feeders[id] = { ...feeder, id }
  }
  // what is changed may name what is added
  const isAdded = (fact: SheetPlan['facts'][number]) => fact.kind === 'feederAdded'
  plan.facts = [...plan.facts.filter(isAdded), ...plan.facts.filter(f => !isAdded(f)), ...links]
  for (const given of sheet.species) {
    const ladder = given.ladder.map(s => ({ ...s, meal: s.meal.map(m => ({ ...m, prey: idOf(m.prey) })) }))
    const species = { ...given, ladder }
    take(
      'species',
      species as unknown as Row,
      almanac.species[species.id] as unknown as Row | undefined,
      SPECIES_PARTS,
      ['name', 'latin'],
    )
    const made = { ...species, id: idOf(species.id), ...(species.typeOf && { typeOf: idOf(species.typeOf) }) }
    after.species[made.id] = made
  }
  for (const feeder of sheet.feeders) {
    const problem = feederProblem(after.feeders[idOf(feeder.id)]!, after)
    if (problem) plan.problems.push(`${feeder.name}: ${problem.message}`)
  }
  for (const species of sheet.species) {
    const problem = speciesProblem(after.species[idOf(species.id)]!, after)
    if (problem) plan.problems.push(`${species.name}: ${problem.message}`)
    if (species.typeOf && !after.species[idOf(species.typeOf)])
      plan.problems.push(`${species.name} is a type of a species that is neither here nor in the sheet`)
  }
  return plan
}
