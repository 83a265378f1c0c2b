import { z } from 'zod'
import { FEEDER_PARTS, Feeder, feederProblem, partWords } from '../../almanac'
import { defineKind, type House, type Problem } from '../../log'
import { reference } from '../../reference'
import { changeSchema, changedParts, partsSchema, retiring, rowName, rowTrouble } from '../almanacRow'
import { ownKnowledge } from '../knowledge'
import { addedFeeder, type FeederState } from './state'

const NAMES = ['name', 'one', 'many'] as const
const Parts = partsSchema(Feeder.shape, FEEDER_PARTS)

const FeederAdded = z.strictObject({
  name: rowName,
  /** One of it, and several, as they stand in a sentence. */
  one: rowName,
  many: rowName,
  from: reference('feeder').nullable(),
  parts: Parts.default({}),
})
export type FeederAdded = z.output<typeof FeederAdded>

function problemWith(house: House, row: FeederState): Problem | null {
  const own = ownKnowledge(house)
  const feeders = [...own.feeders.filter(f => f.id !== row.id), row]
  return rowTrouble('feeders', row.id, { ...own, feeders }, feederProblem, NAMES)
}

const FeederChanged = changeSchema(
  { name: rowName.optional(), one: rowName.optional(), many: rowName.optional() },
  Parts,
  FEEDER_PARTS,
)

function change(state: FeederState, { parts, back, ...names }: z.output<typeof FeederChanged>): void {
  Object.assign(state, names)
  state.parts = changedParts(state.parts, parts, back)
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
    check: (_, data, { id }, { house }) => problemWith(house, addedFeeder(id, data)),
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
      const row = { ...state }
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
  ...retiring('feeder'),
]
