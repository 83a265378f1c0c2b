import { recordOf } from '../record'
import { LogbookError, type DatedEntry } from './entry'
import type { House, StateOf, Unread } from './house'
import { FoldMemory, type Folded } from './memory'
import { subjectKey, type Records } from './records'
import { isNewer, lifted, statesOf, versionOf, type Registry } from './registry'
import type { Base, ModeOf, SubjectModule } from './subject'

const NO_ENTRIES: readonly DatedEntry[] = []

const noted = (entry: DatedEntry, error: unknown): Unread => ({
  entryId: entry.id,
  subject: entry.subject,
  message: error instanceof Error ? error.message : String(error),
  ...(error instanceof LogbookError && { told: true }),
})

/** Applies each entry; one that cannot be read is left out and noted, and the others stand. */
function applyAll(registry: Registry, state: unknown, entries: readonly DatedEntry[], folded: Folded): void {
  for (const entry of entries) {
    const kind = registry.kinds.get(entry.kind)
    if (!kind || (entry.v ?? 1) > versionOf(kind)) {
      folded.newer.push(noted(entry, `A newer program wrote “${entry.kind}”`))
      continue
    }
    try {
      const { data } = kind.lifts ? lifted(registry, entry) : entry
      kind.apply(state as never, data as never, entry)
    } catch (error) {
      folded.unread.push(noted(entry, error))
    }
  }
}

interface Founding {
  id: string
  founding: DatedEntry | null
  founderId: string | null
  number: number
}

const foundsThis = (registry: Registry, subject: SubjectModule) => (e: DatedEntry) =>
  registry.kinds.get(e.kind)?.founds === subject.type && !isNewer(registry, e)

/** What one subject brought into being by entries of its own, in order of time. */
function* foundedBy(
  founder: SubjectModule,
  founderId: string,
  isFounding: (e: DatedEntry) => boolean,
  { entries }: Records,
): Generator<Founding> {
  let number = 0
  for (const founding of entries.get(subjectKey({ type: founder.type, id: founderId })) ?? NO_ENTRIES)
    if (founding.id !== founderId && isFounding(founding))
      yield { id: founding.id, founding, founderId, number: ++number }
}

/**
 * What brought each subject of a sort into being: an entry of another sort of subject, one of its own, nothing, or an
 * entry of another of the same sort, which comes before it.
 */
function* foundingsOf(
  registry: Registry,
  subject: SubjectModule,
  own: readonly (readonly DatedEntry[])[],
  records: Records,
  house: House,
): Generator<Founding> {
  const isFounding = foundsThis(registry, subject)
  for (const type of subject.foundedBy ?? []) {
    const founder = registry.subjects.get(type)!
    if (founder === subject) continue
    for (const founderId of Object.keys(statesOf(house, founder)))
      yield* foundedBy(founder, founderId, isFounding, records)
  }
  for (const entries of own) {
    const { id } = entries[0]!.subject
    const own = subject.found ? entries.find(e => e.id === id && isFounding(e)) : null
    // of some sorts there are those that were there before anything was written
    const founding = own ?? (subject.implied ? null : own)
    if (founding !== undefined) yield { id, founding, founderId: null, number: 0 }
  }
  if (!subject.foundedBy?.includes(subject.type)) return
  // what was divided off may be divided again: those that come are added to the list that is gone through
  const founders = Object.keys(statesOf(house, subject))
  for (let i = 0; i < founders.length; i++)
    for (const one of foundedBy(subject, founders[i]!, isFounding, records)) {
      yield one
      if (Object.hasOwn(statesOf(house, subject), one.id)) founders.push(one.id)
    }
}

/** One subject as it stands; null when what it stands on is missing. */
function foldOne(
  registry: Registry,
  subject: SubjectModule,
  { id, founding }: Founding,
  base: Base,
  memory: FoldMemory,
): Folded | null {
  const key = subjectKey({ type: subject.type, id })
  const entries = base.records.entries.get(key) ?? NO_ENTRIES
  const standsOn = founding && subject.standsOn ? subject.standsOn(lifted(registry, founding), base) : []
  if (!standsOn) return null
  const known = memory.known(key, entries, founding, standsOn)
  if (known) return known
  const folded: Folded = { entries, founding, standsOn, state: null, unread: [], newer: [] }
  try {
    const state = founding ? subject.found!(lifted(registry, founding), base) : subject.implied!(id)
    applyAll(registry, state, entries, folded)
    folded.state = state
  } catch (error) {
    folded.unread.push(noted(founding ?? entries[0]!, error))
  }
  return memory.keep(key, folded)
}

/** Folds subjects of one sort into the house, from the lists of their entries. */
function foldAll(
  registry: Registry,
  house: House,
  subject: SubjectModule,
  lists: readonly (readonly DatedEntry[])[],
  records: Records,
  modeOf: ModeOf,
  memory: FoldMemory,
): void {
  const states = statesOf(house, subject)
  const modeOfSpecies = (id: string) => modeOf(id, house)
  for (const one of foundingsOf(registry, subject, lists, records, house)) {
    const base: Base = {
      house,
      records,
      modeOf: modeOfSpecies,
      founderId: one.founderId,
      number: one.number,
    }
    const folded = foldOne(registry, subject, one, base, memory)
    if (!folded) continue
    if (folded.unread.length) house.unread.push(...folded.unread)
    if (folded.newer.length) house.newer.push(...folded.newer)
    if (folded.state !== null) states[one.id] = folded.state as StateOf[keyof StateOf]
  }
}

/** Folds one subject, that nothing is founded by and that is founded by nothing else, into a house of one's own. */
export function foldInto(
  registry: Registry,
  house: House,
  subject: SubjectModule,
  entries: readonly DatedEntry[],
  records: Records,
  modeOf: ModeOf,
  memory: FoldMemory,
): void {
  foldAll(registry, house, subject, [entries], records, modeOf, memory)
}

/**
 * The house as it stands: every subject with its entries folded in, sort by sort in the order of the registry. Pure but
 * for its memory, which changes nothing but the time taken. O(subjects), and the entries of those that have changed.
 */
export function foldWith(
  registry: Registry,
  records: Records,
  modeOf: ModeOf,
  memory: FoldMemory = new FoldMemory(),
): House {
  const house = { climate: records.climate, unread: [], newer: [] } as unknown as House
  const lists = new Map<string, (readonly DatedEntry[])[]>()
  for (const entries of records.entries.values()) {
    const { type } = entries[0]!.subject
    const list = lists.get(type)
    if (list) list.push(entries)
    else lists.set(type, [entries])
    // of a sort that is not known here nothing is folded
    if (!registry.subjects.has(type))
      house.newer.push(...entries.map(e => noted(e, `A newer program wrote of a “${type}”`)))
  }
  for (const subject of registry.subjects.values()) {
    const states = recordOf<StateOf[keyof StateOf]>()
    ;(house as unknown as Record<string, unknown>)[subject.collection] = states
    foldAll(registry, house, subject, lists.get(subject.type) ?? [], records, modeOf, memory)
  }
  for (const subject of registry.subjects.values()) subject.settle?.(house, records, memory)
  return house
}
