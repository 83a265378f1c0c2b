import { ROUND_JOBS, type Almanac, type Fact } from '../almanac'
import type { Day } from '../chance'
import { residentsOf } from '../climate'
import { compareRoutes, isQuarantine, routeTo } from '../places'
import {
  HOUSE_JOBS,
  HOUSE_JOB_WORDS,
  JOB_WORDS,
  THE_HOUSE,
  isRoundJob,
  type Care,
  type House,
  type JobState,
} from '../subjects'
import { jobsAt, ownJobsAt, placesOfOwnJobs, type JobDue } from './due'
import { ownDue } from './own'
import type { RhythmProposal } from './learned'

/** One place of a line of care. */
export interface CareStop {
  placeId: string
  lastDay: Day | null
  due: Day
  late: boolean
  /** Another rhythm that what was found there speaks for. */
  proposal?: RhythmProposal
}

/** One job to do today in places that stand together: one tap, with exceptions. */
export interface CareLine {
  id: string
  job: string
  name: string
  /** What the places stand in; null for the house as a whole. */
  areaId: string | null
  stops: CareStop[]
  /** Places of the area at which it comes round and is not due today. */
  rest: string[]
  timesADay: number
  /** The fewest times that it was done today at one of them. */
  doneToday: number
  /** The shortest rhythm among them, and where it comes from. */
  everyDays: number
  speciesId: string | null
  fact: Fact | null
  caution: string | null
}

const WASH = 'Wash hands after each tank: Salmonella. Tools of the sick stay with the sick.'
const CAUTIONS: Readonly<Record<string, string>> = {
  spotClean: WASH,
  lightClean: WASH,
  fullChange: WASH,
  uvReading: 'Do not look into the lamp; measure where the animal sits.',
  smokeAlarm: 'Heat mats and lamps burn houses.',
}

const isLate = (job: JobDue, today: Day): boolean => today >= job.lateFrom

function lineOf(job: string, name: string, areaId: string, at: readonly JobDue[], today: Day): CareLine | null {
  const due = at.filter(j => j.due <= today)
  if (!due.length) return null
  const most = due.reduce((a, b) => (b.everyDays < a.everyDays ? b : a))
  return {
    id: `care:${job}:${areaId}`,
    job,
    name,
    areaId,
    stops: due.map(j => ({
      placeId: j.placeId,
      lastDay: j.last?.day ?? null,
      due: j.due,
      late: isLate(j, today),
      ...(j.proposal && { proposal: j.proposal }),
    })),
    rest: at.filter(j => j.due > today).map(j => j.placeId),
    timesADay: most.timesADay,
    doneToday: Math.min(...due.map(j => j.doneToday)),
    everyDays: most.everyDays,
    speciesId: most.speciesId,
    fact: most.fact,
    caution: CAUTIONS[job] ?? null,
  }
}

function houseLine(job: JobState, times: readonly Care[], today: Day) {
  const last = times.filter(c => c.day <= today).at(-1) ?? null
  const { due, lateFrom } = ownDue(job, last?.day ?? null, today)
  if (due > today) return null
  const late = last !== null && today >= lateFrom
  const stop = { placeId: '', lastDay: last?.day ?? null, due, late }
  return { job: job.id, name: job.name, stops: [stop], everyDays: job.everyDays }
}

/** Tests of the house, and own jobs that are of no place. */
function houseLines(house: House, almanac: Almanac, today: Day): CareLine[] {
  const { houseTestEvery, houseTestLate } = almanac.common
  const done = house.settings[THE_HOUSE]?.care
  const blank = { areaId: null, rest: [], timesADay: 1, doneToday: 0, speciesId: null, fact: null }
  const tests = HOUSE_JOBS.flatMap(job => {
    const test: JobState = {
      id: job,
      name: HOUSE_JOB_WORDS[job],
      placeIds: [],
      everyDays: houseTestEvery!.value,
      toleranceDays: houseTestLate!.value,
      // one that was never done is due today
      fromDay: (done?.[job] ?? []).some(c => c.day <= today) ? 0 : today,
      ended: null,
    }
    const line = houseLine(test, done?.[job] ?? [], today)
    return line ? [{ ...blank, ...line, id: `care:${job}`, fact: houseTestEvery!, caution: CAUTIONS[job] ?? null }] : []
  })
  const own = Object.values(house.jobs).flatMap(job => {
    if (job.ended || job.placeIds.length || job.speciesId) return []
    const line = houseLine(job, job.care?.[job.id] ?? [], today)
    return line ? [{ ...blank, ...line, id: `care:${job.id}`, caution: null }] : []
  })
  return [...own, ...tests]
}

/** Order in which jobs are done: mist and lamps first, own ones last. */
const orderOf = (job: string): number => (isRoundJob(job) ? ROUND_JOBS.indexOf(job) : ROUND_JOBS.length)

/**
 * The care that is due today, in walking order: one line for each job and each thing that places stand in. O(places ·
 * jobs).
 * @param jobsOf how the jobs of a place stand, for whoever remembers them
 */
export function careLines(
  house: House,
  almanac: Almanac,
  today: Day,
  jobsOf: (placeId: string) => readonly JobDue[] = placeId => jobsAt(house, almanac, placeId, today),
): CareLine[] {
  const areas = new Map<string, { areaId: string; jobs: Map<string, { name: string; at: JobDue[] }> }>()
  const add = (placeId: string, job: JobDue, name: string) => {
    const areaId = house.places[placeId]?.parentId ?? placeId
    const area = areas.get(areaId) ?? { areaId, jobs: new Map<string, { name: string; at: JobDue[] }>() }
    areas.set(areaId, area)
    const of = area.jobs.get(job.job) ?? { name, at: [] }
    of.at.push(job)
    area.jobs.set(job.job, of)
  }
  for (const placeId of residentsOf(house).keys())
    for (const job of jobsOf(placeId)) add(placeId, job, isRoundJob(job.job) ? JOB_WORDS[job.job].name : job.job)
  for (const placeId of placesOfOwnJobs(house))
    for (const job of ownJobsAt(house, placeId, today)) add(placeId, job, job.name)
  const routes = new Map([...areas.keys()].map(id => [id, routeTo(house.places, id)]))
  const order = (id: string) => house.places[id]?.order ?? 0
  const lines = [...areas.values()]
    .sort(
      (a, b) =>
        Number(isQuarantine(house.places, a.areaId)) - Number(isQuarantine(house.places, b.areaId)) ||
        compareRoutes(routes.get(a.areaId)!, routes.get(b.areaId)!),
    )
    .flatMap(({ areaId, jobs }) =>
      [...jobs]
        .sort(([a], [b]) => orderOf(a) - orderOf(b))
        .flatMap(([job, { name, at }]) => {
          const sorted = [...at].sort((a, b) => order(a.placeId) - order(b.placeId))
          return lineOf(job, name, areaId, sorted, today) ?? []
        }),
    )
  return [...lines, ...houseLines(house, almanac, today)]
}
