import { clockOf, type BreedingEvent, type Species } from '../almanac'
import { daysAt, fitThermalTime } from '../incubation'
import { EVENT_NAMES } from '../pairing'

/** One event of the year of a species, in days from its beginning: warm-up, or being put together. */
export interface LifeEvent {
  event: BreedingEvent
  name: string
  earliest: number
  likely: number
  latest: number
}

const ORDERS: readonly (readonly BreedingEvent[])[] = [
  [
    'warmUp',
    'ready',
    'copulation',
    'ovulation',
    'postOvulationShed',
    'preLayShed',
    'laid',
    'hatched',
    'metamorphosed',
    'firstMeal',
  ],
  [
    'introduced',
    'copulation',
    'ovulation',
    'postOvulationShed',
    'preLayShed',
    'laid',
    'hatched',
    'metamorphosed',
    'firstMeal',
  ],
]

/**
 * The year of a species as its clocks have it, each event from the one before by the earliest, likely and latest of the
 * clocks between them. What no clock leads to is left out, and what comes after it too.
 * @returns events in order, the first on day 0; empty where no clock is known
 */
export function lifeYear(species: Species): LifeEvent[] {
  const events: LifeEvent[] = []
  const order = ORDERS[species.winter === 'none' ? 1 : 0]!.flatMap(e =>
    e === 'laid' ? (['laid', 'born'] as const) : [e],
  )
  const begin = order.find(e => Object.values(species.clocks).some(c => c.from === e))
  if (!begin) return []
  events.push({ event: begin, name: EVENT_NAMES[begin], earliest: 0, likely: 0, latest: 0 })
  for (const event of order.slice(order.indexOf(begin) + 1)) {
    // the nearest event before it that a clock leads from
    for (const before of [...events].reverse()) {
      const days = clockOf(species, before.event, event)?.days ?? hatchOf(species, before.event, event)
      if (!days) continue
      events.push({
        event,
        name: EVENT_NAMES[event],
        earliest: before.earliest + days.earliest,
        likely: before.likely + days.likely,
        latest: before.latest + days.latest,
      })
      break
    }
  }
  return events.sort((a, b) => a.likely - b.likely)
}

/** From laying to hatching, by the table at the usual temperature. */
function hatchOf({ incubation }: Species, from: BreedingEvent, to: BreedingEvent) {
  if (from !== 'laid' || to !== 'hatched' || !incubation) return undefined
  const likely = daysAt(fitThermalTime(incubation.points), incubation.usualTempC.value)
  const { value } = incubation.spreadShare
  return { earliest: likely * (1 - value), likely, latest: likely * (1 + value) }
}
