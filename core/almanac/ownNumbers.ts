import { recordOf } from '../record'
import type { Almanac } from './schema'

/**
 * A number of the almanac that the keeper set otherwise. `path` names it as
 * `species.corn-snake.clocks.copulation>laid.days.likely`.
 */
export interface Override {
  path: string
  value: number
  note?: string
}

export class AlmanacError extends Error {
  override name = 'AlmanacError'
}

type Branch = Record<string, unknown>

const isBranch = (x: unknown): x is Branch => typeof x === 'object' && x !== null

/**
 * The almanac with the keeper's numbers in place of the shipped ones, each marked `own`. The shipped one is left as it
 * was. Whether the result contradicts itself is not looked at: see `withOverrides`.
 * @throws AlmanacError when a path names no number of the almanac
 */
export function withNumbers(almanac: Almanac, overrides: readonly Override[]): Almanac {
  if (!overrides.length) return almanac
  const copy = withoutPrototypes(almanac)
  const copied = new Set<unknown>()
  for (const { path, value, note } of overrides) {
    const [table, ...keys] = path.split('.')
    const rows = Object.hasOwn(copy, table!) ? (copy as unknown as Branch)[table!] : undefined
    let node: unknown = rows
    // the mark may stand on what a number is part of: a count of a meal is marked with its step
    let marked: Branch | null = null
    let key = keys.shift() ?? ''
    // prey ids carry a dot (`feeders.fly.large.supply…`), so two keys may name one branch
    while (isBranch(rows) && keys.length && !Object.hasOwn(rows, key)) key = `${key}.${keys.shift()}`
    // only rows with a number of their own are copied; by way of JSON, since rows of one kind share tables
    if (isBranch(rows) && Object.hasOwn(rows, key) && !copied.has(rows[key]))
      copied.add((rows[key] = JSON.parse(JSON.stringify(rows[key])) as unknown))
    while (keys.length) {
      if (!isBranch(node)) break
      if (Object.hasOwn(node, 'mark')) marked = node
      if (Object.hasOwn(node, key)) {
        node = node[key]
        key = keys.shift()!
      } else key = `${key}.${keys.shift()}`
    }
    if (isBranch(node) && Object.hasOwn(node, 'mark')) marked = node
    if (!isBranch(node) || !Object.hasOwn(node, key) || typeof node[key] !== 'number' || !marked)
      throw new AlmanacError(`The almanac has no number “${path}”.`)
    node[key] = value
    marked.mark = 'own'
    delete marked.source
    delete marked.from
    if (note) marked.note = note
  }
  return copy
}

/**
 * The row that a number stands in, as `species.corn-snake`; null when it is of every species, or of none that is known.
 * Ids of prey carry a dot themselves: the shortest that is there is meant.
 */
export function rowOfPath(
  path: string,
  known: Readonly<Record<'species' | 'feeders', ReadonlySet<string>>>,
): string | null {
  const [table, ...keys] = path.split('.')
  if (table !== 'species' && table !== 'feeders') return null
  for (let n = 1; n < keys.length; n++) {
    const id = keys.slice(0, n).join('.')
    if (known[table].has(id)) return `${table}.${id}`
  }
  return null
}

/** The almanac with tables that are looked up by ids from outside, so that no id reaches a prototype. */
export function withoutPrototypes(almanac: Almanac): Almanac {
  const { species, feeders, schools, signs, common, sources } = almanac
  return {
    species: recordOf(Object.entries(species)),
    feeders: recordOf(Object.entries(feeders)),
    schools: recordOf(Object.entries(schools)),
    signs: recordOf(Object.entries(signs)),
    common: recordOf(Object.entries(common)),
    sources: recordOf(Object.entries(sources)),
  }
}
