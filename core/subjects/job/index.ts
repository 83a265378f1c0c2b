import { defineSubject } from '../../log'
import { dayFromIso } from '../../units'
import { jobKinds } from './kinds'
import type { JobState } from './state'

type Said = Pick<JobState, 'name' | 'everyDays'> &
  Partial<Pick<JobState, 'placeIds' | 'toleranceDays' | 'speciesId' | 'weekdays' | 'months'>> & { from: string }

export const job = defineSubject({
  type: 'job',
  collection: 'jobs',
  noun: { one: 'job', many: 'jobs' },
  kinds: jobKinds,
  found: ({ id, data }) => {
    const { from, ...rest } = data as unknown as Said
    return { id, placeIds: [], toleranceDays: 1, ...rest, fromDay: dayFromIso(from), ended: null }
  },
})
