import { parseNumber, parseQuantity, toBase, unitNamed, UNITS, UnitError, type Unit } from '../units'
import type { Almanac } from '../almanac'
import type { ClutchState, House } from './states'
import type { Subject } from './entry'
import { openPairingOf } from './checkEntry'
import { eggsLeft, tadpolesLeft, youngInGroup } from './kinds/clutch'
import { tagNamed } from './tagNamed'

/** One thing that a line says. */
export interface Fact {
  kind: string
  subject: Subject
  data: Record<string, unknown>
}

/** What a line means, or what must be asked. */
export type Understood =
  | ({
      ok: true
      says: string
      /** How long ago it happened; 0 = today. */ daysAgo: number
      /** Further facts of the same line. */ more: Fact[]
      /** The words as written, each with what they became. */ read: { words: string; says: string }[]
    } & Fact)
  | { ok: false; ask: string }

interface Known {
  subject: Subject
  tag: string
}

interface Reading {
  known: Known
  house: House
  almanac: Almanac
  unit: Unit
  nextTag: string
}

/** A fact with its words, or the question to ask. */
type Read = (Fact & { says: string }) | string

/** A feeder as a keeper names it: `hopper`, `hoppers`, `large flies`, `quarter-inch cricket`. Null when none or several fit. */
export function feederNamed(almanac: Almanac, text: string): string | null {
  const words = text.toLowerCase().trim()
  const feeders = Object.values(almanac.feeders)
  const exact = feeders.find(f => [f.id, f.name, f.one, f.many].some(n => n.toLowerCase() === words))
  if (exact) return exact.id
  const stem = words.replace(/ies$/, 'y').replace(/s$/, '')
  if (!stem) return null
  const fits = feeders.filter(f => f.one.includes(stem) || f.name.toLowerCase().includes(stem))
  return fits.length === 1 ? fits[0]!.id : null
}

const NUMBER_WORDS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
]
const COUNT = `(?:\\d+|an?|${NUMBER_WORDS.slice(1).join('|')})`

function countOf(text: string): number {
  const word = text.toLowerCase()
  return word === 'a' || word === 'an' ? 1 : NUMBER_WORDS.includes(word) ? NUMBER_WORDS.indexOf(word) : Number(word)
}

function breeding({ known, house }: Reading): Subject | string {
  if (known.subject.type === 'pairing') return known.subject
  if (known.subject.type !== 'animal') return `${known.tag} is no animal and no pair.`
  const pairing = openPairingOf(house, known.subject.id)
  if (pairing) return { type: 'pairing', id: pairing.id }
  return house.animals[known.subject.id]!.sex === 'male'
    ? `${known.tag} is a male and does not lay or carry; write it of the female.`
    : `${known.tag} has no open pair. Set the pair first, on its page.`
}

const say = (
  r: Reading,
  kind: string,
  data: Record<string, unknown>,
  says: string,
  subject: Subject = r.known.subject,
): Read => ({ kind, subject, data, says: `${r.known.tag}${says}` })

/** Something said of one sort of subject only. */
function of(r: Reading, type: Subject['type'], kind: string, data: Record<string, unknown>, says: string): Read {
  return r.known.subject.type === type
    ? say(r, kind, data, ` ${says}`)
    : `${r.known.tag} cannot be said to have ${says}`
}

/** A sign of breeding, put to her open pair; a mate that is named must be the one of that pair. */
function sign(r: Reading, kind: string, data: Record<string, unknown>, says: string, mate?: string): Read {
  const subject = breeding(r)
  if (typeof subject === 'string') return subject
  if (mate) {
    const pairing = r.house.pairings[subject.id]!
    const named = tagNamed(r.house, mate)
    const mates = [pairing.damId, pairing.sireId]
    if (!named.found || named.found.subject.type !== 'animal' || !mates.includes(named.found.subject.id))
      return `${r.known.tag} is set with ${r.house.animals[pairing.sireId ?? '']?.tag ?? 'no known male'}, not with ${mate}. Set that pair first.`
  }
  return say(r, kind, data, `: ${says}`, subject)
}

function meal(r: Reading, verb: 'took' | 'refused', rest: string): Read {
  if (r.known.subject.type !== 'animal') return `${r.known.tag} is not an animal; groups are fed in the Nursery.`
  const match = new RegExp(`^(?:(${COUNT})(?:\\s+(?:of|out of)\\s+(${COUNT}))?\\b)?\\s*(.*)$`, 'i').exec(rest)!
  const first = match[1] ? countOf(match[1]) : 1
  const offered = match[2] ? countOf(match[2]) : first
  const last = r.house.animals[r.known.subject.id]?.meals.at(-1)
  const prey = match[3] ? feederNamed(r.almanac, match[3].replace(/^the\s+/i, '')) : (last?.prey ?? null)
  if (!prey)
    return match[3]
      ? `Which feeder is “${match[3]}”? Write it as in the Almanac, such as mouse hopper.`
      : `${verb === 'took' ? 'Took' : 'Refused'} what? Write it as: ${r.known.tag} ${verb === 'took' ? 'took 1 hopper' : 'refused hopper'}`
  const taken = verb === 'took' ? first : 0
  if (taken > offered) return `${taken} of ${offered}? More taken than offered.`
  const feeder = r.almanac.feeders[prey]!
  return say(
    r,
    'fed',
    { prey, offered, taken },
    ` ${verb} ${taken && taken < offered ? `${taken} of ` : ''}${offered} ${offered === 1 ? feeder.one : feeder.many}`,
  )
}

const clutchOf = ({ known, house }: Reading): ClutchState | undefined =>
  known.subject.type === 'clutch' ? house.clutches[known.subject.id] : undefined

function lost(r: Reading, count: number, what: string | undefined): Read {
  const clutch = clutchOf(r)
  if (!clutch) return `${r.known.tag} is not a clutch.`
  const [eggs, young] = [eggsLeft(clutch), youngInGroup(clutch) + tadpolesLeft(clutch)]
  if (what && /^egg/i.test(what)) return say(r, 'eggsLost', { count }, `: ${count} eggs lost`)
  if (!what && eggs && young) return `${r.known.tag} has eggs and young: lost ${count} eggs, or lost ${count} young?`
  return what || young
    ? say(r, 'youngLost', { count }, `: ${count} young lost`)
    : say(r, 'eggsLost', { count }, `: ${count} eggs lost`)
}

function laid(r: Reading, eggs: number, slugs: number): Read {
  const subject = breeding(r)
  if (typeof subject === 'string') return subject
  return say(
    r,
    'laid',
    { tag: r.nextTag, eggs, ...(slugs && { slugs }) },
    ` laid ${eggs}${slugs ? `, ${slugs} of them slugs` : ''}, to be clutch ${r.nextTag}`,
    subject,
  )
}

function weight(r: Reading, text: string): Read {
  if (r.known.subject.type !== 'animal') return `${r.known.tag} is not an animal; only animals are weighed here.`
  const compound = /^([\d.,]+)\s*(?:lb|lbs|pounds?)\.?\s+([\d.,]+)\s*(?:oz|ounces?)\.?$/i.exec(text.trim())
  try {
    const massG = compound
      ? toBase(parseQuantity(compound[1]!, 'lb').value, 'lb') + toBase(parseQuantity(compound[2]!, 'oz').value, 'oz')
      : (() => {
          const quantity = parseQuantity(text, r.unit)
          if (UNITS[quantity.unit].dimension !== 'mass')
            throw new UnitError(`${quantity.unit} is not a weight. Write it as: ${r.known.tag} 312 g`)
          return toBase(quantity.value, quantity.unit)
        })()
    const rounded = Number(massG.toFixed(2))
    const named = compound ? 'lb' : (unitNamed(text.replace(/^[\s\d.,/¼½¾⅓⅔⅛+−-]*/, '')) ?? r.unit)
    const shown = compound ? text.trim() : `${parseNumber(text.replace(/[^\d.,/\s¼½¾⅓⅔⅛−+-]/g, '').trim())} ${named}`
    return say(r, 'weighed', { massG: rounded }, ` weighs ${shown}${named === 'g' ? '' : ` (${rounded} g)`}`)
  } catch (error) {
    if (error instanceof UnitError) return error.message
    throw error
  }
}

const SIGN_OF: [RegExp, string][] = [
  [/^(?:noisy breath|wheez\w*|breathing)$/i, 'breathing'],
  [/^discharge$/i, 'discharge'],
  [/^(?:dry|damaged|bad) skin$/i, 'skin'],
  [/^(?:does not react|no reaction)$/i, 'alertness'],
  [/^(?:thin|skinny)$/i, 'thin'],
  [/^(?:injur\w+|wound\w*|bitten)$/i, 'injury'],
]

function unwell(r: Reading, what: string | undefined): Read {
  const signs = what ? [SIGN_OF.find(([pattern]) => pattern.test(what.trim()))?.[1]] : []
  if (what && !signs[0]) return `“${what.trim()}” is no sign that is known; write “not well”, and the rest as a note.`
  return r.known.subject.type === 'animal'
    ? say(
        r,
        'checked',
        { well: false, ...(signs[0] && { signs }) },
        `: looked at, not well${what ? ` (${what.trim()})` : ''}`,
      )
    : `${r.known.tag} is not an animal.`
}

type Rule = [pattern: RegExp, read: (r: Reading, m: RegExpExecArray) => Read]
const rule = (pattern: string, read: Rule[1]): Rule => [new RegExp(`^(?:${pattern})$`, 'i'), read]

/** Each rule takes a whole part of the line, from its first word to its last: what is left over is never dropped. */
const RULES: Rule[] = [
  rule('(?:took|ate|eats|eaten|has eaten|fed on)(?:\\s+(.+))?', (r, m) => meal(r, 'took', m[1] ?? '')),
  rule('fed(?:\\s+(.+))?', (r, m) => `Took or refused? Write it as: ${r.known.tag} took ${m[1] ?? '1 hopper'}`),
  rule('(?:refused|did not (?:eat|take)|would not (?:eat|take)|has not eaten)(?:\\s+(.+))?', (r, m) =>
    meal(r, 'refused', m[1] ?? ''),
  ),
  rule('pre-?\\s?lay(?:ing)? shed', r => sign(r, 'preLayShed', {}, 'pre-lay shed')),
  rule('(?:pos|post-?\\s?ovulation shed)', r => sign(r, 'postOvulationShed', {}, 'post-ovulation shed')),
  rule('shed(?:ded)?(?: complete(?:ly)?| whole| in one(?: piece)?| well)?', r =>
    of(r, 'animal', 'shed', { complete: true }, 'shed'),
  ),
  rule('(?:shed(?:ded)? (?:in pieces|badly|incomplete(?:ly)?|partly|in parts)|(?:stuck|bad|incomplete) shed)', r =>
    of(r, 'animal', 'shed', { complete: false }, 'shed in pieces'),
  ),
  rule('(?:lock(?:ed|s)?(?: confirmed| seen)?|copulat(?:ed|ion|ing)(?: confirmed| seen)?)(?: with (\\S+))?', (r, m) =>
    sign(r, 'copulation', { confirmed: true }, 'lock confirmed', m[1]),
  ),
  rule('(?:lock not confirmed|no lock(?: seen)?|(?:lay|lying|laying|only) together)(?: with (\\S+))?', (r, m) =>
    sign(r, 'copulation', { confirmed: false }, 'lay together, no lock', m[1]),
  ),
  rule('ovulat(?:ed|ion|ing)', r => sign(r, 'ovulation', {}, 'ovulation')),
  rule('introduced(?: (?:to|with) (\\S+))?', (r, m) => sign(r, 'introduced', {}, 'male put in', m[1])),
  rule('separated(?: from (\\S+))?', (r, m) => sign(r, 'separated', {}, 'male taken out', m[1])),
  rule('rejected(?: (?:him|her|the male|the female|male|female))?', r =>
    sign(r, 'rejected', {}, 'rejected, taken apart'),
  ),
  rule('rejected (.+)', (r, m) =>
    feederNamed(r.almanac, m[1]!) ? meal(r, 'refused', m[1]!) : sign(r, 'rejected', {}, 'rejected, taken apart', m[1]),
  ),
  rule('follicles?(?:\\s+(?:of\\s+)?([\\d.,]+)\\s*(?:mm)?)?', (r, m) => {
    const subject = breeding(r)
    if (typeof subject === 'string') return subject
    const mm = m[1] ? parseNumber(m[1]) : null
    return mm === null || mm <= 0
      ? `How large? Write it as: ${r.known.tag} follicles 14 mm`
      : say(r, 'folliclesSeen', { mm }, `: follicles ${mm} mm`, subject)
  }),
  rule('probed?(?:\\s+(\\d+)(?:\\s+scales?)?)?', (r, m) =>
    r.known.subject.type !== 'animal'
      ? `${r.known.tag} is not an animal; only animals are probed.`
      : m[1]
        ? say(r, 'probed', { scales: Number(m[1]) }, `: probed, ${m[1]} scales`)
        : `How many scales? Write it as: ${r.known.tag} probed 9`,
  ),
  rule(`laid (${COUNT}) slugs?`, (r, m) => laid(r, countOf(m[1]!), countOf(m[1]!))),
  rule(`laid (${COUNT})(?: eggs?)?`, (r, m) => laid(r, countOf(m[1]!), 0)),
  rule(`laid (${COUNT})(?: eggs?)?,? (?:of (?:them|which) )(${COUNT})(?: slugs?)`, (r, m) =>
    laid(r, countOf(m[1]!), countOf(m[2]!)),
  ),
  rule(`laid (${COUNT})(?: eggs?)?(?:,? and |, | \\+ | with )(${COUNT}) slugs?`, (r, m) =>
    laid(r, countOf(m[1]!) + countOf(m[2]!), countOf(m[2]!)),
  ),
  rule('laid', r => {
    const subject = breeding(r)
    return typeof subject === 'string' ? subject : `How many eggs? Write it as: ${r.known.tag} laid 8`
  }),
  rule(`(?:hatched (${COUNT})|(${COUNT}) hatched)`, (r, m) =>
    clutchOf(r)
      ? say(r, 'hatched', { count: countOf(m[1] ?? m[2]!) }, `: ${countOf(m[1] ?? m[2]!)} hatched`)
      : `${r.known.tag} is not a clutch.`,
  ),
  rule(`hatched (${COUNT}) of (${COUNT})`, (r, m) => {
    const clutch = clutchOf(r)
    if (!clutch) return `${r.known.tag} is not a clutch.`
    return countOf(m[2]!) === eggsLeft(clutch)
      ? say(r, 'hatched', { count: countOf(m[1]!) }, `: ${countOf(m[1]!)} hatched`)
      : `${r.known.tag} has ${eggsLeft(clutch)} eggs left, not ${countOf(m[2]!)}. How many hatched?`
  }),
  rule(`(?:lost (${COUNT})|(${COUNT}) lost)(?: (eggs?|young|hatchlings?|tadpoles?|froglets?))?`, (r, m) =>
    lost(r, countOf(m[1] ?? m[2]!), m[3]),
  ),
  rule(`candled (${COUNT})(?: good)?`, (r, m) =>
    clutchOf(r)
      ? say(r, 'candled', { good: countOf(m[1]!) }, `: candled, ${countOf(m[1]!)} good`)
      : `${r.known.tag} is not a clutch.`,
  ),
  rule(`candled (${COUNT}) (?:bad|not good|infertile)`, (r, m) => {
    const clutch = clutchOf(r)
    return clutch
      ? `${countOf(m[1]!)} bad: then ${Math.max(0, eggsLeft(clutch) - countOf(m[1]!))} are good? Write it as: ${r.known.tag} candled ${Math.max(0, eggsLeft(clutch) - countOf(m[1]!))} good`
      : `${r.known.tag} is not a clutch.`
  }),
  rule('(?:hatched|lost|candled)', r =>
    clutchOf(r)
      ? `How many? Write it as: ${r.known.tag} hatched 5, lost 1 egg, candled 7 good`
      : `${r.known.tag} is not a clutch.`,
  ),
  rule('produc(?:es|ed|ing)', r => of(r, 'culture', 'producing', {}, 'producing')),
  rule('failed(?:\\s*:\\s*(.+))?', (r, m) =>
    of(r, 'culture', 'cultureFailed', { ...(m[1] && { why: m[1] }) }, `failed${m[1] ? `: ${m[1]}` : ''}`),
  ),
  rule(`harvest(?:ed)?(?: (?:about )?(\\d+))?`, (r, m) =>
    of(r, 'culture', 'harvested', { count: Number(m[1] ?? 0) }, `harvested${m[1] ? ` ${m[1]}` : ''}`),
  ),
  rule('(?:died|found dead|is dead)(?: of (.+)|\\s*:\\s*(.+))?', (r, m) =>
    of(
      r,
      'animal',
      'died',
      { ...((m[1] ?? m[2]) && { cause: m[1] ?? m[2] }) },
      `died${(m[1] ?? m[2]) ? `: ${m[1] ?? m[2]}` : ''}`,
    ),
  ),
  rule('dead', r =>
    r.known.subject.type === 'animal'
      ? `Is ${r.known.tag} dead? Write: ${r.known.tag} died`
      : `${r.known.tag} is not an animal.`,
  ),
  rule('sold', r => of(r, 'animal', 'sold', {}, 'sold')),
  rule('(?:(?:all )?well|(?:checked|looked at)(?:[:,]? (?:and )?well)?)', r =>
    of(r, 'animal', 'checked', { well: true }, 'looked at, well'),
  ),
  rule('(?:(?:checked|looked at):? )?(?:not well|unwell|ill|sick)(?:\\s*[:,]\\s*(.+))?', (r, m) => unwell(r, m[1])),
  rule('cooled(?: down)?', r => of(r, 'animal', 'cooledDown', {}, 'cooled down')),
  rule('warmed(?: up)?', r => of(r, 'animal', 'warmedUp', {}, 'warmed up')),
  // last, since a line may begin with another number: 5 hatched
  rule('(?:weigh(?:s|ed)?|weight|at)?\\s*:?\\s*([.\\d¼½¾⅓⅔⅛][^?]*)', (r, m) => weight(r, m[1]!)),
]

/** Words that turn a sentence round: a rule that does not know them must not be fed them. */
const DOUBT =
  /\?|\b(?:not|no|never|none|nothing|without|hardly|maybe|perhaps|probably|almost|nearly|isn.t|didn.t|wasn.t|hasn.t|won.t)\b/i

function readPart(r: Reading, part: string): Read | null {
  for (const [pattern, read] of RULES) {
    const match = pattern.exec(part)
    if (match) return read(r, match)
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

function notUnderstood(part: string, r: Reading): Understood {
  const verb = part.split(/\s+/)[0]!.toLowerCase()
  const near = VERBS.find(v => v !== verb && verb.length >= 3 && isNear(v, verb))
  if (near) return ask(`“${part}” is not understood. Did you mean: ${r.known.tag} ${part.replace(/^\S+/, near)}`)
  if (DOUBT.test(part))
    return ask(
      `“${part}” is not written as said: write only what happened, the rest as a note (${r.known.tag} note: …).`,
    )
  const known = RULES.some(([pattern]) =>
    part.split(/\s+/).some((_, i, words) => i > 0 && pattern.test(words.slice(0, i).join(' '))),
  )
  return ask(
    known
      ? `Part of “${part}” is not understood, so nothing is written. Say it more plainly, or as a note (${r.known.tag} note: …).`
      : `“${part}” is not understood. A weight, took, refused, shed, lock, laid, hatched, producing, failed, note …`,
  )
}

/** Splits a line into the things it says; a second prey takes the verb of the first. */
function partsOf(rest: string, r: Reading): string[] {
  const whole = readPart(r, rest)
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
        typeof readPart(r, asMeal) === 'object' &&
        readPart(r, asMeal) !== null
        ? asMeal
        : part,
    )
  }
  // what is asked of the whole line is asked, unless it is clear part by part
  return whole === null ||
    (parts.length > 1 && parts.every(p => readPart(r, p) !== null && typeof readPart(r, p) === 'object'))
    ? parts
    : [rest]
}

/**
 * Reads one line as a keeper speaks it: `T-14 312 g`, `T-14 took 2 hopper`, `T-14 shed, 312 g`, `K-07 laid 8 yesterday`.
 * Every word is understood, or the line is asked about: nothing is ever dropped.
 * @param unit mass unit meant when none is written
 * @param nextTag tag that a new clutch would get
 * @returns the entries it means, or the question to ask; null for an empty line
 */
export function readLogLine(
  line: string,
  house: House,
  almanac: Almanac,
  unit: Unit,
  nextTag: string,
): Understood | null {
  const text = line.trim().replace(/\s+/g, ' ')
  if (!text) return null
  const [first, ...words] = text.split(' ')
  const named = tagNamed(house, first!.replace(/[:,]$/, ''))
  if (!named.found)
    return ask(
      `No tag ${first!.replace(/[:,]$/, '')}. ${named.near ? `Did you mean ${named.near}?` : 'Begin with the tag of an animal, clutch or culture.'}`,
    )
  const r: Reading = { known: named.found, house, almanac, unit, nextTag }
  const said = words.join(' ').replace(/^(?:[:,]\s*|[-–]\s+)/, '')
  if (!said) return ask(`${r.known.tag}: what happened? A weight, took, refused, shed, lock, laid, hatched …`)
  const note = /^note:?\s+(.+)$/i.exec(said)
  if (note && r.known.subject.type === 'animal')
    return {
      ok: true,
      kind: 'noted',
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
  for (const part of partsOf(rest, r)) {
    const read = readPart(r, part)
    if (read === null) return notUnderstood(part, r)
    if (typeof read === 'string') return ask(read)
    facts.push(read)
    became.push({ words: part, says: afterTag(read.says, r) })
  }
  const [main, ...more] = facts
  if (!main) return notUnderstood(rest, r)
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
