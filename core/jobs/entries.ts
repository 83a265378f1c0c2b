import { HOUSE_JOBS, THE_HOUSE, isRoundJob, type Finding, type Subject } from '../subjects'
import type { CareLine } from './lines'

/** An entry to be written, without its id and instant. */
export interface CareWrite {
  kind: string
  subject: Subject
  data: Record<string, unknown>
}

/**
 * What one tap on a line of care writes: one entry over all that stand together where most were done, else one a place.
 * @param but places of the line that were left out
 */
export function careEntries(
  line: Pick<CareLine, 'job' | 'areaId' | 'stops' | 'rest'>,
  but: ReadonlySet<string> = new Set(),
  found?: readonly Finding[],
): CareWrite[] {
  const { job, areaId, stops } = line
  if (areaId === null)
    return (HOUSE_JOBS as readonly string[]).includes(job)
      ? [{ kind: 'houseCared', subject: { type: 'settings', id: THE_HOUSE }, data: { job } }]
      : [{ kind: 'jobDone', subject: { type: 'job', id: job }, data: {} }]
  const done = stops.filter(s => !but.has(s.placeId))
  const each = () =>
    done.map(s => ({
      kind: 'cared',
      subject: { type: 'place' as const, id: s.placeId },
      data: { job, ...(found && { found: [...found] }) },
    }))
  // in an area all are covered but those that are named: also those at which it is not due are left as they are
  const left = [...line.rest, ...stops.filter(s => but.has(s.placeId)).map(s => s.placeId)]
  const together =
    isRoundJob(job) && done.length > left.length && done.length > 1 && done.every(s => s.placeId !== areaId)
  if (!together) return each()
  return [
    {
      kind: 'cared',
      subject: { type: 'place', id: areaId },
      data: { job, ...(left.length && { but: left }), ...(found && { found: [...found] }) },
    },
  ]
}
