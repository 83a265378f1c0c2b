import type { Almanac } from '../almanac'
import type { Unit } from '../units'
import type { House } from './house'
import { COUNT, countOf, type Fact, type Known, type LineRule, type Read, type Reading, type Understood } from './line'
import type { Registry } from './registry'
import { namedAtStart, tagNamedIn } from './tags'

/** Words that turn a sentence round: a rule that does not know them must not be fed them. */
const DOUBT =
  /\?|\b(?:not|no|never|none|nothing|without|hardly|maybe|perhaps|probably|almost|nearly|isn.t|didn.t|wasn.t|hasn.t|won.t)\b/i

function readPart(rules: readonly LineRule[], r: Reading, part: string): Read | null {
  for (const [pattern, read] of rules) {
    const match = pattern.exec(part)
    const said = match && read(r, match)
    if (said !== null) return said
  }
  return null
}

const WHEN: [RegExp, (m: RegExpExecArray) => number][] = [
  [/^(.*?),?\s+(?:today|just now)$/i, () => 0],
  [/^(.*?),?\s+(?:the day before yesterday)$/i, () => 2],
  [/^(.*?),?\s+yesterday$/i, () => 1],
  [new RegExp(`^(.*?),?\\s+(${COUNT})\\s+days?\\s+ago$`, 'i'), m => countOf(m[2]!)],
  [new RegExp(`^(.*?),?\\s+(${COUNT})\\s+weeks?\\s+ago$`, 'i'), m => 7 * countOf(m[2]!)],
]

/** Takes the day off the end of a line. */
function whenOf(text: string): { rest: string; daysAgo: number } {
  const before = /^yesterday:?,?\s+(.+)$/i.exec(text)
  if (before) return { rest: before[1]!, daysAgo: 1 }
  for (const [pattern, days] of WHEN) {
    const match = pattern.exec(text)
    if (match) return { rest: match[1]!, daysAgo: days(match) }
  }
  return { rest: text, daysAgo: 0 }
}

const afterTag = (says: string, r: Reading): string => says.slice(r.known.tag.length).replace(/^[: ]+/, '')

const ask = (text: string): Understood => ({ ok: false, ask: text })

const VERBS = [
  'took',
  'refused',
  'shed',
  'lock',
  'laid',
  'hatched',
  'candled',
  'introduced',
  'separated',
  'producing',
  'harvested',
  'failed',
  'sold',
  'died',
  'cooled',
  'warmed',
  'probed',
  'weighed',
  'checked',
  'rejected',
  'follicles',
  'ovulated',
]

/** Letters that differ at most: one changed, missing, added, or two swapped. */
function isNear(a: string, b: string): boolean {
  if (a === b || Math.abs(a.length - b.length) > 1) return a === b
  let i = 0
  while (i < Math.min(a.length, b.length) && a[i] === b[i]) i++
  const [restA, restB] = [a.slice(i), b.slice(i)]
  return (
    restA.slice(1) === restB.slice(1) ||
    restA.slice(1) === restB ||
    restA === restB.slice(1) ||
    (restA.slice(2) === restB.slice(2) && restA[0] === restB[1] && restA[1] === restB[0])
  )
}

function notUnderstood(rules: readonly LineRule[], part: string, r: Reading): Understood {
  const verb = part.split(/\s+/)[0]!.toLowerCase()
  const near = VERBS.find(v => v !== verb && verb.length >= 3 && isNear(v, verb))
  if (near) return ask(`“${part}” is not understood. Did you mean: ${r.known.tag} ${part.replace(/^\S+/, near)}`)
  if (DOUBT.test(part))
    return ask(
      `“${part}” is not written as said: write only what happened, the rest as a note (${r.known.tag} note: …).`,
    )
  const known = rules.some(([pattern]) =>
    part.split(/\s+/).some((_, i, words) => i > 0 && pattern.test(words.slice(0, i).join(' '))),
  )
  return ask(
    known
      ? `Part of “${part}” is not understood, so nothing is written. Say it more plainly, or as a note (${r.known.tag} note: …).`
      : `“${part}” is not understood. A weight, took, refused, shed, lock, laid, hatched, producing, failed, note …`,
  )
}

/** Splits a line into the things it says; a second prey takes the verb of the first. */
function partsOf(rules: readonly LineRule[], rest: string, r: Reading): string[] {
  const whole = readPart(rules, r, rest)
  if (whole !== null && typeof whole !== 'string') return [rest]
  const parts: string[] = []
  for (const part of rest
    .split(/,\s+|;\s*|\s+and\s+|\.\s+/)
    .map(p => p.trim())
    .filter(Boolean)) {
    const verb = /^(took|ate|refused)\b/i.exec(parts.at(-1) ?? '')?.[1]
    const asMeal = `${verb} ${part}`
    parts.push(
      verb &&
        new RegExp(`^${COUNT}\\s`, 'i').test(part) &&
        typeof readPart(rules, r, asMeal) === 'object' &&
        readPart(rules, r, asMeal) !== null
        ? asMeal
        : part,
    )
  }
  // what is asked of the whole line is asked, unless it is clear part by part
  return whole === null ||
    (parts.length > 1 && parts.every(p => readPart(rules, r, p) !== null && typeof readPart(rules, r, p) === 'object'))
    ? parts
    : [rest]
}

/** What all sorts of subjects understand; what could be part of many comes last. */
function rulesOf(registry: Registry): readonly LineRule[] {
  const subjects = [...registry.subjects.values()]
  return [...subjects.flatMap(s => s.lines ?? []), ...subjects.flatMap(s => s.lastLines ?? [])]
}

/** What a line is about, and what it says of it: a tag, else a name of several words. */
function beginningOf(registry: Registry, house: House, text: string): { known: Known; said: string } | { ask: string } {
  const [first, ...words] = text.split(' ')
  const tag = first!.replace(/[:,]$/, '')
  const named = tagNamedIn(registry, house, tag)
  const place = namedAtStart(registry, house, text)
  const [one, other] = place?.subjects ?? []
  // Moss tank is not the group Moss
  if (named.found && !(place && place.name.includes(' '))) return { known: named.found, said: words.join(' ') }
  if (!place || !one)
    return {
      ask: `No tag ${tag}. ${named.near ? `Did you mean ${named.near}?` : 'Begin with the tag of an animal, clutch or culture, or the name of a place.'}`,
    }
  if (other) return { ask: `Which ${place.name}? Write ${place.subjects.map(s => s.names.at(-1)).join(' or ')}.` }
  return { known: { subject: one.subject, tag: place.name }, said: text.slice(place.name.length).trim() }
}

/**
 * Reads one line as a keeper speaks it: `T-14 312 g`, `T-14 took 2 hopper`, `T-14 shed, 312 g`, `K-07 laid 8
 * yesterday`. Every word is understood, or the line is asked about: nothing is ever dropped.
 * @param unit mass unit meant when none is written
 * @param nextTag tag that a new clutch would get
 * @returns the entries it means, or the question to ask; null for an empty line
 */
export function readLineWith(
  registry: Registry,
  line: string,
  house: House,
  almanac: Almanac,
  unit: Unit,
  nextTag: string,
): Understood | null {
  const text = line.trim().replace(/\s+/g, ' ')
  if (!text) return null
  const begins = beginningOf(registry, house, text)
  if ('ask' in begins) return ask(begins.ask)
  const tagged = (tag: string) => tagNamedIn(registry, house, tag)
  const r: Reading = { known: begins.known, house, almanac, unit, nextTag, tagged }
  const rules = rulesOf(registry)
  const said = begins.said.replace(/^(?:[:,]\s*|[-–]\s+)/, '')
  if (!said) return ask(`${r.known.tag}: what happened? A weight, took, refused, shed, lock, laid, hatched …`)
  const note = /^note:?\s+(.+)$/i.exec(said)
  const noteKind = registry.subjects.get(r.known.subject.type)?.noteKind
  if (note && noteKind)
    return {
      ok: true,
      kind: noteKind,
      subject: r.known.subject,
      data: { text: note[1] },
      says: `${r.known.tag}: note`,
      daysAgo: 0,
      more: [],
      read: [{ words: note[1]!, says: 'as a note' }],
    }
  if (said.includes('?')) return ask(`Is this a question? Write what happened, or as a note: ${r.known.tag} note: …`)
  const { rest, daysAgo } = whenOf(said.replace(/[.!]+$/, ''))
  const facts: (Fact & { says: string })[] = []
  const became: { words: string; says: string }[] = []
  for (const part of partsOf(rules, rest, r)) {
    const read = readPart(rules, r, part)
    if (read === null) return notUnderstood(rules, part, r)
    if (typeof read === 'string') return ask(read)
    facts.push(read)
    became.push({ words: part, says: afterTag(read.says, r) })
  }
  const [main, ...more] = facts
  if (!main) return notUnderstood(rules, rest, r)
  const when = daysAgo === 0 ? '' : daysAgo === 1 ? ', yesterday' : `, ${daysAgo} days ago`
  const says = [main.says, ...more.map(f => afterTag(f.says, r))].join('; ')
  return {
    ok: true,
    kind: main.kind,
    subject: main.subject,
    data: main.data,
    more: more.map(({ says: _, ...fact }) => fact),
    says: `${says}${when}`,
    daysAgo,
    read: [
      ...became,
      ...(daysAgo || rest !== said.replace(/[.!]+$/, '')
        ? [
            {
              words: said
                .replace(/[.!]+$/, '')
                .replace(rest, '')
                .replace(/^[,:\s]+|[,:\s]+$/g, ''),
              says: when.replace(/^, /, '') || 'today',
            },
          ]
        : []),
    ],
  }
}
