import { z } from 'zod'
import type { FeederPart, SpeciesPart } from './ownRows'
import { Clock, Fact, Feeder, Measure, Species, Spread } from './schema'

/** One thing of a part that a form asks for; `path` leads to it from the row, as `cold.rest.nightC`. */
export type PartField = { path: string; optional: boolean } & (
  | { is: 'fact' | 'spread' | 'measure' | 'switch' | 'text' | 'lines' | 'clocks' | 'absent' }
  /** Several fields that are known or not known together: they follow. */
  | { is: 'group' }
  | { is: 'choice' | 'several'; choices: readonly string[] }
  /** One of several shapes, told by this key of it. */
  | { is: 'variant'; key: string; choices: readonly string[] }
  | { is: 'points'; columns: readonly string[] }
)

type Schema = z.ZodType
const inside = (schema: Schema): Schema =>
  schema instanceof z.ZodOptional || schema instanceof z.ZodNullable ? inside(schema.unwrap() as Schema) : schema

/** Where a value came from. It is not asked for: it follows from what is changed. */
const PROVENANCE = new Set(['mark', 'source', 'note', 'from'])
const isProvenance = (schema: Schema) =>
  schema instanceof z.ZodObject && Object.keys(schema.shape as object).every(key => PROVENANCE.has(key))

function fieldsOf(schema: Schema, path: string, value: unknown, optional: boolean): PartField[] {
  const at = { path, optional }
  // what is not said of a yes or no is no
  if (schema instanceof z.ZodBoolean) return [{ ...at, is: 'switch' }]
  if (value === undefined || value === null) return [{ ...at, is: 'absent' }]
  if (schema === Fact) return [{ ...at, is: 'fact' }]
  if (schema === Spread) return [{ ...at, is: 'spread' }]
  if (schema === Measure) return [{ ...at, is: 'measure' }]
  if (schema instanceof z.ZodEnum) return [{ ...at, is: 'choice', choices: schema.options as string[] }]
  if (schema instanceof z.ZodString) return [{ ...at, is: 'text' }]
  if (schema instanceof z.ZodRecord) return schema.valueType === Clock ? [{ ...at, is: 'clocks' }] : []
  if (schema instanceof z.ZodDiscriminatedUnion) {
    const key = schema.def.discriminator
    const options = schema.options as z.ZodObject[]
    const nameOf = (o: z.ZodObject) => String((o.shape[key] as z.ZodLiteral).value)
    const now = options.find(o => nameOf(o) === (value as Record<string, unknown>)[key])
    return [
      { ...at, is: 'variant', key, choices: options.map(nameOf) },
      ...(now ? fieldsOf(now, path, value, false) : []),
    ]
  }
  if (schema instanceof z.ZodArray) {
    const element = schema.element as Schema
    if (element instanceof z.ZodEnum) return [{ ...at, is: 'several', choices: element.options as string[] }]
    if (element instanceof z.ZodString) return [{ ...at, is: 'lines' }]
    if (element instanceof z.ZodObject) {
      const columns = Object.keys(element.shape as object).filter(k => element.shape[k] instanceof z.ZodNumber)
      return [{ ...at, is: 'points', columns }]
    }
    return []
  }
  if (!(schema instanceof z.ZodObject)) return []
  const own = Object.entries(schema.shape as Record<string, Schema>).flatMap(([key, member]) => {
    const type = inside(member)
    if (isProvenance(type) || type instanceof z.ZodLiteral) return []
    return fieldsOf(type, `${path}.${key}`, (value as Record<string, unknown>)[key], member instanceof z.ZodOptional)
  })
  return optional ? [{ ...at, is: 'group' }, ...own] : own
}

/**
 * What there is to ask of a part of a species or feeder, in the order of its schema: a form is made of it.
 * @param value the part as it stands; where something optional is not there, its field says `absent`
 */
export function partFields(of: 'species' | 'feeder', part: SpeciesPart | FeederPart, value: unknown): PartField[] {
  const shape: Readonly<Record<string, Schema>> = of === 'species' ? Species.shape : Feeder.shape
  const schema = shape[part]!
  return fieldsOf(inside(schema), part, value, schema instanceof z.ZodOptional)
}

type Node = Record<string, unknown>
const isNode = (x: unknown): x is Node => typeof x === 'object' && x !== null
const said = (x: Node) => JSON.stringify(Object.entries(x).filter(([k]) => !PROVENANCE.has(k)))

/**
 * A part as it was set by hand: what says something else than before is marked as the house's own, all else keeps where
 * it came from. Rows of a list are compared with all rows of before, so that one that moved keeps its mark.
 * @param before the part as it stood, with what was taken over from another since
 */
export function ownWhereChanged<T>(before: unknown, after: T): T {
  if (Array.isArray(after)) {
    const rows = Array.isArray(before) ? (before as unknown[]) : []
    return after.map(
      (row: unknown) => rows.find(b => isNode(b) && isNode(row) && said(b) === said(row)) ?? ownWhereChanged(null, row),
    ) as T
  }
  if (!isNode(after)) return after
  const was = isNode(before) ? before : {}
  if (typeof after.mark === 'string') {
    if (isNode(before) && said(after) === said(was)) return before as T
    return { ...Object.fromEntries(Object.entries(after).filter(([k]) => !PROVENANCE.has(k))), mark: 'own' } as T
  }
  const made = Object.fromEntries(Object.entries(after).map(([k, v]) => [k, ownWhereChanged(was[k] ?? null, v)]))
  // the mark of a choice stands beside it
  for (const key of Object.keys(made))
    if (Object.hasOwn(made, `${key}From`) && made[key] !== was[key] && was[key] !== undefined)
      made[`${key}From`] = { mark: 'own' }
  return made as T
}
