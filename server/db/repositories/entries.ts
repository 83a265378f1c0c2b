import type { Knex } from 'knex'
import type { DatedEntry, Subject } from '#core/subjects'

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
  v: number
  recorded_at: string | null
  by: string | null
}

function entryOf([id, at, day, type, subjectId, kind, data, source, note, v, recordedAt, by]: Columns): DatedEntry {
  const entry: DatedEntry = { id, at, day, subject: { type, id: subjectId }, kind, data, source }
  if (note !== null) entry.note = note
  if (v > 1) entry.v = v
  if (recordedAt !== null) entry.recordedAt = recordedAt
  if (by !== null) entry.by = by
  return entry
}

function fromRow(row: Row): DatedEntry {
  const data = JSON.parse(row.data) as Record<string, unknown>
  const { id, at, day, subject_type, subject_id, kind, source, note, v, recorded_at, by } = row
  return entryOf([id, at, day, subject_type, subject_id, kind, data, source, note, v, recorded_at, by])
}

function toRow(e: DatedEntry): Row {
  return {
    id: e.id,
    at: e.at,
    day: e.day,
    subject_type: e.subject.type,
    subject_id: e.subject.id,
    kind: e.kind,
    data: JSON.stringify(e.data),
    source: e.source,
    note: e.note ?? null,
    v: e.v ?? 1,
    recorded_at: e.recordedAt ?? null,
    by: e.by ?? null,
  }
}

/** What is used of the database driver under Knex. */
interface Driver {
  prepare: (sql: string) => { iterate: () => Iterable<Row>; pluck: () => { iterate: () => Iterable<string> } }
}

const ROWS_AT_ONCE = 90
/** Rows of one JSON text when the whole log is read. */
const ROWS_A_TEXT = 500
const COLUMNS = 'id, at, day, subject_type, subject_id, kind, json(data), source, note, v, recorded_at, "by"'
type Columns = [
  id: string,
  at: string,
  day: number,
  type: Subject['type'],
  subjectId: string,
  kind: string,
  data: Record<string, unknown>,
  source: DatedEntry['source'],
  note: string | null,
  v: number,
  recordedAt: string | null,
  by: string | null,
]
/** A statement takes so many values at most; a list of ids may be longer. */
const IDS_AT_ONCE = 10_000

export async function insertEntries(db: Knex, entries: readonly DatedEntry[]): Promise<void> {
  await db.batchInsert('entries', entries.map(toRow), ROWS_AT_ONCE)
}

const REDATED_AT_ONCE = 5000
/** Days and instants of entries that another time zone reads otherwise; what they say stays. */
export async function redateEntries(db: Knex, entries: readonly DatedEntry[]): Promise<void> {
  for (let i = 0; i < entries.length; i += REDATED_AT_ONCE) {
    const rows = entries.slice(i, i + REDATED_AT_ONCE).map(e => [e.id, e.at, e.day])
    await db.raw(
      `UPDATE entries SET at = r.at, day = r.day
       FROM (SELECT value ->> 0 AS id, value ->> 1 AS at, value ->> 2 AS day FROM json_each(?)) AS r
       WHERE entries.id = r.id`,
      [JSON.stringify(rows)],
    )
  }
}

const isEntry = ({ data, day, at }: DatedEntry): boolean =>
  typeof data === 'object' && data !== null && Number.isInteger(day) && !Number.isNaN(Date.parse(at))

/** Rows that cannot be read are left where they are and told by their id; the others stand. */
function readRows(rows: Iterable<Row>): { entries: DatedEntry[]; unreadable: string[] } {
  const entries: DatedEntry[] = []
  const unreadable: string[] = []
  for (const row of rows) {
    try {
      const entry = fromRow(row)
      if (!isEntry(entry)) throw new TypeError('no entry')
      entries.push(entry)
    } catch {
      unreadable.push(row.id)
    }
  }
  return { entries, unreadable }
}

/**
 * The whole log as JSON texts of many rows, which is twice as quick as row by row. Null when one of them cannot be
 * read: then it takes the slow way to tell which.
 */
function readTexts(connection: Driver): DatedEntry[] | null {
  const sql = `SELECT json_group_array(json_array(${COLUMNS})) FROM entries GROUP BY rowid / ${ROWS_A_TEXT}`
  const entries: DatedEntry[] = []
  try {
    for (const text of connection.prepare(sql).pluck().iterate())
      for (const columns of JSON.parse(text) as Columns[]) {
        const entry = entryOf(columns)
        if (!isEntry(entry)) return null
        entries.push(entry)
      }
    return entries
  } catch {
    return null
  }
}

/** The whole logbook, voids and voided included, and the ids of rows that cannot be read. */
export async function readLogbook(db: Knex): Promise<{ entries: DatedEntry[]; unreadable: string[] }> {
  // in the order in which they were written, from the driver itself
  const connection = (await db.client.acquireConnection()) as Driver
  try {
    const entries = readTexts(connection)
    if (entries) return { entries, unreadable: [] }
    return readRows(connection.prepare('SELECT * FROM entries ORDER BY rowid').iterate())
  } finally {
    await db.client.releaseConnection(connection)
  }
}

/** The whole logbook as far as it can be read. */
export async function allEntries(db: Knex): Promise<DatedEntry[]> {
  return (await readLogbook(db)).entries
}

export async function entriesByIds(db: Knex, ids: readonly string[]): Promise<DatedEntry[]> {
  return readRows(await db<Row>('entries').whereIn('id', ids as string[])).entries
}

export async function entriesOfDay(db: Knex, day: number): Promise<DatedEntry[]> {
  return readRows(await db<Row>('entries').where({ day }).orderBy('at', 'desc').orderBy('id', 'desc')).entries
}

/** What is written of one subject, newest first, with the ids of those that were taken back. */
export async function entriesOfSubject(db: Knex, subject: Subject, limit: number): Promise<DatedEntry[]> {
  const rows = await db<Row>('entries')
    .where({ subject_type: subject.type, subject_id: subject.id })
    .orderBy('at', 'desc')
    .orderBy('id', 'desc')
    .limit(limit)
  return readRows(rows).entries
}

/** Which of these entries were taken back. */
export async function voidedAmong(db: Knex, ids: readonly string[]): Promise<Set<string>> {
  const voided = new Set<string>()
  for (let i = 0; i < ids.length; i += IDS_AT_ONCE) {
    const rows = await db<Row>('entries')
      .where({ kind: 'void', subject_type: 'entry' })
      .whereIn('subject_id', ids.slice(i, i + IDS_AT_ONCE))
      .select('subject_id')
    for (const row of rows) voided.add(row.subject_id)
  }
  return voided
}
