import type { Subject } from './entry'
import type { House } from './house'
import type { TagNamed } from './line'
import { statesOf, type Registry } from './registry'

const bare = (tag: string): string => tag.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '')

/** Letters and digits one has to change, add or leave out, up to two. */
function distance(a: string, b: string): number {
  const row = Array.from({ length: b.length + 1 }, (_, i) => i)
  for (let i = 1; i <= a.length; i++) {
    let corner = row[0]!
    row[0] = i
    for (let j = 1; j <= b.length; j++) {
      const above = row[j]!
      row[j] = Math.min(above + 1, row[j - 1]! + 1, corner + (a[i - 1] === b[j - 1] ? 0 : 1))
      corner = above
    }
  }
  return row[b.length]!
}

/** Everything of a house that carries a tag. */
export function* tagged(
  registry: Registry,
  house: House,
  inLogLine = false,
): Generator<{ subject: Subject; tag: string }> {
  for (const subject of registry.subjects.values()) {
    const { tagOf, type } = subject
    if (!tagOf || (inLogLine && !subject.inLogLine)) continue
    for (const [id, state] of Object.entries(statesOf(house, subject)))
      yield { subject: { type, id }, tag: tagOf(state) }
  }
}

/** What carries this tag, whatever its case. */
export function tagOwner(registry: Registry, house: House, tag: string): Subject | null {
  const wanted = tag.toLowerCase()
  for (const one of tagged(registry, house)) if (one.tag.toLowerCase() === wanted) return one.subject
  return null
}

/** What carries a tag: as it is written, else without its marks (`T14` for `T-14`) when that names one thing only. */
export function tagNamedIn(registry: Registry, house: House, written: string): TagNamed {
  const all = [...tagged(registry, house, true)]
  const exact = all.find(x => x.tag.toLowerCase() === written.toLowerCase())
  if (exact) return { found: exact, near: null }
  const plain = bare(written)
  if (!plain) return { found: null, near: null }
  const same = all.filter(x => bare(x.tag) === plain)
  if (same.length === 1) return { found: same[0]!, near: null }
  const near =
    same[0] ??
    all.filter(
      x =>
        plain.length > 1 && distance(bare(x.tag), plain) === 1 && x.tag[0]!.toLowerCase() === written[0]!.toLowerCase(),
    )[0]
  return { found: null, near: near?.tag ?? null }
}

/** Names of several words with which a line begins: the longest, and all that have it. */
export interface NamedAtStart {
  name: string
  subjects: { subject: Subject; /** All its names, shortest first. */ names: string[] }[]
}

/** What a line begins with, by its name; null for nothing. O(things that have names). */
export function namedAtStart(registry: Registry, house: House, line: string): NamedAtStart | null {
  const text = line.toLowerCase()
  let best: NamedAtStart | null = null
  for (const module of registry.subjects.values()) {
    if (!module.namesOf) continue
    for (const [id, state] of Object.entries(statesOf(house, module))) {
      const names = module.namesOf(state, house)
      const subject = { type: module.type, id }
      for (const name of names) {
        const begins = text.startsWith(name.toLowerCase()) && /^(?:$|[\s:,])/.test(text.slice(name.length))
        if (!begins || (best && name.length < best.name.length)) continue
        if (best?.name.toLowerCase() === name.toLowerCase()) best.subjects.push({ subject, names })
        else best = { name, subjects: [{ subject, names }] }
      }
    }
  }
  return best
}
