import { z } from 'zod'
import { defineKind, seen, type Problem } from '../../log'
import { lineOfText, reference } from '../../reference'
import { dayFromIso } from '../../units'
import { withCare } from '../careDone'
import { dayText } from '../fields'
import type { JobState } from './state'

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
    wording: d => `${d.name}: every ${d.everyDays === 1 ? 'day' : `${d.everyDays} days`}`,
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
    data: z.strictObject({ note: z.string().max(300).optional() }),
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
