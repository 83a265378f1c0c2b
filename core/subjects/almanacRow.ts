import { z } from 'zod'
import { AlmanacError, withOverrides, type Almanac, type RowProblem } from '../almanac'
import { defineKind, type House, type Problem, type StateOf } from '../log'
import { lineOfText } from '../reference'
import { ownNumbers } from './ownNumbers'

/** What the house says of a row of the almanac, be it a species or a feeder. */
interface Row {
  id: string
  added: boolean
  from: string | null
  name: string | null
  parts: object
  retired: boolean
}

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

interface Made<T> {
  almanac: Almanac
  rows: Readonly<Record<string, T>>
  refused: readonly { id: string; message: string }[]
  /** All that the house says of rows of this sort, with the one that is tried. */
  said: readonly Row[]
}

/**
 * What speaks against an almanac with a row in it, said of fields of the entry: the row itself, those that take over from
 * it, own numbers that stand on it.
 * @param names fields of the entry that are no parts
 */
export function rowTrouble<T extends { name: string }>(
  house: House,
  row: Row,
  { almanac, rows, refused, said }: Made<T>,
  problemOf: (made: T, almanac: Almanac) => RowProblem | null,
  names: readonly string[],
): Problem | null {
  const refusal = refused.find(r => r.id === row.id)
  if (refusal) return { path: 'data.from', message: refusal.message }
  for (const id of [row.id, ...said.filter(s => s.added && s.from === row.id).map(s => s.id)]) {
    const made = rows[id]
    const problem = made && problemOf(made, almanac)
    if (!problem) continue
    const path = names.includes(problem.path) ? `data.${problem.path}` : `data.parts.${problem.path}`
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
