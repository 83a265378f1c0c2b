import { z } from 'zod'
import {
  AlmanacError,
  shipped,
  standingOn,
  withCheckedOwn,
  withOwn,
  type Almanac,
  type OwnKnowledge,
  type RowProblem,
} from '../almanac'
import { defineKind, type Problem, type StateOf } from '../log'
import { lineOfText } from '../reference'

export const rowName = lineOfText(80, 'A name is needed')

/** Each of the parts of a row, or null where it is said not to be known. */
export const partsSchema = (shape: Readonly<Record<string, z.ZodType>>, parts: readonly string[]) =>
  z.strictObject(
    Object.fromEntries(
      parts.map(p => {
        const schema = shape[p]!
        const inside = schema instanceof z.ZodOptional ? (schema.unwrap() as z.ZodType) : schema
        return [p, inside.nullable().optional()]
      }),
    ),
  )

/** What a change of a row may hold: its names, its parts, and parts that go back to what is shipped, or borrowed. */
export const changeSchema = <Names extends z.ZodRawShape, const Part extends string>(
  names: Names,
  changed: ReturnType<typeof partsSchema>,
  parts: readonly Part[],
) =>
  z
    .strictObject({ ...names, parts: changed.optional(), back: z.array(z.enum(parts)).max(parts.length).optional() })
    .refine(d => Object.keys(d).length > 0, 'Nothing is changed')

/** Parts with some set otherwise and some put back. */
export function changedParts<Parts extends object>(
  now: Parts,
  parts: Record<string, unknown> | undefined,
  back: readonly string[] | undefined,
): Parts {
  const said = Object.entries({ ...now, ...parts })
  return Object.fromEntries(said.filter(([part]) => !back?.includes(part))) as Parts
}

/**
 * What speaks against an almanac with a row in it, said of fields of the entry: the row itself, all that follow it, own
 * numbers that stand on them.
 * @param own what the house says, with the row that is tried
 * @param names fields of the entry that are no parts
 * @param also what else may speak against it
 */
export function rowTrouble<Table extends 'species' | 'feeders'>(
  table: Table,
  id: string,
  own: OwnKnowledge,
  problemOf: (row: Almanac[Table][string], almanac: Almanac) => RowProblem | null,
  names: readonly string[],
  also: (almanac: Almanac) => Problem | null = () => null,
): Problem | null {
  try {
    const { almanac, refused } = withOwn(shipped, own)
    const refusal = refused.find(r => r.id === id)
    if (refusal) return { path: 'data.from', message: refusal.message }
    const other = also(almanac)
    if (other) return other
    const followers = standingOn(table === 'species' ? [...shipped.rows, ...own.species] : own.feeders, [id])
    for (const followed of followers) {
      const row = almanac[table][followed] as Almanac[Table][string] | undefined
      const problem = row && problemOf(row, almanac)
      if (!problem) continue
      const path = names.includes(problem.path) ? `data.${problem.path}` : `data.parts.${problem.path}`
      return { path, message: followed === id ? problem.message : `${row.name} follows it: ${problem.message}` }
    }
    withCheckedOwn(shipped, own)
    return null
  } catch (error) {
    if (!(error instanceof AlmanacError)) throw error
    return {
      path: 'data.parts',
      message: `A number of your own stands on what this changes; put it back first. ${error.message}`,
    }
  }
}

/** A row may be retired, which keeps it for what is written of it, and offered again. */
export const retiring = (subject: 'species' | 'feeder') => {
  const become = (kind: string, verb: string, retired: boolean, already: string, says: string) =>
    defineKind({
      kind,
      subject,
      verb,
      dayless: true,
      data: z.strictObject({}),
      apply(state: StateOf[typeof subject]) {
        state.retired = retired
      },
      check: state => (state.retired === retired ? { path: 'subject.id', message: already } : null),
      wording: () => says,
    })
  const lasting = 'Retired: kept for what is written of it, offered no more'
  return [
    become(`${subject}Retired`, `Retire ${subject}`, true, 'It is retired already', lasting),
    become(`${subject}Used`, `Offer ${subject} again`, false, 'It is offered already', 'Offered again'),
  ]
}
