import type { PlaceLogs } from '../channels'
import type { DatedEntry, Subject } from './entry'

export const subjectKey = (s: Subject): string => `${s.type}:${s.id}`

/**
 * The rows that the house is folded from. Never changed in place: adding or voiding an entry gives new records that
 * share every untouched list, so that a fold can remember what it has already done.
 */
export interface Records {
  /** Standing (not voided) entries by subject, in order of time. */
  entries: ReadonlyMap<string, readonly DatedEntry[]>
  /** Hourly readings by place. */
  climate: Readonly<Record<string, PlaceLogs>>
}

/** Instants written alike, in UTC to the millisecond, sort as they are written; others are read. */
const isPlain = (at: string) => at.length === 24 && at.endsWith('Z')

/** Order of time: by the instant, whatever offset it is written in, then by id. */
export function inOrder(a: Pick<DatedEntry, 'at' | 'id'>, b: Pick<DatedEntry, 'at' | 'id'>): number {
  const between =
    isPlain(a.at) && isPlain(b.at) ? (a.at < b.at ? -1 : a.at > b.at ? 1 : 0) : Date.parse(a.at) - Date.parse(b.at)
  return between || (a.id < b.id ? -1 : 1)
}

/** Groups a log by subject and leaves out what was voided. O(n log n). */
export function recordsFrom(log: Iterable<DatedEntry>, climate: Records['climate'] = {}): Records {
  const voided = new Set<string>()
  const grouped = new Map<string, DatedEntry[]>()
  const rows = [...log]
  for (const e of rows) if (e.kind === 'void') voided.add(e.subject.id)
  for (const e of rows) {
    if (e.kind === 'void' || voided.has(e.id)) continue
    const key = subjectKey(e.subject)
    const list = grouped.get(key)
    if (list) list.push(e)
    else grouped.set(key, [e])
  }
  for (const list of grouped.values()) list.sort(inOrder)
  return { entries: grouped, climate }
}

/** Records with one more entry; a void takes its target out instead. */
export function withEntry(records: Records, entry: DatedEntry): Records {
  const entries = new Map(records.entries)
  if (entry.kind === 'void') {
    const target = findEntry(records, entry.subject.id)
    if (!target) return records
    const key = subjectKey(target.subject)
    const left = entries.get(key)!.filter(e => e.id !== target.id)
    if (left.length) entries.set(key, left)
    else entries.delete(key)
    return { ...records, entries }
  }
  const key = subjectKey(entry.subject)
  entries.set(key, [...(entries.get(key) ?? []), entry].sort(inOrder))
  return { ...records, entries }
}

/** Records with many more entries, none of them a void. O(records + entries). */
export function withEntries(records: Records, more: readonly DatedEntry[]): Records {
  const added = new Map<string, DatedEntry[]>()
  for (const entry of more) {
    const key = subjectKey(entry.subject)
    added.set(key, [...(added.get(key) ?? []), entry])
  }
  const entries = new Map(records.entries)
  for (const [key, list] of added) entries.set(key, [...(entries.get(key) ?? []), ...list].sort(inOrder))
  return { ...records, entries }
}

/** A standing entry by its id. O(n): for undo and checks, not for loops. */
export function findEntry(records: Records, id: string): DatedEntry | undefined {
  for (const list of records.entries.values()) {
    const found = list.find(e => e.id === id)
    if (found) return found
  }
  return undefined
}
