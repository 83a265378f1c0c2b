import { recordOf } from '../record'
import type { DatedEntry, Subject } from './entry'
import { foldInto, foldWith } from './fold'
import type { House, StateOf } from './house'
import type { FoldMemory } from './memory'
import { findEntry, inOrder, subjectKey, type Records } from './records'
import { statesOf, type Registry } from './registry'
import { StandingEntries } from './standing'
import type { ModeOf } from './subject'
import { tagged } from './tags'

/**
 * A log that is being written on: entries are added one by one, and the house stands after each of them. What was
 * passed in is not changed. Most entries cost the fold of their own subject; those of which others are founded, and
 * what is taken back, cost the fold of the house.
 */
export class Draft {
  private entries: Map<string, readonly DatedEntry[]>
  private readonly added = new Map<string, DatedEntry>()
  private tags: Map<string, Subject> | null = null
  private own = false
  /** Something was taken back, and the house is made anew once it is asked for. */
  private stale = false
  private stands: StandingEntries | null = null
  private current: House

  constructor(
    private readonly registry: Registry,
    private readonly before: Records,
    house: House,
    private readonly modeOf: ModeOf,
    private readonly memory: FoldMemory,
  ) {
    this.entries = new Map(before.entries)
    this.current = house
  }

  get records(): Records {
    return { ...this.before, entries: this.entries }
  }

  /**
   * The house as far as it is written. It is added to: nothing that is remembered by its lists may be asked of it, and
   * what follows from all subjects together is as it was before.
   */
  get house(): House {
    if (this.stale) this.foldAnew()
    return this.current
  }

  /** What stands, to take back more of it. */
  standing(): StandingEntries {
    return (this.stands ??= new StandingEntries(this.registry, this.records))
  }

  /** The same, to check an entry about a subject against: what follows from all subjects is made anew where that does. */
  houseFor({ type }: Subject): House {
    // what is taken back is judged by the entries alone, and often many are
    if (type === 'entry') return this.current
    if (this.stale || (this.own && this.registry.subjects.get(type)?.foldsAll)) this.foldAnew()
    return this.current
  }

  add(entry: DatedEntry): void {
    this.added.set(entry.id, entry)
    if (entry.kind === 'void') {
      this.takeBack(entry.subject.id)
      return
    }
    // it may name what is taken back after it
    this.stands = null
    const key = subjectKey(entry.subject)
    const list = this.entries.get(key) ?? []
    const last = list.at(-1)
    this.entries.set(key, last && inOrder(last, entry) > 0 ? [...list, entry].sort(inOrder) : [...list, entry])
    if (this.stale || !this.foldAlone(entry.subject)) this.foldAnew()
  }

  private takeBack(id: string): void {
    const target = this.standing().find(id)
    if (!target) return
    this.standing().drop(id)
    const key = subjectKey(target.subject)
    const left = this.entries.get(key)!.filter(e => e.id !== id)
    if (left.length) this.entries.set(key, left)
    else this.entries.delete(key)
    this.stale = true
  }

  private foldAnew(): void {
    this.current = foldWith(this.registry, this.records, this.modeOf, this.memory)
    this.own = this.stale = false
    this.tags = null
  }

  /** Folds one subject into the house; false when more than that subject follows from it. */
  private foldAlone({ type, id }: Subject): boolean {
    const subject = this.registry.subjects.get(type)
    if (
      !subject ||
      subject.foldsAll ||
      subject.foundedBy ||
      [...this.registry.subjects.values()].some(s => s.foundedBy?.includes(type as keyof StateOf))
    )
      return false
    const before = statesOf(this.current, subject)[id]
    const key = subjectKey({ type, id })
    // it is not as its own entries alone make it
    const settled = before !== undefined && this.memory.stateOf(key) !== before && subject.settle && !subject.implied
    if (settled && !subject.settleOne) return false
    if (!this.own) {
      const copies = [...this.registry.subjects.values()].map(s => [
        s.collection,
        recordOf(Object.entries(statesOf(this.current, s))),
      ])
      this.current = { ...this.current, ...(Object.fromEntries(copies) as object) }
      this.own = true
    }
    const others = (list: House['unread']) => list.filter(u => subjectKey(u.subject) !== key)
    this.current.unread = others(this.current.unread)
    this.current.newer = others(this.current.newer)
    const list = this.entries.get(key)!
    foldInto(
      this.registry,
      this.current,
      subject,
      list,
      { ...this.before, entries: this.entries },
      this.modeOf,
      this.memory,
    )
    if (settled) subject.settleOne!(this.current, id, this.memory)
    const state = statesOf(this.current, subject)[id]
    if (this.tags && subject.tagOf) {
      if (before !== undefined) this.tags.delete(subject.tagOf(before).toLowerCase())
      if (state !== undefined) this.tags.set(subject.tagOf(state).toLowerCase(), { type, id })
    }
    return true
  }

  /** What carries a tag, whatever its case. */
  tagOwner(tag: string): Subject | null {
    if (this.stale) this.foldAnew()
    this.tags ??= new Map([...tagged(this.registry, this.current)].map(t => [t.tag.toLowerCase(), t.subject]))
    return this.tags.get(tag.toLowerCase()) ?? null
  }

  /** A standing entry by its id. */
  find(id: string): DatedEntry | undefined {
    return this.added.get(id) ?? findEntry(this.before, id)
  }
}
