import { z } from 'zod'
import {
  AlmanacError,
  FEEDER_PARTS,
  Feeder,
  feederProblem,
  partWords,
  shippedAlmanac,
  withOverrides,
  withRows,
} from '../../almanac'
import { defineKind, type House, type Problem } from '../../log'
import { lineOfText, reference } from '../../reference'
import { ownRows } from '../ownRows'
import { ownNumbers } from '../ownNumbers'
import type { FeederState } from './state'

const Parts = z.strictObject(
  Object.fromEntries(FEEDER_PARTS.map(p => [p, (Feeder.shape[p] as z.ZodType).nullable().optional()])),
)
const NAME = 'A name is needed'

const FeederAdded = z.strictObject({
  name: lineOfText(80, NAME),
  /** One of it, and several, as they stand in a sentence. */
  one: lineOfText(80, NAME),
  many: lineOfText(80, NAME),
  from: reference('feeder').nullable(),
  parts: Parts.default({}),
})
export type FeederAdded = z.output<typeof FeederAdded>

function problemWith(house: House, row: FeederState): Problem | null {
  const rows = ownRows(house)
  const feeders = [...rows.feeders.filter(f => f.id !== row.id), row]
  const { almanac, refused } = withRows(shippedAlmanac, rows.species, feeders)
  const refusal = refused.find(r => r.id === row.id)
  if (refusal) return { path: 'data.from', message: refusal.message }
  for (const id of [row.id, ...feeders.filter(f => f.added && f.from === row.id).map(f => f.id)]) {
    const made = almanac.feeders[id]
    const problem = made && feederProblem(made, almanac)
    if (!problem) continue
    const path = ['name', 'one', 'many'].includes(problem.path) ? `data.${problem.path}` : `data.parts.${problem.path}`
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

const FeederChanged = z
  .strictObject({
    name: lineOfText(80, NAME).optional(),
    one: lineOfText(80, NAME).optional(),
    many: lineOfText(80, NAME).optional(),
    parts: Parts.optional(),
    back: z.array(z.enum(FEEDER_PARTS)).max(FEEDER_PARTS.length).optional(),
  })
  .refine(d => Object.keys(d).length > 0, 'Nothing is changed')

function change(state: FeederState, { name, one, many, parts, back }: z.output<typeof FeederChanged>): void {
  if (name !== undefined) state.name = name
  if (one !== undefined) state.one = one
  if (many !== undefined) state.many = many
  const now = Object.entries({ ...state.parts, ...(parts as FeederState['parts'] | undefined) })
  state.parts = Object.fromEntries(now.filter(([part]) => !back?.some(b => b === part)))
}

export const feederKinds = [
  defineKind({
    kind: 'feederAdded',
    subject: 'feeder',
    verb: 'Add feeder',
    founds: 'feeder',
    dayless: true,
    data: FeederAdded,
    apply() {},
    check: (_, { name, one, many, from, parts }, { id }, { house }) =>
      problemWith(house, {
        id,
        added: true,
        from,
        name,
        one,
        many,
        parts: parts as FeederState['parts'],
        retired: false,
      }),
    wording: d => `Feeder ${d.name} added`,
  }),
  defineKind({
    kind: 'feederChanged',
    subject: 'feeder',
    verb: 'Change feeder',
    dayless: true,
    data: FeederChanged,
    apply: change,
    check: (state, data, _, { house }) => {
      const row = { ...state, parts: { ...state.parts } }
      change(row, data)
      return problemWith(house, row)
    },
    wording: d =>
      `Feeder changed: ${[
        ...Object.keys(d).filter(k => k !== 'parts' && k !== 'back'),
        ...Object.keys(d.parts ?? {}),
        ...(d.back ?? []),
      ]
        .map(partWords)
        .join(', ')}`,
  }),
  defineKind({
    kind: 'feederRetired',
    subject: 'feeder',
    verb: 'Retire feeder',
    dayless: true,
    data: z.strictObject({}),
    apply(state) {
      state.retired = true
    },
    check: state => (state.retired ? { path: 'subject.id', message: 'It is retired already' } : null),
    wording: () => 'Retired: kept for what is written of it, offered no more',
  }),
  defineKind({
    kind: 'feederUsed',
    subject: 'feeder',
    verb: 'Offer feeder again',
    dayless: true,
    data: z.strictObject({}),
    apply(state) {
      state.retired = false
    },
    check: state => (state.retired ? null : { path: 'subject.id', message: 'It is offered already' }),
    wording: () => 'Offered again',
  }),
]
