import type { Knex } from 'knex'
import type { DatedEntry, Subject } from '#core/logbook'

interface Row {
  id: string
  at: string
  day: number
  subject_type: Subject['type']
  subject_id: string
  kind: string
  data: string
  source: DatedEntry['source']
  note: string | null
}

function fromRow(row: Row): DatedEntry {
  return {
    id: row.id, at: row.at, day: row.day, subject: { type: row.subject_type, id: row.subject_id }, kind: row.kind, data: JSON.parse(row.data) as Record<string, unknown>, source: row.source,
    ...(row.note !== null && { note: row.note }),
  }
}

function toRow(e: DatedEntry): Row {
  return { id: e.id, at: e.at, day: e.day, subject_type: e.subject.type, subject_id: e.subject.id, kind: e.kind, data: JSON.stringify(e.data), source: e.source, note: e.note ?? null }
}

const ROWS_AT_ONCE = 90

export async function insertEntries(db: Knex, entries: readonly DatedEntry[]): Promise<void> {
  await db.batchInsert('entries', entries.map(toRow), ROWS_AT_ONCE)
}

/** The whole logbook, voids and voided included. */
export async function allEntries(db: Knex): Promise<DatedEntry[]> {
  return (await db<Row>('entries').select()).map(fromRow)
}

export async function entriesByIds(db: Knex, ids: readonly string[]): Promise<DatedEntry[]> {
  return (await db<Row>('entries').whereIn('id', ids as string[])).map(fromRow)
}

export async function entriesOfDay(db: Knex, day: number): Promise<DatedEntry[]> {
  return (await db<Row>('entries').where({ day }).orderBy('at', 'desc').orderBy('id', 'desc')).map(fromRow)
}

/** What is written of one subject, newest first, with the ids of those that were taken back. */
export async function entriesOfSubject(db: Knex, subject: Subject, limit: number): Promise<DatedEntry[]> {
  const rows = await db<Row>('entries').where({ subject_type: subject.type, subject_id: subject.id }).orderBy('at', 'desc').orderBy('id', 'desc').limit(limit)
  return rows.map(fromRow)
}

/** Which of these entries were taken back. */
export async function voidedAmong(db: Knex, ids: readonly string[]): Promise<Set<string>> {
  const rows = await db<Row>('entries').where({ kind: 'void' }).whereIn('subject_id', ids as string[]).select('subject_id')
  return new Set(rows.map(r => r.subject_id))
}
