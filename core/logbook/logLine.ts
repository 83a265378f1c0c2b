import { unitNamed, parseNumber, parseQuantity, toBase, UNITS, UnitError, type Unit } from '../units'
import type { Almanac } from '../almanac'
import type { House } from './states'
import type { Subject } from './entry'
import { openPairingOf } from './checkEntry'

/** What a line means, or what must be asked. */
export type Understood
  = | { ok: true, kind: string, subject: Subject, data: Record<string, unknown>, says: string }
    | { ok: false, ask: string }

interface Known {
  subject: Subject
  tag: string
}

const ask = (text: string): Understood => ({ ok: false, ask: text })

function subjectByTag(house: House, tag: string): Known | null {
  const same = (t: string) => t.toLowerCase() === tag.toLowerCase()
  for (const type of ['animal', 'clutch', 'culture', 'pairing', 'lamp'] as const) {
    const group: Record<string, { id: string, tag: string }> = { animal: house.animals, clutch: house.clutches, culture: house.cultures, pairing: house.pairings, lamp: house.lamps }[type]
    const found = Object.values(group).find(x => same(x.tag))
    if (found) return { subject: { type, id: found.id }, tag: found.tag }
  }
  return null
}

/** A feeder as a keeper names it: `hopper`, `hoppers`, `large flies`, `quarter-inch cricket`. Null when none or several fit. */
export function feederNamed(almanac: Almanac, text: string): string | null {
  const words = text.toLowerCase().trim()
  const feeders = Object.values(almanac.feeders)
  const exact = feeders.find(f => [f.id, f.name, f.one, f.many].some(n => n.toLowerCase() === words))
  if (exact) return exact.id
  const stem = words.replace(/ies$/, 'y').replace(/s$/, '')
  const fits = feeders.filter(f => f.one.includes(stem) || f.name.toLowerCase().includes(stem))
  return fits.length === 1 ? fits[0]!.id : null
}

const whole = (text: string | undefined) => (text !== undefined && /^\d+$/.test(text) ? Number(text) : null)

function meal(known: Known, rest: string, taken: boolean, house: House, almanac: Almanac): Understood {
  const match = /^(\d+)?\s*(.*)$/.exec(rest.trim())!
  const count = match[1] ? Number(match[1]) : 1
  const last = house.animals[known.subject.id]?.meals.at(-1)
  const prey = match[2] ? feederNamed(almanac, match[2]) : last?.prey ?? null
  if (!prey) return ask(match[2] ? `Which feeder is “${match[2]}”? Write it as in the Almanac, such as mouse hopper.` : `${taken ? 'Took' : 'Refused'} what? Write it as: ${known.tag} ${taken ? 'took 1 hopper' : 'refused hopper'}`)
  const feeder = almanac.feeders[prey]!
  return {
    ok: true, kind: 'fed', subject: known.subject, data: { prey, offered: count, taken: taken ? count : 0 },
    says: `${known.tag} ${taken ? 'took' : 'refused'} ${count} ${count === 1 ? feeder.one : feeder.many}`,
  }
}

function breeding(known: Known, house: House): Subject | null {
  if (known.subject.type === 'pairing') return known.subject
  const pairing = known.subject.type === 'animal' ? openPairingOf(house, known.subject.id) : undefined
  return pairing ? { type: 'pairing', id: pairing.id } : null
}

type Saying = (known: Known, rest: string, context: { house: House, almanac: Almanac, nextTag: string }) => Understood

const simple = (type: Subject['type'], kind: string, says: string, data: Record<string, unknown> = {}): Saying => known =>
  known.subject.type === type ? { ok: true, kind, subject: known.subject, data, says: `${known.tag} ${says}` } : ask(`${known.tag} cannot be said to have ${says}`)

const sign = (kind: string, says: string): Saying => (known, _, { house }) => {
  const subject = breeding(known, house)
  return subject ? { ok: true, kind, subject, data: kind === 'copulation' ? { confirmed: true } : {}, says: `${known.tag}: ${says}` } : ask(`${known.tag} has no open pair. Set the pair first, on its page.`)
}

const counted = (type: Subject['type'], kind: string, field: string, says: (n: number) => string): Saying => (known, rest) => {
  const count = whole(rest.split(/\s/)[0])
  if (count === null) return ask(`How many? Write it as: ${known.tag} ${kind === 'hatched' ? 'hatched' : 'lost'} 5`)
  return known.subject.type === type ? { ok: true, kind, subject: known.subject, data: { [field]: count }, says: `${known.tag}: ${says(count)}` } : ask(`${known.tag} is not a clutch.`)
}

const sayings: [RegExp, Saying][] = [
  [/^(?:took|ate|eats)\b/i, (k, rest, { house, almanac }) => meal(k, rest, true, house, almanac)],
  [/^refused\b/i, (k, rest, { house, almanac }) => meal(k, rest, false, house, almanac)],
  [/^pre-?lay shed\b/i, sign('preLayShed', 'pre-lay shed')],
  [/^(?:pos|post-?ovulation shed)\b/i, sign('postOvulationShed', 'post-ovulation shed')],
  [/^shed\b/i, simple('animal', 'shed', 'shed', { complete: true })],
  [/^(?:lock(?:ed)?|copulat\w+)\b/i, sign('copulation', 'lock confirmed')],
  [/^ovulat\w+\b/i, sign('ovulation', 'ovulation')],
  [/^introduced\b/i, sign('introduced', 'male put in')],
  [/^separated\b/i, sign('separated', 'male taken out')],
  [/^rejected\b/i, sign('rejected', 'rejected, taken apart')],
  [/^follicles?\b/i, (known, rest, { house }) => {
    const subject = breeding(known, house)
    const mm = parseNumber(rest.replace(/\s*mm\s*$/i, ''))
    if (!subject) return ask(`${known.tag} has no open pair. Set the pair first, on its page.`)
    return mm === null || mm <= 0 ? ask(`How large? Write it as: ${known.tag} follicles 14 mm`) : { ok: true, kind: 'folliclesSeen', subject, data: { mm }, says: `${known.tag}: follicles ${mm} mm` }
  }],
  [/^probed?\b/i, (known, rest) => {
    const scales = whole(rest.split(/\s/)[0])
    if (known.subject.type !== 'animal') return ask(`${known.tag} is not an animal; only animals are probed.`)
    return scales === null ? ask(`How many scales? Write it as: ${known.tag} probed 9`) : { ok: true, kind: 'probed', subject: known.subject, data: { scales }, says: `${known.tag}: probed, ${scales} scales` }
  }],
  [/^laid\b/i, (known, rest, { house, nextTag }) => {
    const subject = breeding(known, house)
    const eggs = whole(rest.split(/\s/)[0])
    if (!subject) return house.animals[known.subject.id]?.sex === 'male' ? ask(`${known.tag} is a male and does not lay.`) : ask(`${known.tag} has no open pair. Set the pair first, on its page.`)
    return eggs === null ? ask(`How many eggs? Write it as: ${known.tag} laid 8`) : { ok: true, kind: 'laid', subject, data: { tag: nextTag, eggs }, says: `${known.tag} laid ${eggs}, to be clutch ${nextTag}` }
  }],
  [/^hatched\b/i, counted('clutch', 'hatched', 'count', n => `${n} hatched`)],
  [/^lost\b/i, counted('clutch', 'youngLost', 'count', n => `${n} young lost`)],
  [/^candled\b/i, counted('clutch', 'candled', 'good', n => `candled, ${n} good`)],
  [/^produc\w+\b/i, simple('culture', 'producing', 'producing')],
  [/^failed\b/i, simple('culture', 'cultureFailed', 'failed')],
  [/^harvest\w*\b/i, simple('culture', 'harvested', 'harvested', { count: 0 })],
  [/^(?:died|dead)\b/i, simple('animal', 'died', 'died')],
  [/^sold\b/i, simple('animal', 'sold', 'sold')],
  [/^(?:well|checked)\b/i, simple('animal', 'checked', 'looked at, well', { well: true })],
  [/^cooled\b/i, simple('animal', 'cooledDown', 'cooled down')],
  [/^warmed\b/i, simple('animal', 'warmedUp', 'warmed up')],
]

function weight(known: Known, rest: string, unit: Unit): Understood | null {
  if (!/^[\d¼½¾⅓⅔⅛.,/]/.test(rest)) return null
  if (known.subject.type !== 'animal') return ask(`${known.tag} is not an animal; only animals are weighed here.`)
  try {
    const quantity = parseQuantity(rest, unit)
    if (UNITS[quantity.unit].dimension !== 'mass') return ask(`${quantity.unit} is not a weight. Write it as: ${known.tag} 312 g`)
    const massG = Number(toBase(quantity.value, quantity.unit).toFixed(2))
    const named = unitNamed(rest.replace(/[\d.,/\s¼½¾⅓⅔⅛]/g, '')) ?? unit
    return { ok: true, kind: 'weighed', subject: known.subject, data: { massG }, says: `${known.tag} weighs ${quantity.value} ${named}${named === 'g' ? '' : ` (${massG} g)`}` }
  }
  catch (error) {
    if (error instanceof UnitError) return ask(error.message)
    throw error
  }
}

/**
 * Reads one line as a keeper speaks it: `T-14 312 g`, `T-14 took 2 hopper`, `T-14 shed`, `K-07 laid 8`.
 * @param unit mass unit meant when none is written
 * @param nextTag tag that a new clutch would get
 * @returns the entry it means, or the question to ask; null for an empty line
 */
export function readLogLine(line: string, house: House, almanac: Almanac, unit: Unit, nextTag: string): Understood | null {
  const text = line.trim()
  if (!text) return null
  const [tag, ...words] = text.split(/\s+/)
  const known = subjectByTag(house, tag!)
  if (!known) return ask(`No tag ${tag}. Begin with the tag of an animal, clutch or culture.`)
  const rest = words.join(' ')
  if (!rest) return ask(`${known.tag}: what happened? A weight, took, refused, shed, lock, laid, hatched …`)
  const weighed = weight(known, rest, unit)
  if (weighed) return weighed
  for (const [pattern, saying] of sayings) {
    const match = pattern.exec(rest)
    if (match) return saying(known, rest.slice(match[0].length).trim(), { house, almanac, nextTag })
  }
  const note = /^note:?\s+(.+)$/i.exec(rest)
  if (note && known.subject.type === 'animal') return { ok: true, kind: 'noted', subject: known.subject, data: { text: note[1] }, says: `${known.tag}: note` }
  return ask(`“${rest}” is not understood. A weight, took, refused, shed, lock, laid, hatched, producing, failed, note …`)
}
