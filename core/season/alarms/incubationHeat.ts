import type { Alarm, Lane } from '../contracts'

/** Eggs kept warmer or cooler than their table knows. */
export function incubationHeatAlarm(lane: Lane): Alarm | null {
  if (!lane.caution) return null
  return {
    id: `heat:${lane.id}`,
    level: 'watch',
    subject: lane.subject,
    text: `${lane.title}: ${lane.caution}`,
    todo: 'Set the true temperature of the incubator in Places.',
    reasons: lane.events.find(e => e.caution)?.reasons ?? [],
  }
}
