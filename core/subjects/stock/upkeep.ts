import { z } from 'zod'
import { defineKind, type CheckContext, type Problem } from '../../log'
import { jobId, withCare } from '../careDone'
import type { StockState } from './state'

function noSuchJob({ prey }: Pick<StockState, 'prey'>, job: string, { almanac }: Pick<CheckContext, 'almanac'>) {
  const known = almanac.feeders[prey]?.upkeep?.some(u => u.id === job)
  const problem: Problem = { path: 'data.job', message: 'Nothing of that comes round for this feeder' }
  return known ? null : problem
}

/** What comes round for a feeder while it is kept, in its cultures or for what was bought of it. */
export const upkeepKinds = [
  defineKind({
    kind: 'upkeepDone',
    subject: 'prey',
    verb: 'Record upkeep',
    data: z.strictObject({ job: jobId }),
    check: (state, { job }, _, context) => noSuchJob(state, job, context),
    apply(state, { job }, entry) {
      state.care = withCare(state.care, job, entry)
    },
    wording: () => 'Seen to',
  }),
  defineKind({
    kind: 'upkeepSet',
    subject: 'prey',
    verb: 'Set upkeep',
    data: z.strictObject({
      job: jobId,
      /** Null: not done here. Left out: as the almanac says. */
      everyDays: z
        .number({ error: 'Every so many days: a number' })
        .min(1, 'Every day at most')
        .max(2000, 'Every 2000 days at least')
        .nullable()
        .optional(),
    }),
    check: (state, { job }, _, context) => noSuchJob(state, job, context),
    apply(state, { job, everyDays }) {
      const { [job]: _, ...others } = state.rhythms ?? {}
      state.rhythms = everyDays === undefined ? others : { ...others, [job]: everyDays }
    },
    wording: d =>
      `Upkeep: ${d.everyDays === undefined ? 'as the Almanac says' : d.everyDays === null ? 'not done here' : `every ${d.everyDays} days`}`,
  }),
]
