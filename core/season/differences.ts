import { summarise, type DaySummary } from '../chance'
import { EVENT_NAMES } from '../pairing'
import type { Season } from './contracts'
import { isAhead } from './lanes'

/** Need is compared over so many days. */
const COMPARED_DAYS = 60

/** What two seasons of one house say otherwise: days of events, and food needed. */
export interface SeasonDifferences {
  events: { laneId: string; title: string; event: string; before: DaySummary | null; after: DaySummary | null }[]
  /** Lanes that one of them has and the other has not. */
  gone: string[]
  come: string[]
  need: { prey: string; before: number; after: number }[]
  days: number
}

const isSameDay = (a: DaySummary | null, b: DaySummary | null) =>
  a?.low === b?.low && a?.median === b?.median && a?.high === b?.high

/**
 * Compares two seasons of the same day, lane by lane and prey by prey; what is the same is left out. O(lanes + prey).
 */
export function seasonDifferences(before: Season, after: Season): SeasonDifferences {
  const lanes = new Map(after.lanes.map(l => [l.id, l]))
  const known = new Set(before.lanes.map(l => l.id))
  const events: SeasonDifferences['events'] = []
  for (const lane of before.lanes) {
    const other = lanes.get(lane.id)
    if (!other) continue
    const ahead = (l: typeof lane) =>
      new Map(l.events.filter(e => isAhead(e, before.today)).map(e => [e.event, summarise(e.dist)]))
    const [was, is] = [ahead(lane), ahead(other)]
    for (const event of new Set([...was.keys(), ...is.keys()])) {
      const [a, b] = [was.get(event) ?? null, is.get(event) ?? null]
      if (!isSameDay(a, b))
        events.push({ laneId: lane.id, title: lane.title, event: EVENT_NAMES[event], before: a, after: b })
    }
  }
  const sum = (s: Season, prey: string) =>
    Math.round((s.prey.find(p => p.prey === prey)?.mean.slice(0, COMPARED_DAYS) ?? []).reduce((a, n) => a + n, 0))
  const need = [...new Set([...before.prey, ...after.prey].map(p => p.prey))]
    .map(prey => ({ prey, before: sum(before, prey), after: sum(after, prey) }))
    .filter(n => n.before !== n.after)
  return {
    events,
    gone: before.lanes.filter(l => !lanes.has(l.id)).map(l => l.title),
    come: after.lanes.filter(l => !known.has(l.id)).map(l => l.title),
    need,
    days: COMPARED_DAYS,
  }
}
