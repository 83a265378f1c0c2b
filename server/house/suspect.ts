import { findEntry, subjectKey, tellEntry, type ReadUnits, type Records } from '#core/subjects'
import type { Alarm } from '#core/season'
import { formatDay } from '#core/units'

/**
 * An alarm of something that cannot be computed, with the entry that is likely behind it: of its subject, the one
 * written last.
 */
export function suspectOf(alarm: Alarm, records: Records, units: ReadUnits): Alarm {
  if (!alarm.broken || !alarm.subject) return alarm
  const own = records.entries.get(subjectKey(alarm.subject)) ?? []
  // ids carry the time at which they were made
  const entry = alarm.suspectId
    ? findEntry(records, alarm.suspectId)
    : [...own].sort((a, b) => (a.id < b.id ? -1 : 1)).at(-1)
  return entry
    ? { ...alarm, suspectId: entry.id, suspect: `${tellEntry(entry, units)}, ${formatDay(entry.day)}` }
    : alarm
}
