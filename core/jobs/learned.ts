import type { Almanac } from '../almanac'
import type { Day } from '../chance'
import type { Care, House, Place } from '../subjects'
import type { JobRhythm } from './rhythm'

/** Jobs that look for something: where nothing is found for long, they may come round less often. */
export const isLookedFor = (job: string): boolean => job === 'spotClean' || job === 'lightClean'

/** A rhythm that the place itself speaks for; it is proposed, and set by nobody but the keeper. */
export interface RhythmProposal {
  everyDays: number
  /** How often in a row nothing, or something, was found. */
  times: number
  why: 'nothingFound' | 'somethingFound'
}

/** The times of a job at a place at which it was said whether something was found, newest first. */
function saidOf({ places }: Pick<House, 'places'>, place: Place, job: string, today: Day): Care[] {
  const over = place.parentId ? (places[place.parentId]?.care?.[job] ?? []) : []
  return [...(place.care?.[job] ?? []), ...over.filter(c => !c.but.includes(place.id))]
    .filter(c => c.day <= today && c.found !== undefined)
    .sort((a, b) => b.at - a.at)
}

/**
 * For a job that looks for something: a longer rhythm where nothing was found so many times in a row, at most the rhythm of its species and what it bears
 * beyond that; the rhythm of the species again where a longer one finds something twice.
 * @param usual what the species that live there want; null where none wants it
 * @param now the rhythm in force
 * @returns null where there is nothing to propose
 */
export function rhythmProposal(
  house: Pick<House, 'places'>,
  place: Place,
  now: JobRhythm,
  usual: JobRhythm | null,
  today: Day,
  common: Almanac['common'],
): RhythmProposal | null {
  if (!usual) return null
  const said = saidOf(house, place, now.job, today)
  const calm = said.findIndex(c => c.found)
  const empty = calm < 0 ? said.length : calm
  const most = Math.max(1, Math.round(usual.everyDays)) + Math.floor(usual.toleranceDays)
  if (empty >= common.calmTimes!.value) {
    const longer = Math.min(most, Math.max(Math.ceil(now.everyDays * common.calmLonger!.value), now.everyDays + 1))
    return longer > now.everyDays ? { everyDays: longer, times: empty, why: 'nothingFound' } : null
  }
  const full = said.findIndex(c => !c.found)
  const found = full < 0 ? said.length : full
  return found >= 2 && now.everyDays > usual.everyDays
    ? { everyDays: usual.everyDays, times: found, why: 'somethingFound' }
    : null
}
