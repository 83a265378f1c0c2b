import { rowOfPath } from './ownNumbers'
import { standingOn, type Follower } from './ownRows'
import { Almanac, BREEDING_EVENTS, Feeder, Species } from './schema'

/** What speaks against a row, and where in it. */
export interface RowProblem {
  path: string
  message: string
}

const firstIssue = (issues: readonly { path: PropertyKey[]; message: string }[]): RowProblem => ({
  path: issues[0]!.path.map(String).join('.'),
  message: issues[0]!.message,
})

/** Names are told apart without regard to case and spaces at the ends. */
const alike = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()

/**
 * Why a species cannot stand in the almanac, or null: it does not fit the schema, its clocks run backward, its ladder
 * names what is not there, or its name is another's.
 */
export function speciesProblem(species: Species, almanac: Pick<Almanac, 'species' | 'feeders'>): RowProblem | null {
  const parsed = Species.safeParse(species)
  if (!parsed.success) return firstIssue(parsed.error.issues)
  for (const [key, { from, to }] of Object.entries(species.clocks)) {
    if (key !== `${from}>${to}`) return { path: `clocks.${key}`, message: 'A clock is named by its two events' }
    if (BREEDING_EVENTS.indexOf(from) >= BREEDING_EVENTS.indexOf(to))
      return { path: `clocks.${key}`, message: 'This clock runs backward: its second event comes before the first' }
  }
  for (const [i, step] of species.ladder.entries())
    for (const [j, { prey }] of step.meal.entries())
      if (!almanac.feeders[prey])
        return { path: `ladder.${i}.meal.${j}.prey`, message: `The almanac has no feeder “${prey}”` }
  if (species.youngMassG.value > species.adultMassG.value)
    return { path: 'youngMassG', message: 'Young weigh more than adults' }
  if (species.winter !== 'none' && !species.cold)
    return { path: 'cold', message: 'A species with a winter needs the numbers of its cold, or no winter' }
  if (species.winter === 'dormancy' && !species.cold?.rest)
    return { path: 'cold.rest', message: 'A rest needs its nights, its food and when the male goes in' }
  if (species.mode === 'larval' && !species.larvalSurvival)
    return { path: 'larvalSurvival', message: 'Of tadpoles the share that turns must be known, or guessed' }
  const other = Object.values(almanac.species).find(
    s =>
      s.id !== species.id &&
      (alike(s.name, species.name) || (species.latin && !species.typeOf && !s.typeOf && alike(s.latin, species.latin))),
  )
  if (other)
    return alike(other.name, species.name)
      ? { path: 'name', message: `The almanac has a ${other.name} already` }
      : { path: 'latin', message: `${other.latin} is in the almanac already, as ${other.name}` }
  return null
}

/** Why a feeder cannot stand in the almanac, or null. */
export function feederProblem(feeder: Feeder, almanac: Pick<Almanac, 'feeders'>): RowProblem | null {
  const parsed = Feeder.safeParse(feeder)
  if (!parsed.success) return firstIssue(parsed.error.issues)
  for (const [i, { prey }] of (feeder.standIns ?? []).entries()) {
    if (prey === feeder.id) return { path: `standIns.${i}.prey`, message: 'A feeder does not stand for itself' }
    if (!almanac.feeders[prey]) return { path: `standIns.${i}.prey`, message: `The almanac has no feeder “${prey}”` }
  }
  const { into } = feeder.grows ?? {}
  if (into !== undefined && !almanac.feeders[into])
    return { path: 'grows.into', message: `The almanac has no feeder “${into}”` }
  // a size that is reached again would be fed as what it was long ago
  for (let next = into, sizes = 0; next !== undefined; next = almanac.feeders[next]?.grows?.into, sizes++)
    if (next === feeder.id || sizes > Object.keys(almanac.feeders).length)
      return { path: 'grows.into', message: 'A feeder does not grow into what it was' }
  const other = Object.values(almanac.feeders).find(f => f.id !== feeder.id && alike(f.name, feeder.name))
  return other ? { path: 'name', message: `The almanac has a feeder called ${other.name} already` } : null
}

/**
 * What speaks against an almanac with own numbers in it: rows that one stands in, rows that follow those, and what
 * holds for every species.
 * @param paths the own numbers
 * @param rows rows that may follow others
 * @returns what speaks against it, or null
 */
export function numbersProblem(
  almanac: Almanac,
  paths: readonly string[],
  rows: Readonly<Record<'species' | 'feeders', readonly Follower[]>>,
): RowProblem | null {
  const ids = { species: new Set(Object.keys(almanac.species)), feeders: new Set(Object.keys(almanac.feeders)) }
  const stoodIn = paths.map(path => rowOfPath(path, ids))
  for (const [table, schema] of [
    ['species', Species],
    ['feeders', Feeder],
  ] as const) {
    const own = stoodIn.flatMap(row => (row?.startsWith(`${table}.`) ? [row.slice(table.length + 1)] : []))
    for (const id of standingOn(rows[table], own)) {
      const row = almanac[table][id]
      const parsed = row && schema.safeParse(row)
      if (!parsed || parsed.success) continue
      const { path, message } = firstIssue(parsed.error.issues)
      return { path, message: `${row.name}: ${message}` }
    }
  }
  const { common, schools, signs } = Almanac.shape
  for (const [schema, part] of [
    [common, almanac.common],
    [schools, almanac.schools],
    [signs, almanac.signs],
  ] as const) {
    const parsed = schema.safeParse(part)
    if (!parsed.success) return firstIssue(parsed.error.issues)
  }
  return null
}
