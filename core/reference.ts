import { z } from 'zod'

/**
 * What an id inside an entry or a setting may name: a row of the almanac, an entry, or a sort of subject of the house.
 */
export type ReferenceTo = string

declare module 'zod' {
  interface GlobalMeta {
    /** The id names a row of the almanac or of the house, which must exist. */
    refersTo?: ReferenceTo
    /** What is said when it does not. */
    missing?: string
  }
}

const MISSING: Record<string, string> = {
  species: 'The almanac has no such species',
  feeder: 'The almanac has no such feeder',
}
const missingOf = (to: ReferenceTo): string => MISSING[to] ?? `There is no such ${to}`

/**
 * An id that names something of the almanac or the house. The schema says what it names, so that one place can check
 * every reference of every kind of entry.
 * @param missing what is said when the named row does not exist
 */
export const reference = (to: ReferenceTo, missing = missingOf(to)) =>
  z.string().min(1, missing).max(80).meta({ refersTo: to, missing })

/** One reference found in a value: what it names, and where it stands. */
export interface Reference {
  to: ReferenceTo
  id: string
  path: (string | number)[]
  missing: string
}

/**
 * Every reference in a value that fits the schema.
 * @param schema of objects, arrays and single values; other schemas hold no references
 */
export function referencesIn(schema: z.ZodType, value: unknown, path: (string | number)[] = []): Reference[] {
  if (value === null || value === undefined) return []
  if (schema instanceof z.ZodNullable || schema instanceof z.ZodOptional || schema instanceof z.ZodDefault)
    return referencesIn(schema.unwrap() as z.ZodType, value, path)
  if (schema instanceof z.ZodArray)
    return (value as unknown[]).flatMap((item, i) => referencesIn(schema.element as z.ZodType, item, [...path, i]))
  if (schema instanceof z.ZodObject)
    return Object.entries(schema.shape as Record<string, z.ZodType>).flatMap(([key, part]) =>
      referencesIn(part, (value as Record<string, unknown>)[key], [...path, key]),
    )
  const { refersTo, missing } = schema.meta() ?? {}
  return refersTo && typeof value === 'string'
    ? [{ to: refersTo, id: value, path, missing: missing ?? missingOf(refersTo) }]
    : []
}

/** The inside of a schema that may be left out, and its parts when it has any. */
function partsOf(schema: z.ZodType): z.ZodType[] | null {
  if (schema instanceof z.ZodNullable || schema instanceof z.ZodOptional || schema instanceof z.ZodDefault)
    return [schema.unwrap() as z.ZodType]
  if (schema instanceof z.ZodArray) return [schema.element as z.ZodType]
  if (schema instanceof z.ZodObject) return Object.values(schema.shape as Record<string, z.ZodType>)
  return null
}

/** What a value of this schema can name at all. */
export function canReferTo(schema: z.ZodType): Set<ReferenceTo> {
  const parts = partsOf(schema)
  if (parts) return new Set(parts.flatMap(part => [...canReferTo(part)]))
  const { refersTo } = schema.meta() ?? {}
  return new Set(refersTo ? [refersTo] : [])
}

/** A text of several lines, or of none. */
export const freeText = (most: number) => z.string().max(most, `At most ${most} characters`)

/**
 * A text of one line: names and tags travel into files whose lines mean something.
 * @param empty what is said of an empty one; left out where it may be empty
 */
export const lineOfText = (most: number, empty?: string) =>
  z
    .string()
    .trim()
    .min(empty ? 1 : 0, empty)
    .max(most, `At most ${most} characters`)
    .regex(/^\P{Cc}*$/u, 'Line breaks and control characters cannot stand in a name')
