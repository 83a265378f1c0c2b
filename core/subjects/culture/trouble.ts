import { z } from 'zod'
import { defineKind, type Problem } from '../../log'
import { causeName } from './causes'
import { TROUBLES, TROUBLE_WORDS } from './state'

/** What was found in cultures and, one by one, what it came from. */
export const troubleKinds = [
  defineKind({
    kind: 'cultureFound',
    subject: 'culture',
    verb: 'Record finding',
    data: z.strictObject({
      what: z.enum(TROUBLES),
      note: z.string().trim().max(300, 'At most 300 characters').optional(),
    }),
    fields: { note: { label: 'Note', as: 'text' } },
    check: (state, { what }): Problem | null =>
      state.failed || state.finished
        ? { path: 'subject.id', message: `${state.tag} is no longer running` }
        : state.troubles.some(t => t.what === what && !t.over)
          ? { path: 'data.what', message: `${state.tag}: that is written and not over yet` }
          : null,
    apply(state, { what, note }, entry) {
      state.troubles.push({
        entryId: entry.id,
        day: entry.day,
        what,
        ...(note && { note }),
        not: [],
        cause: null,
        over: null,
      })
    },
    wording: d => `Found: ${TROUBLE_WORDS[d.what]}${d.note ? `, ${d.note}` : ''}`,
  }),
  defineKind({
    kind: 'troubleFollowed',
    subject: 'culture',
    verb: 'Follow finding',
    data: z
      .strictObject({
        /** The entry by which it was found. */
        of: z.string().min(1).max(80),
        says: z.enum(['not', 'is', 'over']),
        cause: z.string().min(1).max(40).optional(),
      })
      .refine(d => (d.says === 'over') === (d.cause === undefined), {
        path: ['cause'],
        message: 'A cause is named where it is it, or is not',
      }),
    check: (state, { of }): Problem | null =>
      state.troubles.some(t => t.entryId === of && !t.over)
        ? null
        : { path: 'data.of', message: 'Nothing of that is open any more' },
    apply(state, { of, says, cause }, entry) {
      const trouble = state.troubles.find(t => t.entryId === of)
      if (!trouble) return
      if (says === 'over') trouble.over = { day: entry.day, entryId: entry.id }
      else if (says === 'is') {
        trouble.cause = cause!
        trouble.not = trouble.not.filter(c => c !== cause)
      } else {
        if (trouble.cause === cause) trouble.cause = null
        if (!trouble.not.includes(cause!)) trouble.not.push(cause!)
      }
    },
    wording: ({ says, cause = '' }) =>
      says === 'over' ? 'It is over' : `${says === 'is' ? 'Cause' : 'Not the cause'}: ${causeName(cause)}`,
  }),
]
