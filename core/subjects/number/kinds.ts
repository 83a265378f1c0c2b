import { z } from 'zod'
import { shipped, withCheckedOwn, type Override } from '../../almanac'
import { defineKind, type House, type Problem } from '../../log'
import { lineOfText } from '../../reference'
import { ownKnowledge } from '../knowledge'

/** Why the almanac cannot be used with these in the place of one that stands. */
function refused(house: House, replaced: string, by: Override[], path: string): Problem | null {
  const own = ownKnowledge(house)
  try {
    withCheckedOwn(shipped, { ...own, numbers: [...own.numbers.filter(n => n.path !== replaced), ...by] })
    return null
  } catch (error) {
    return { path, message: error instanceof Error ? error.message : String(error) }
  }
}

export const numberKinds = [
  defineKind({
    kind: 'numberSet',
    subject: 'number',
    verb: 'Set own number',
    dayless: true,
    data: z.strictObject({
      value: z.number({ error: 'The value must be a number' }),
      note: lineOfText(300).optional(),
    }),
    apply(state, { value, note }) {
      state.value = value
      if (note === undefined) delete state.note
      else state.note = note
    },
    check: (state, { value }, _, { house }) => refused(house, state.path, [{ path: state.path, value }], 'data.value'),
    wording: d => `Own number set: ${d.value}`,
  }),
  defineKind({
    kind: 'numberDropped',
    subject: 'number',
    verb: 'Use the shipped number',
    dayless: true,
    data: z.strictObject({}),
    apply(state) {
      state.value = null
      delete state.note
    },
    check: (state, _, __, { house }) =>
      state.value === null
        ? { path: 'subject.id', message: 'The house has no number of its own there' }
        : refused(house, state.path, [], 'subject.id'),
    wording: () => 'Own number dropped',
  }),
]
