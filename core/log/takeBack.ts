import type { DatedEntry, Problem } from './entry'
import type { Standing } from './kind'
import { subjectKey, type Records } from './records'
import type { Registry } from './registry'
import { StandingEntries } from './standing'

/** What an entry is called when another stands in its way: the tag of what it brought into being, else its kind. */
function called(registry: Registry, entry: DatedEntry): string {
  const kind = registry.kinds.get(entry.kind)
  const { tag, name } = entry.data as { tag?: unknown; name?: unknown }
  const named = kind?.founds === kind?.subject ? (tag ?? name) : undefined
  return typeof named === 'string' ? named : `“${kind?.verb ?? entry.kind}”`
}

/**
 * Why an entry cannot be taken back: something written later stands on what it brought into being.
 * @param standing the same entries, where many are taken back one after the other
 */
export function checkTakeBack(
  registry: Registry,
  records: Records,
  entry: DatedEntry,
  standing: Standing = new StandingEntries(registry, records),
): Problem[] {
  const problem = (message: string): Problem[] => [{ path: 'subject.id', message }]
  const target = standing.find(entry.subject.id)
  if (!target) return problem('There is no such entry, or it was taken back already')
  const kind = registry.kinds.get(target.kind)
  // only what brings something into being is named elsewhere; looking through everything for each undo would be slow
  if (!kind?.founds && !kind?.brings) return []
  const about = standing.naming(new Set([target.id]), kind.founds)
  const brought = about.filter(e => kind.brings && e.subject.type === kind.brings && e.subject.id === e.id)
  // cards first: they are told by their tags
  const named = [
    ...about.filter(e => !brought.includes(e)),
    ...(brought.length ? standing.naming(new Set(brought.map(e => e.id))) : []),
  ].sort((a, b) => Number(b.subject.id === b.id) - Number(a.subject.id === a.id))
  if (named.length) {
    const first = named.slice(0, 3).map(e => called(registry, e))
    const more = named.length > 3 ? ` and ${named.length - 3} more` : ''
    return problem(
      `${first.join(', ')}${more} ${named.length === 1 ? 'names' : 'name'} what this brought into being; take that back first`,
    )
  }
  const own = [
    ...(kind.founds ? [subjectKey({ type: kind.founds, id: target.id })] : []),
    ...brought.map(e => subjectKey(e.subject)),
  ]
  const foundings = new Set([target.id, ...brought.map(e => e.id)])
  const later = own.flatMap(key => records.entries.get(key) ?? []).filter(e => !foundings.has(e.id)).length
  return later
    ? problem(`${later} later ${later === 1 ? 'entry stands' : 'entries stand'} on this one; take those back first`)
    : []
}
