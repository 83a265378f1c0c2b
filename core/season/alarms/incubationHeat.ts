import type { Alarm, Lane } from '../contracts'
import { tellIncubationHeat } from './incubationHeatWording'

/** Eggs kept warmer or cooler than their table knows. */
export function incubationHeatAlarm({ id, subject, title, caution, events }: Lane): Alarm | null {
  if (!caution) return null
  return {
    id: `heat:${id}`,
    level: 'watch',
    subject,
    ...tellIncubationHeat(title, caution),
    reasons: events.find(e => e.caution)?.reasons ?? [],
  }
}
