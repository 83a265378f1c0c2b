import { animalKinds } from './kinds/animal'
import { clutchKinds } from './kinds/clutch'
import { geneKinds } from './kinds/genes'
import { cultureKinds, lampKinds, preyKinds, voidKind } from './kinds/husbandry'
import { lineageKinds } from './kinds/lineage'
import { pairingKinds } from './kinds/pairing'
import { sexingKinds } from './kinds/sexing'
import { winterAnimalKinds, winterKinds } from './kinds/winter'
import { LogbookError, type Entry } from './entry'
import type { EntryKind } from './kind'

const all: EntryKind[] = [
  ...animalKinds,
  ...sexingKinds,
  ...lineageKinds,
  ...geneKinds,
  ...winterAnimalKinds,
  ...winterKinds,
  ...pairingKinds,
  ...clutchKinds,
  ...cultureKinds,
  ...preyKinds,
  ...lampKinds,
  voidKind,
]

/** Every kind of entry by its name. */
export const entryKinds: ReadonlyMap<string, EntryKind> = new Map(all.map(k => [k.kind, k]))

/** @throws LogbookError for a kind that does not exist */
export function kindOf(name: string): EntryKind {
  const kind = entryKinds.get(name)
  if (!kind) throw new LogbookError(`There is no kind of entry called “${name}”.`)
  return kind
}

/** One entry as a sentence for a timeline. */
export function tellEntry(entry: Entry): string {
  const kind = entryKinds.get(entry.kind)
  const data = kind?.data.safeParse(entry.data)
  return kind && data?.success ? kind.tell(data.data) : entry.kind
}
