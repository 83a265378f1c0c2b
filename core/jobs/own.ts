import type { Day } from '../chance'
import type { JobState } from '../subjects'
import { nextWeekday } from '../units'

type Rhythm = Pick<JobState, 'everyDays' | 'weekdays' | 'months' | 'toleranceDays' | 'fromDay'>

const monthOf = (day: Day): number => new Date(day * 86_400_000).getUTCMonth() + 1

/** Whether a job is done in the month of a day at all. */
export function isInSeason({ months }: Pick<Rhythm, 'months'>, day: Day): boolean {
  if (!months) return true
  const [month, { from, to }] = [monthOf(day), months]
  return from <= to ? month >= from && month <= to : month >= from || month <= to
}

/** The first day of the season that a day lies in. */
function seasonBegan(job: Rhythm, day: Day): Day {
  const { months } = job
  if (!months || !isInSeason(job, day)) return Number.NEGATIVE_INFINITY
  const date = new Date(day * 86_400_000)
  const year = date.getUTCFullYear() - (monthOf(day) < months.from ? 1 : 0)
  // all the year round, written as a season: it has no beginning
  if (isInSeason(job, Date.UTC(year, months.from - 1, 1) / 86_400_000 - 1)) return Number.NEGATIVE_INFINITY
  return Date.UTC(year, months.from - 1, 1) / 86_400_000
}

/** The first day from one on that is one of its days of the week, in its season; a year and a leap day hold them all. */
function firstDay(job: Rhythm, from: Day): Day {
  for (let day = from; day <= from + 372; day++) {
    const on = job.weekdays?.length ? Math.min(...job.weekdays.map(w => nextWeekday(day, w))) : day
    if (isInSeason(job, on)) return on
    day = on
  }
  return from + 372
}

/**
 * When an own job is due, and from when it is late. Out of its season nothing is left over; when the season begins it is
 * due anew, however long ago it was done.
 * @param last the day on which it was done last; null: never written
 */
export function ownDue(job: Rhythm, last: Day | null, today: Day): { due: Day; lateFrom: Day } {
  const next = last === null ? job.fromDay : last + (job.weekdays?.length ? 1 : job.everyDays)
  const from = Math.max(next, job.fromDay, seasonBegan(job, today))
  const due = firstDay(job, isInSeason(job, today) ? from : Math.max(from, today))
  return { due, lateFrom: due + job.toleranceDays + 1 }
}
