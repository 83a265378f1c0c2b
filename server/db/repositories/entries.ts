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

function fromRow(row: Row): DatedEntry {
  return {
    id: row.id,
    at: row.at,
    day: row.day,
    subject: { type: row.subject_type, id: row.subject_id },
    kind: row.kind,
    data: JSON.parse(row.data) as Record<string, unknown>,
    source: row.source,
    ...(row.note !== null && { note: row.note }),
    ...(row.v > 1 && { v: row.v }),
    ...(row.recorded_at !== null && { recordedAt: row.recorded_at }),
    ...(row.by !== null && { by: row.by }),
  }
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
  prepare: (sql: string) => { iterate: () => Iterable<Row> }
}

const ROWS_AT_ONCE = 90
/** A statement takes so many values at most; a list of ids may be longer. */
const IDS_AT_ONCE = 10_000

export async function insertEntries(db: Knex, entries: readonly DatedEntry[]): Promise<void> {
  await db.batchInsert('entries', entries.map(toRow), ROWS_AT_ONCE)
}

/** Rows that cannot be read are left where they are and told by their id; the others stand. */
function readRows(rows: Iterable<Row>): { entries: DatedEntry[]; unreadable: string[] } {
  const entries: DatedEntry[] = []
  const unreadable: string[] = []
  for (const row of rows) {
    try {
      const entry = fromRow(row)
      if (
        typeof entry.data !== 'object' ||
        entry.data === null ||
        !Number.isInteger(entry.day) ||
        Number.isNaN(Date.parse(entry.at))
      )
        throw new TypeError('no entry')
      entries.push(entry)
    } catch {
      unreadable.push(row.id)
    }
  }
  return { entries, unreadable }
}

/** The whole logbook, voids and voided included, and the ids of rows that cannot be read. */
export async function readLogbook(db: Knex): Promise<{ entries: DatedEntry[]; unreadable: string[] }> {
  // in the order in which they were written; row by row from the driver itself, which is quicker by half for long logs
  const connection = (await db.client.acquireConnection()) as Driver
  try {
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
