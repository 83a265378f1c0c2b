import type { EggPhase, Incubation } from '../almanac'
import { certain, conditionFrom, convolve, pert, shift, type Day, type DayDist } from '../chance'

/** A phase that was begun, by its number from 0; the one after the last is development in the warm. */
export interface BegunPhase {
  index: number
  day: Day
}

export interface PhaseStanding {
  /** Number of the phase that runs; as many as there are phases: development. */
  index: number
  phase: EggPhase | null
  since: Day
  /** When it ends; null in the last one. */
  ends: DayDist | null
  /** When development begins: the day it did, or the days on which it may. */
  develops: DayDist
}

/**
 * Where eggs stand in the phases of their species. What is not written has not happened: a phase that is over its time
 * runs on, and its end is today or later.
 * @param startDay laying
 */
export function phaseStanding(
  { phases = [] }: Pick<Incubation, 'phases'>,
  startDay: Day,
  begun: readonly BegunPhase[],
  today: Day,
): PhaseStanding {
  const last = begun.reduce<BegunPhase>((a, b) => (b.index >= a.index ? b : a), { index: 0, day: startDay })
  const index = Math.min(last.index, phases.length)
  const phase = phases[index] ?? null
  if (!phase) return { index, phase, since: last.day, ends: null, develops: certain(last.day) }
  const planned = shift(pert(phase.days), last.day)
  const ahead = conditionFrom(planned, today)
  // past its latest day it ends when somebody moves it: today, for want of better
  const ends = ahead.p.length ? ahead : certain(today)
  const develops = phases.slice(index + 1).reduce((dist, p) => convolve(dist, pert(p.days)), ends)
  return { index, phase, since: last.day, ends, develops }
}
