import { referencesIn, type Reference } from '../reference'
import type { DatedEntry, Problem, Subject } from './entry'
import type { House } from './house'
import { foundsItself, type CheckContext } from './kind'
import { findEntry, type Records } from './records'
import { isNewer, lifted, statesOf, versionOf, type Registry } from './registry'
import type { SubjectModule } from './subject'
import { tagOwner } from './tags'
import { checkTakeBack } from './takeBack'

function stateOf(subject: SubjectModule, id: string, context: CheckContext): unknown {
  const states = statesOf(context.house, subject)
  if (Object.hasOwn(states, id)) return states[id]
  return subject.implied && (subject.canBe?.(id, context) ?? true) ? subject.implied(id) : undefined
}

/** Whether what an id names exists in the almanac or the house. */
function exists(registry: Registry, { to, id }: Pick<Reference, 'to' | 'id'>, context: CheckContext): boolean {
  if (to === 'species') return Object.hasOwn(context.almanac.species, id)
  if (to === 'feeder') return Object.hasOwn(context.almanac.feeders, id)
  if (to === 'entry') return (context.find?.(id) ?? findEntry(context.records, id)) !== undefined
  const subject = registry.subjects.get(to)
  return subject !== undefined && Object.hasOwn(statesOf(context.house, subject), id)
}

/** Whether anything is written whose calendar day counts. */
function haveDays(registry: Registry, { entries }: Records): boolean {
  for (const list of entries.values()) if (list.some(e => !registry.kinds.get(e.kind)?.dayless)) return true
  return false
}

/**
 * Whether an entry can have happened, given all that is written. Nothing is written here.
 * @param context what is written, the house as it stands, the almanac that ids may name, and the day in the house
 * @returns the problems with field paths; empty when the entry may be written
 */
export function checkWith(registry: Registry, given: DatedEntry, context: CheckContext): Problem[] {
  const kind = registry.kinds.get(given.kind)
  if (!kind) return [{ path: 'kind', message: `There is no kind of entry called “${given.kind}”` }]
  if (isNewer(registry, given))
    return [{ path: 'v', message: `This is version ${given.v} of “${given.kind}”; up to ${versionOf(kind)} is known` }]
  const entry = lifted(registry, given)
  if (entry.day > context.today)
    return [{ path: 'at', message: 'This lies in the future; write it when it has happened' }]
  if (entry.kind === 'void') {
    return entry.subject.type === 'entry'
      ? checkTakeBack(registry, context.records, entry, context.standing?.())
      : [{ path: 'subject.type', message: 'Only an entry can be taken back' }]
  }
  const parsed = kind.data.safeParse(entry.data)
  if (!parsed.success)
    return parsed.error.issues.map(i => ({ path: ['data', ...i.path].join('.'), message: i.message }))
  const subject = registry.subjects.get(kind.subject)!
  if (entry.subject.type !== kind.subject) {
    const other = registry.subjects.get(entry.subject.type)?.noun.many ?? `“${entry.subject.type}”`
    return [{ path: 'subject.type', message: `“${kind.verb}” is said of ${subject.noun.many}, not of ${other}` }]
  }
  const founding = foundsItself(kind)
  const state = founding ? undefined : stateOf(subject, entry.subject.id, context)
  if (founding) {
    if (entry.subject.id !== entry.id) return [{ path: 'subject.id', message: 'A founding entry is its own subject' }]
  } else if (state === undefined) {
    return [{ path: 'subject.id', message: `This is not among the ${subject.noun.many} of the house` }]
  }
  const astray = referencesIn(kind.data, parsed.data, ['data']).filter(r => !exists(registry, r, context))
  if (astray.length) return astray.map(r => ({ path: r.path.join('.'), message: r.missing }))
  const wished = (parsed.data as { tag?: unknown }).tag
  if (typeof wished === 'string') {
    const owner = context.tagOwner ? context.tagOwner(wished) : tagOwner(registry, context.house, wished)
    if (owner && (kind.founds || owner.id !== entry.subject.id))
      return [{ path: 'data.tag', message: `The tag ${wished} is already in use` }]
  }
  const first = founding ? null : (subject.began?.(state as never) ?? null)
  if (first && entry.day < first.day && !kind.beforeBeginning)
    return [{ path: 'at', message: `${first.tag} was not ${first.what} by then` }]
  const gone = founding || kind.afterLeaving ? null : (subject.left?.(state as never, entry.day) ?? null)
  if (gone) return [{ path: 'subject.id', message: gone }]
  const daysCount = () => haveDays(registry, context.records)
  const problem = kind.check?.(state as never, parsed.data as never, entry, { ...context, daysCount })
  return problem ? [problem] : []
}

/**
 * An entry as it will be written: in the version of today, defaults filled in, and put to the subject that is meant.
 * @returns the entry, or the reason why its subject cannot be found
 */
export function completeWith(registry: Registry, house: House, given: DatedEntry): DatedEntry | Problem {
  const entry = lifted(registry, given)
  const kind = registry.kinds.get(entry.kind)
  const parsed = kind?.data.safeParse(entry.data)
  // what does not parse is told by the check
  const complete = parsed?.success ? { ...entry, data: parsed.data as Record<string, unknown> } : entry
  if (!kind || entry.subject.type === kind.subject || entry.subject.type === 'entry') return complete
  const meant: Subject | Problem | null = registry.subjects.get(kind.subject)?.meantBy?.(entry.subject, house) ?? null
  if (!meant) return complete
  return 'message' in meant ? meant : { ...complete, subject: meant }
}
