import { ROUND_JOBS, speciesOf, type Almanac, type RoundJob } from '../almanac'
import type { Day } from '../chance'
import { residentsOf } from '../climate'
import { waysUp } from '../places'
import { isRoundJob, type Care, type House, type Place } from '../subjects'
import { ownDue } from './own'
import type { JobRhythm } from './rhythm'
import { isLookedFor, rhythmProposal, type RhythmProposal } from './learned'

/** A job at one place, as it stands today. */
export interface JobDue extends JobRhythm {
  placeId: string
  /** When it was last done; null: never written. */
  last: Care | null
  due: Day
  /** The first day on which it is late. */
  lateFrom: Day
  /** Times that it is done on one day, and times that it was today. */
  timesADay: number
  doneToday: number
  /** Another rhythm that what was found speaks for. */
  proposal: RhythmProposal | null
}

/** Own rhythms of a place: its own over those of what it stands in. */
function ownRhythms(house: House, placeId: string): Readonly<Record<string, number | null>> {
  let own: Record<string, number | null> = {}
  for (const { rhythms } of waysUp(house.places, placeId)) if (rhythms) own = { ...rhythms, ...own }
  return own
}

/** What the species that live in a place want of a job: the most often of them. */
function wanted(speciesIds: Iterable<string>, almanac: Almanac, job: RoundJob): JobRhythm | null {
  let most: JobRhythm | null = null
  for (const speciesId of speciesIds) {
    const rhythm = speciesOf(almanac, speciesId).rounds?.[job]
    if (!rhythm || (most && rhythm.everyDays.value >= most.everyDays)) continue
    most = {
      job,
      everyDays: rhythm.everyDays.value,
      toleranceDays: rhythm.toleranceDays.value,
      speciesId,
      fact: rhythm.everyDays,
    }
  }
  return most
}

/** The jobs that come round at a place, by who lives there and what the house says of it. */
export function rhythmsOf(house: House, almanac: Almanac, placeId: string): JobRhythm[] {
  const residents = residentsOf(house).get(placeId)
  if (!residents?.length) return []
  const speciesIds = new Set(residents.map(r => r.speciesId))
  const rhythms = ownRhythms(house, placeId)
  return ROUND_JOBS.flatMap((job): JobRhythm[] => {
    const own = rhythms[job]
    const byKind = wanted(speciesIds, almanac, job)
    if (own === null) return []
    if (own === undefined) return byKind ? [byKind] : []
    // a house that sets its own rhythm keeps the tolerance of the kind, or a third of the rhythm
    const toleranceDays = byKind?.toleranceDays ?? Math.floor(own / 3)
    return [{ job, everyDays: own, toleranceDays, speciesId: null, fact: null }]
  })
}

/** When a job was last done by a day, and how often on that day. */
interface Done {
  last: Care | null
  today: number
}

/** Counts times of a job; what is written ahead has not been done yet. */
function count(done: Done, times: readonly Care[], today: Day, butId?: string): void {
  for (const care of times) {
    if (care.day > today || (butId !== undefined && care.but.includes(butId))) continue
    if (care.day === today) done.today++
    if (!done.last || care.day > done.last.day) done.last = care
  }
}

/** A reading of the UV index by hand is the job of reading it. */
const uvRead = ({ measured }: Place): Care[] =>
  (measured ?? []).flatMap(({ channel, day, at, entryId }) =>
    channel === 'uvIndex' ? [{ day, at, entryId, but: [] }] : [],
  )

/**
 * The times that a job was done at a place: there, or over all that stands in the same one. What is done over a rack
 * counts for what stands in it, and not for what stands deeper: that has a rack of its own.
 */
function timesDone({ places }: Pick<House, 'places'>, place: Place, job: string, today: Day): Done {
  const done: Done = { last: null, today: 0 }
  const own = place.care?.[job]
  const over = place.parentId ? places[place.parentId]?.care?.[job] : undefined
  if (own) count(done, own, today)
  if (over) count(done, over, today, place.id)
  if (job === 'uvReading') count(done, uvRead(place), today)
  return done
}

/** How a job stands at a place today. */
function standing(house: House, rhythm: JobRhythm, place: Place, today: Day): JobDue {
  const { last, today: doneToday } = timesDone(house, place, rhythm.job, today)
  const timesADay = Math.max(1, Math.round(1 / rhythm.everyDays))
  const wholeDays = Math.max(1, Math.round(rhythm.everyDays))
  const next = last ? last.day + wholeDays : today
  const due = timesADay > 1 && last?.day === today && doneToday < timesADay ? today : next
  const lateFrom = last ? last.day + wholeDays + Math.floor(rhythm.toleranceDays) + 1 : Number.POSITIVE_INFINITY
  return { ...rhythm, placeId: place.id, last, due, lateFrom, timesADay, doneToday, proposal: null }
}

/** Every job that comes round at a place, soonest first as it was declared. */
export function jobsAt(house: House, almanac: Almanac, placeId: string, today: Day): JobDue[] {
  const place = house.places[placeId]
  if (!place) return []
  const speciesIds = new Set((residentsOf(house).get(placeId) ?? []).map(r => r.speciesId))
  return rhythmsOf(house, almanac, placeId).map(rhythm => {
    const stands = standing(house, rhythm, place, today)
    if (!isRoundJob(rhythm.job) || !isLookedFor(rhythm.job)) return stands
    const usual = wanted(speciesIds, almanac, rhythm.job)
    return { ...stands, proposal: rhythmProposal(house, place, rhythm, usual, today, almanac.common) }
  })
}

/** Places at which own jobs are done: those that they name, and those in which their species lives. */
export function placesOfOwnJobs(house: House): ReadonlySet<string> {
  const jobs = Object.values(house.jobs).filter(j => !j.ended)
  const species = new Set(jobs.flatMap(j => j.speciesId ?? []))
  const lived = species.size
    ? [...residentsOf(house)].flatMap(([id, who]) => (who.some(r => species.has(r.speciesId)) ? [id] : []))
    : []
  return new Set([...jobs.flatMap(j => j.placeIds), ...lived])
}

/** Own jobs of the house at places, as they stand today. */
export function ownJobsAt(house: House, placeId: string, today: Day): (JobDue & { name: string })[] {
  const place = house.places[placeId]
  if (!place) return []
  const lives = (speciesId: string | null | undefined) =>
    Boolean(speciesId) && (residentsOf(house).get(placeId) ?? []).some(r => r.speciesId === speciesId)
  return Object.values(house.jobs)
    .filter(job => !job.ended && (job.placeIds.includes(placeId) || lives(job.speciesId)))
    .map(job => {
      const { id, name, everyDays, toleranceDays } = job
      const stands = standing(house, { job: id, everyDays, toleranceDays, speciesId: null, fact: null }, place, today)
      return { ...stands, name, ...ownDue(job, stands.last?.day ?? null, today) }
    })
}
