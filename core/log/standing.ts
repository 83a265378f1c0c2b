import { canReferTo, referencesIn } from '../reference'
import type { DatedEntry } from './entry'
import type { Standing } from './kind'
import { findEntry, type Records } from './records'
import { lifted, type Registry } from './registry'

/** Rows of the almanac that the house did not add itself: nothing stands on them that could be taken back. */
const OF_THE_ALMANAC = new Set(['species', 'feeder'])

/** So often everything is looked through; who asks more often has it all looked up, which costs as much once. */
const LOOKED_THROUGH = 3

/** Kinds whose entries may name what a sort of subject is founded by; without a sort, anything of the house. */
function kindsNaming(registry: Registry, founds: string | undefined): ReadonlySet<string> {
  const isMeant = (to: string) => (founds && OF_THE_ALMANAC.has(founds) ? to === founds : !OF_THE_ALMANAC.has(to))
  return new Set([...registry.kinds.values()].filter(k => [...canReferTo(k.data)].some(isMeant)).map(k => k.kind))
}

/** What entries name, and which of them have an id, for a log from which entries are taken back one after the other. */
export class StandingEntries implements Standing {
  private readonly gone = new Set<string>()
  private found: Map<string, DatedEntry> | null = null
  private readonly named = new Map<string, Map<string, DatedEntry[]>>()
  private finds = 0
  private askedNames = 0

  constructor(
    private readonly registry: Registry,
    private readonly records: Records,
  ) {}

  /** A standing entry by its id. */
  find(id: string): DatedEntry | undefined {
    if (this.gone.has(id)) return undefined
    if (!this.found && this.finds++ < LOOKED_THROUGH) return findEntry(this.records, id)
    this.found ??= new Map([...this.records.entries.values()].flatMap(list => list.map(e => [e.id, e] as const)))
    return this.found.get(id)
  }

  /** It was taken back. */
  drop(id: string): void {
    this.gone.add(id)
  }

  private references(entry: DatedEntry): string[] {
    const { data } = lifted(this.registry, entry)
    return referencesIn(this.registry.kinds.get(entry.kind)!.data, data).map(r => r.id)
  }

  /** By what is named, the entries of some kinds that name it. */
  private namedBy(founds: string | undefined): ReadonlyMap<string, readonly DatedEntry[]> {
    const sort = founds && OF_THE_ALMANAC.has(founds) ? founds : ''
    let by = this.named.get(sort)
    if (by) return by
    by = new Map()
    const kinds = kindsNaming(this.registry, founds)
    for (const entries of this.records.entries.values())
      for (const entry of entries)
        if (kinds.has(entry.kind))
          for (const id of new Set(this.references(entry))) {
            const list = by.get(id)
            if (list) list.push(entry)
            else by.set(id, [entry])
          }
    this.named.set(sort, by)
    return by
  }

  /**
   * Standing entries, not of these subjects themselves, that name one of them. O(entries of kinds that name anything),
   * once.
   * @param founds the sort of subject that these are; left out, of the house
   */
  naming(ids: ReadonlySet<string>, founds?: string): DatedEntry[] {
    const isMeant = (e: DatedEntry) => !ids.has(e.subject.id) && !this.gone.has(e.id)
    if (this.askedNames++ < LOOKED_THROUGH) {
      const kinds = kindsNaming(this.registry, founds)
      return [...this.records.entries.values()].flatMap(entries =>
        entries.filter(e => kinds.has(e.kind) && isMeant(e) && this.references(e).some(id => ids.has(id))),
      )
    }
    const by = this.namedBy(founds)
    return [...new Set([...ids].flatMap(id => by.get(id) ?? []))].filter(isMeant)
  }
}
