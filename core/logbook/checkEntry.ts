import { referencesIn, type Reference } from '../reference'
import type { DatedEntry, Problem, Subject } from './entry'
import type { CheckContext } from './kind'
import { entryKinds } from './registry'
import { findEntry, subjectKey, type Records } from './records'
import type { House } from './states'

const NOUN: Record<Subject['type'], string> = {
  animal: 'animals',
  pairing: 'pairs',
  clutch: 'clutches',
  culture: 'cultures',
  prey: 'prey',
  lamp: 'lamps',
  winter: 'winter groups',
  locus: 'loci',
  entry: 'entries',
}

/** The open pairing that an animal carries for, so that one may write «K-07 laid 8» without naming the pairing. */
export function openPairingOf(house: House, damId: string) {
  return Object.values(house.pairings)
    .filter(p => p.damId === damId && !p.ended)
    .sort((a, b) => b.startDay - a.startDay)[0]
}

function stateOf(house: House, { type, id }: Subject): unknown {
  switch (type) {
    case 'animal':
      return house.animals[id]
    case 'pairing':
      return house.pairings[id]
    case 'clutch':
      return house.clutches[id]
    case 'culture':
      return house.cultures[id]
    case 'lamp':
      return house.lamps[id]
    case 'winter':
      return house.winters[id]
    case 'locus':
      return house.loci[id]
    case 'prey':
      return (
        house.stocks[id] ?? {
          prey: id,
          counted: null,
          received: 0,
          arrivals: [],
          used: [],
          lastReceived: null,
          onOrder: [],
          left: 0,
        }
      )
    case 'entry':
      return undefined
  }
}

/** The first day on which something can be said of a subject. */
function firstDay(house: House, { type, id }: Subject): { day: number; tag: string; what: string } | null {
  switch (type) {
    case 'animal': {
      const a = house.animals[id]
      return a && a.bornDay !== null ? { day: a.bornDay, tag: a.tag, what: 'born' } : null
    }
    case 'pairing':
      return house.pairings[id] ? { day: house.pairings[id].startDay, tag: house.pairings[id].tag, what: 'set' } : null
    case 'clutch':
      return house.clutches[id]
        ? { day: house.clutches[id].startDay, tag: house.clutches[id].tag, what: 'laid or born' }
        : null
    case 'culture':
      return house.cultures[id]
        ? { day: house.cultures[id].startDay, tag: house.cultures[id].tag, what: 'started' }
        : null
    case 'lamp':
      return null
    default:
      return null
  }
}

function tagTaken(house: House, tag: string): string | null {
  const same = (t: string) => t.toLowerCase() === tag.toLowerCase()
  const groups = [house.animals, house.pairings, house.clutches, house.cultures, house.lamps, house.winters] as Record<
    string,
    { tag: string }
  >[]
  return groups.some(g => Object.values(g).some(x => same(x.tag))) ? `The tag ${tag} is already in use` : null
}

/** Cards and entries that name one of these as their parent, mate, member or locus, in words. */
function namedBy(records: Records, ids: ReadonlySet<string>): string[] {
  const young = records.animals
    .filter(a => !ids.has(a.id) && [a.damId, a.sireId].some(id => id !== null && ids.has(id)))
    .map(a => a.tag)
  const entries = [...records.entries.values()].flat().filter(e => {
    const kind = entryKinds.get(e.kind)
    return kind && !ids.has(e.subject.id) && referencesIn(kind.data, e.data).some(r => ids.has(r.id))
  })
  return [...young, ...entries.map(e => `“${entryKinds.get(e.kind)!.verb}”`)]
}

function checkVoid(records: Records, entry: DatedEntry): Problem[] {
  const target = findEntry(records, entry.subject.id)
  if (!target) return [{ path: 'subject.id', message: 'There is no such entry, or it was taken back already' }]
  const founds = entryKinds.get(target.kind)?.founds
  const key = founds ? subjectKey({ type: founds, id: target.id }) : null
  const ownAnimals = records.animals.filter(a => a.foundedBy === target.id)
  // only young with cards of their own and loci are named elsewhere; looking through everything for each undo would be slow
  const named =
    ownAnimals.length || founds === 'locus' ? namedBy(records, new Set([target.id, ...ownAnimals.map(a => a.id)])) : []
  if (named.length)
    return [
      {
        path: 'subject.id',
        message: `${named.slice(0, 3).join(', ')}${named.length > 3 ? ` and ${named.length - 3} more` : ''} ${named.length === 1 ? 'names' : 'name'} what this brought into being; take that back first`,
      },
    ]
  const later = [
    ...(key ? (records.entries.get(key) ?? []).filter(e => e.id !== target.id) : []),
    ...ownAnimals.flatMap(a => records.entries.get(subjectKey({ type: 'animal', id: a.id })) ?? []),
  ]
  return later.length
    ? [
        {
          path: 'subject.id',
          message: `${later.length} later ${later.length === 1 ? 'entry stands' : 'entries stand'} on this one; take those back first`,
        },
      ]
    : []
}

/** Whether what an id names exists in the almanac or the house. */
function exists({ house, almanac }: Omit<CheckContext, 'today'>, { to, id }: Pick<Reference, 'to' | 'id'>): boolean {
  const rows = {
    species: almanac.species,
    feeder: almanac.feeders,
    place: house.places,
    animal: house.animals,
    locus: house.loci,
  }[to]
  return Object.hasOwn(rows, id)
}

/**
 * Whether an entry can have happened, given all that is written. Nothing is written here.
 * @param known the almanac that its ids may name, and the calendar day in the house
 * @returns the problems with field paths; empty when the entry may be written
 */
export function checkEntry(
  records: Records,
  house: House,
  entry: DatedEntry,
  known: Omit<CheckContext, 'house'>,
): Problem[] {
  const { today } = known
  const kind = entryKinds.get(entry.kind)
  if (!kind) return [{ path: 'kind', message: `There is no kind of entry called “${entry.kind}”` }]
  if (entry.day > today) return [{ path: 'at', message: 'This lies in the future; write it when it has happened' }]
  if (entry.kind === 'void') {
    return entry.subject.type === 'entry'
      ? checkVoid(records, entry)
      : [{ path: 'subject.type', message: 'Only an entry can be taken back' }]
  }
  const parsed = kind.data.safeParse(entry.data)
  if (!parsed.success)
    return parsed.error.issues.map(i => ({ path: ['data', ...i.path].join('.'), message: i.message }))
  if (entry.subject.type !== kind.subject) {
    return [
      {
        path: 'subject.type',
        message: `“${kind.verb}” is said of ${NOUN[kind.subject]}, not of ${NOUN[entry.subject.type]}`,
      },
    ]
  }

  if (kind.founds === kind.subject) {
    if (entry.subject.id !== entry.id) return [{ path: 'subject.id', message: 'A founding entry is its own subject' }]
  } else if (
    !stateOf(house, entry.subject) ||
    (entry.subject.type === 'prey' && !Object.hasOwn(known.almanac.feeders, entry.subject.id))
  ) {
    return [{ path: 'subject.id', message: `This is not among the ${NOUN[kind.subject]} of the house` }]
  }
  const context: CheckContext = { ...known, house }
  const astray = referencesIn(kind.data, parsed.data, ['data']).filter(r => !exists(context, r))
  if (astray.length) return astray.map(r => ({ path: r.path.join('.'), message: r.missing }))
  const wishedTag = kind.founds ? (parsed.data as { tag?: string }).tag : undefined
  const taken = wishedTag ? tagTaken(house, wishedTag) : null
  if (taken) return [{ path: 'data.tag', message: taken }]

  const first = firstDay(house, entry.subject)
  if (first && entry.day < first.day) return [{ path: 'at', message: `${first.tag} was not ${first.what} by then` }]
  if (entry.subject.type === 'animal') {
    const animal = house.animals[entry.subject.id]!
    if (!kind.ofGone && animal.status !== 'alive' && entry.day >= animal.statusDay!) {
      return [
        {
          path: 'subject.id',
          message:
            animal.status === 'elsewhere'
              ? `${animal.tag} is not kept here`
              : `${animal.tag} ${animal.status === 'sold' ? 'was sold' : 'died'} before this`,
        },
      ]
    }
  }
  const problem = kind.check?.(stateOf(house, entry.subject) as never, parsed.data as never, entry, context)
  return problem ? [problem] : []
}

/**
 * An entry as it will be written: defaults filled in, and a breeding entry about the female put to her open pairing.
 * @returns the entry, or the reason why its subject cannot be found
 */
export function completeEntry(house: House, entry: DatedEntry): DatedEntry | Problem {
  const kind = entryKinds.get(entry.kind)
  const parsed = kind?.data.safeParse(entry.data)
  // what does not parse is told by checkEntry
  const complete = parsed?.success ? { ...entry, data: parsed.data as Record<string, unknown> } : entry
  if (entry.subject.type !== 'animal' || kind?.subject !== 'pairing') return complete
  const animal = house.animals[entry.subject.id]
  if (!animal) return { path: 'subject.id', message: 'There is no such animal' }
  if (animal.sex === 'male')
    return { path: 'subject.id', message: `${animal.tag} is a male: write this for the female of the pair` }
  const pairing = openPairingOf(house, animal.id)
  if (!pairing) return { path: 'subject.id', message: `${animal.tag} has no open pairing; set the pair first` }
  return { ...complete, subject: { type: 'pairing', id: pairing.id } }
}
