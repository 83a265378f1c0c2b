import type { BreedingEvent, Species } from '../almanac'
import type { Lane } from './contracts'

/** What comes of every pair or clutch of a species, in its order: without one of these the rest cannot be forecast. */
const MILESTONES: Readonly<Record<Species['mode'], readonly BreedingEvent[]>> = {
  egg: ['laid', 'hatched', 'firstMeal'],
  live: ['born', 'firstMeal'],
  larval: ['laid', 'hatched', 'metamorphosed', 'firstMeal'],
}

/**
 * The event at which the forecast of a lane ends because the almanac does not know what it takes, and the part of the
 * species to set; null when it is forecast as far as the first meal, or when nothing more is expected at all.
 */
export function notKnownOf(
  lane: Pick<Lane, 'events' | 'stage'>,
  species: Species,
): { event: BreedingEvent; part: 'incubation' | 'clocks' } | null {
  const has = (event: BreedingEvent) => lane.events.some(e => e.event === event)
  const milestones = MILESTONES[species.mode]
  // a season that is over shows its layings only
  if (
    lane.stage === 'pairing' &&
    lane.events.length > 0 &&
    lane.events.every(e => e.observed && e.event === milestones[0])
  )
    return null
  const last = milestones.reduce((at, event, i) => (has(event) ? i : at), -1)
  const next = milestones[last + 1]
  if (!next) return null
  return { event: next, part: next === 'hatched' && species.mode === 'egg' ? 'incubation' : 'clocks' }
}
