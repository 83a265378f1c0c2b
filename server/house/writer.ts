import type { Knex } from 'knex'
import {
  checkEntry,
  completeEntry,
  recordsFrom,
  redated,
  type DatedEntry,
  type Entry,
  type House,
  type Records,
  type Redated,
} from '#core/subjects'
import { CalendarError, calendarOf } from '#core/units'
import type { WroteEntries } from '#shared/contracts/changes'
import { allEntries, entriesByIds, insertEntries, redateEntries } from '../db/repositories/entries'
import { breather } from '../utils/breathe'
import { ProblemError } from '../utils/problem'
import { soundAlmanac } from './readHouse'
import { sameContent } from './sameContent'
import type { HouseSession, Standing } from './session'

/** Sorts of subjects that the almanac of the house is made of. */
const KNOWLEDGE = new Set(['species', 'feeder', 'number', 'supplier'])

/** Looks once more at what is about to be written; throws what speaks against it. */
export type Trial = (standing: Standing) => Promise<void>

/**
 * The one way into the log: entries are checked against what stands, written in one transaction, and only then taken
 * into the session. One write runs at a time.
 */
export class HouseWriter {
  private queue: Promise<unknown> = Promise.resolve()
  /** A calendar is dear to make, and a batch asks for it with each entry. */
  private calendar: { zone: string; dayOf: (instant: string) => number } | null = null

  constructor(
    private readonly db: Knex,
    private readonly session: HouseSession,
    private readonly trial: Trial,
  ) {}

  /** Runs when what was asked for before is done. */
  inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.queue.then(work, work)
    this.queue = turn.catch(() => undefined)
    return turn
  }

  /** Waits for the write that runs. */
  async idle(): Promise<void> {
    await this.queue
  }

  /**
   * An entry with its calendar day in the time zone of a house, and its instant written alike, so that it sorts by
   * time.
   */
  private dated(entry: Entry, house: House | null): DatedEntry {
    const { timeZone: zone } = house?.settings.house?.settings ?? this.session.settings
    try {
      if (this.calendar?.zone !== zone) this.calendar = { zone, dayOf: calendarOf(zone) }
      return { ...entry, at: new Date(entry.at).toISOString(), day: this.calendar.dayOf(entry.at) }
    } catch (error) {
      if (error instanceof CalendarError)
        throw new ProblemError(422, 'Some fields cannot be read', [{ path: 'at', message: error.message }])
      throw error
    }
  }

  /**
   * Tells entries that are new from those that are written already, or stand twice in what is sent. @throws
   * ProblemError 409
   */
  private async sortOut(sent: readonly Entry[]): Promise<{ fresh: Entry[]; known: string[] }> {
    const stored = await entriesByIds(
      this.db,
      sent.map(e => e.id),
    )
    const written = new Map(stored.map(e => [e.id, e]))
    const fresh = new Map<string, Entry>()
    const known: string[] = []
    for (const [i, entry] of sent.entries()) {
      const before = written.get(entry.id) ?? fresh.get(entry.id)
      if (!before) fresh.set(entry.id, entry)
      else if (sameContent(entry, before, this.session.house)) known.push(entry.id)
      else
        throw new ProblemError(409, 'Nothing was written: an entry with this id says something else', [
          { path: sent.length > 1 ? `entries.${i}.id` : 'id', message: 'Make a new id for a new entry' },
        ])
    }
    return { fresh: [...fresh.values()], known }
  }

  /** Checks entries one after the other, each against the house with those before it; long lists make pauses. */
  private async checkAll(entries: readonly Entry[]): Promise<{ records: Records; entries: DatedEntry[] }> {
    let { almanac } = this.session
    const pause = breather()
    const draft = this.session.draft()
    const lookups = {
      tagOwner: (tag: string) => draft.tagOwner(tag),
      find: (id: string) => draft.find(id),
      standing: () => draft.standing(),
    }
    const accepted: DatedEntry[] = []
    for (const [i, given] of entries.entries()) {
      const house = draft.houseFor(given.subject)
      const { records } = draft
      const entry = completeEntry(house, this.dated(given, house))
      const context = { records, house, almanac, today: this.session.today(), ...lookups }
      const problems = 'message' in entry ? [entry] : checkEntry(entry, context)
      if ('message' in entry || problems.length) {
        const at = (path: string) => (entries.length > 1 ? `entries.${i}.${path}` : path)
        throw new ProblemError(
          422,
          'This was not written',
          problems.map(p => ({ ...p, path: at(p.path) })),
        )
      }
      const recorded = { ...entry, recordedAt: new Date().toISOString() }
      draft.add(recorded)
      accepted.push(recorded)
      // what comes after it may speak of a species that it adds
      if (KNOWLEDGE.has(entry.subject.type)) almanac = soundAlmanac(draft.house).almanac
      await pause()
    }
    return { records: draft.records, entries: accepted }
  }

  /** A place that a device reads, or has read, stays. @throws ProblemError 422 */
  private async checkPlacesRead(entries: readonly DatedEntry[]): Promise<void> {
    for (const { subject } of entries.filter(e => e.kind === 'void' && this.session.house.places[e.subject.id])) {
      const read =
        (await this.db('devices').where({ place_id: subject.id }).first()) ??
        (await this.db('readings_hourly').where({ place_id: subject.id }).first())
      if (read)
        throw new ProblemError(422, 'This was not written', [
          { path: 'subject.id', message: 'A device reads this place, or has read it: its readings stand on it' },
        ])
    }
  }

  /**
   * The log as the time zone reads it that would stand, where that is another; the entries of it that are otherwise
   * then.
   */
  private async inOtherZone(
    standing: Standing,
    written: readonly DatedEntry[],
  ): Promise<(Redated & { records: Records }) | null> {
    const [from, to] = [this.session.settings.timeZone, standing.settings.timeZone]
    if (from === to) return null
    const log = [...(await allEntries(this.db)), ...written]
    const { moved, kept } = redated(log, from, to)
    const now = new Map([...moved, ...kept].map(e => [e.id, e]))
    return {
      moved,
      kept,
      records: recordsFrom(
        log.map(e => now.get(e.id) ?? e),
        standing.records.climate,
      ),
    }
  }

  /**
   * Writes entries, all or none; to be called in turn. An id that is known with the same content is left as it is.
   * @throws ProblemError 422 with field paths when one cannot have happened; 409 when an id is known with other content
   */
  async writeNow(sent: readonly Entry[]): Promise<WroteEntries> {
    this.session.refresh()
    const { fresh, known } = await this.sortOut(sent)
    const { records, entries } = await this.checkAll(fresh)
    if (!entries.length) return { written: [], known }
    await this.checkPlacesRead(entries)
    const asWritten = this.session.stand(records)
    const other = await this.inOtherZone(asWritten, entries)
    const standing = other ? this.session.stand(other.records) : asWritten
    await this.trial(standing)
    await this.db.transaction(async trx => {
      await insertEntries(trx, entries)
      if (other) await redateEntries(trx, [...other.moved, ...other.kept])
    })
    // readings may have come in while it was written
    const { climate } = this.session.records
    const read = climate === standing.records.climate
    this.session.take(read ? standing : this.session.stand({ ...standing.records, climate }))
    return { written: entries.map(e => e.id), known, ...(other && { redated: other.moved.length }) }
  }

  write(sent: readonly Entry[]): Promise<WroteEntries> {
    return this.inTurn(() => this.writeNow(sent))
  }
}
