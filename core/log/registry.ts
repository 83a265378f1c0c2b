import { z } from 'zod'
import { LogbookError, type DatedEntry, type Entry } from './entry'
import type { StateOf } from './house'
import { defineKind, type EntryKind, type ReadUnits } from './kind'
import type { SubjectModule } from './subject'

/** Takes another entry back; it is about that entry, and any kind can be taken back. */
const voidKind = defineKind({
  kind: 'void',
  subject: 'entry',
  verb: 'Take back',
  data: z.strictObject({}),
  apply() {},
  wording: () => 'Taken back',
})

/** The sorts of subjects and the kinds of entries that a program knows. */
export interface Registry {
  /** In the order in which they are folded: what stands on others comes after them. */
  subjects: ReadonlyMap<string, SubjectModule>
  kinds: ReadonlyMap<string, EntryKind>
}

/** @throws LogbookError when two kinds or sorts have one name: it is said as the program starts */
export function registryOf(modules: readonly SubjectModule[]): Registry {
  const subjects = new Map<string, SubjectModule>()
  const kinds = new Map<string, EntryKind>([[voidKind.kind, voidKind]])
  for (const subject of modules) {
    if (subjects.has(subject.type)) throw new LogbookError(`Two sorts of subject are called “${subject.type}”.`)
    subjects.set(subject.type, subject)
    for (const kind of subject.kinds) {
      if (kinds.has(kind.kind)) throw new LogbookError(`Two kinds of entry are called “${kind.kind}”.`)
      kinds.set(kind.kind, kind)
    }
  }
  return { subjects, kinds }
}

/** The version of a kind that this program writes. */
export const versionOf = (kind: EntryKind): number => 1 + (kind.lifts?.length ?? 0)

/** Whether a newer program wrote it: its kind, or this version of it, is not known here. */
export function isNewer(registry: Registry, entry: Pick<Entry, 'kind' | 'v'>): boolean {
  const kind = registry.kinds.get(entry.kind)
  return !kind || (entry.v ?? 1) > versionOf(kind)
}

/** An entry as this program writes it: one of an older version is lifted; one of a newer stays as it is. */
export function lifted<E extends Entry | DatedEntry>(registry: Registry, entry: E): E {
  const kind = registry.kinds.get(entry.kind)
  const from = entry.v ?? 1
  if (!kind?.lifts || from >= versionOf(kind)) return entry
  return {
    ...entry,
    v: versionOf(kind),
    data: kind.lifts.slice(from - 1).reduce((data, lift) => lift(data), entry.data),
  }
}

/** One entry as a sentence for a timeline, in the units that the house reads. */
export function describeEntry(registry: Registry, entry: Entry, units: ReadUnits): string {
  const kind = registry.kinds.get(entry.kind)
  if (!kind || isNewer(registry, entry)) return `Written by a newer Mantel (${entry.kind}): kept, and left out here`
  const data = kind.data.safeParse(lifted(registry, entry).data)
  return data.success ? kind.wording(data.data, units) : entry.kind
}

/** The states of one sort of subject in a house. */
export function statesOf<S extends keyof StateOf>(
  house: object,
  subject: SubjectModule<S>,
): Record<string, StateOf[S]> {
  return (house as Record<string, Record<string, StateOf[S]>>)[subject.collection] ?? {}
}
