import { z } from 'zod'
import { defineKind, seen, type Problem } from '../../log'
import { freeText, lineOfText, reference } from '../../reference'
import { dayFromIso } from '../../units'
import { withCare } from '../careDone'
import { dayText } from '../fields'
import type { JobState } from './state'

const month = z.number({ error: 'A month is a number' }).int('1 to 12').min(1, '1 to 12').max(12, '1 to 12')
const when = {
  speciesId: reference('species').nullable().optional(),
  weekdays: z
    .array(z.number().int().min(0, 'Sunday is 0').max(6, 'Saturday is 6'))
    .min(1, 'One day at least')
    .max(7)
    .refine(days => new Set(days).size === days.length, 'A day is named twice')
    .nullable()
    .optional(),
  months: z.strictObject({ from: month, to: month }).nullable().optional(),
}

const JobData = z.strictObject({
  name: lineOfText(60, 'A job needs a name'),
  placeIds: z.array(reference('place')).max(500).default([]),
  everyDays: z
    .number({ error: 'Every so many days: a number' })
    .int('Whole days')
    .min(1, 'Every day at most')
    .max(2000, 'Every 2000 days at least'),
  toleranceDays: z.number({ error: 'A number of days' }).int('Whole days').min(0).max(400).default(1),
  from: dayText,
  ...when,
})

const ended = (state: JobState): Problem | null =>
  state.ended ? { path: 'subject.id', message: `${state.name} is no longer done` } : null

export const jobKinds = [
  defineKind({
    kind: 'jobAdded',
    subject: 'job',
    verb: 'Add job',
    founds: 'job',
    data: JobData,
    apply() {},
    wording: d =>
      `${d.name}: ${d.weekdays ? `on ${d.weekdays.length} days of the week` : `every ${d.everyDays === 1 ? 'day' : `${d.everyDays} days`}`}`,
  }),
  defineKind({
    kind: 'jobChanged',
    subject: 'job',
    verb: 'Change job',
    data: z.strictObject({
      name: JobData.shape.name.optional(),
      placeIds: JobData.shape.placeIds.unwrap().optional(),
      everyDays: JobData.shape.everyDays.optional(),
      toleranceDays: JobData.shape.toleranceDays.unwrap().optional(),
      from: dayText.optional(),
      ...when,
    }),
    apply(state, { from, ...data }) {
      Object.assign(state, data)
      if (from) state.fromDay = dayFromIso(from)
    },
    check: ended,
    wording: d => `Job changed${d.name ? `: ${d.name}` : ''}`,
  }),
  defineKind({
    kind: 'jobDone',
    subject: 'job',
    verb: 'Done',
    data: z.strictObject({ note: freeText(300).optional() }),
    apply(state, _, entry) {
      state.care = withCare(state.care, state.id, entry)
    },
    check: ended,
    wording: d => (d.note ? `Done: ${d.note}` : 'Done'),
  }),
  defineKind({
    kind: 'jobEnded',
    subject: 'job',
    verb: 'End job',
    data: z.strictObject({}),
    apply(state, _, entry) {
      state.ended = seen(entry)
    },
    check: ended,
    wording: () => 'No longer done',
  }),
]
