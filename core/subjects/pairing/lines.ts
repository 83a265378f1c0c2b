import { feederNamed } from '../../almanac'
import { COUNT, countOf, rule, say, type LineRule, type Read, type Reading, type Subject } from '../../log'
import { parseNumber } from '../../units'
import { meal } from '../animal'
import { gramsOf, placeCalled } from '../lineWords'
import { openPairingOf } from './open'

function breeding({ known, house }: Reading): Subject | string {
  if (known.subject.type === 'pairing') return known.subject
  if (known.subject.type !== 'animal') return `${known.tag} is no animal and no pair.`
  const pairing = openPairingOf(house, known.subject.id)
  if (pairing) return { type: 'pairing', id: pairing.id }
  return house.animals[known.subject.id]!.sex === 'male'
    ? `${known.tag} is a male and does not lay or carry; write it of the female.`
    : `${known.tag} has no open pair. Set the pair first, on its page.`
}

/** A sign of breeding, put to her open pair; a mate that is named must be the one of that pair. */
function sign(r: Reading, kind: string, data: Record<string, unknown>, says: string, mate?: string): Read {
  const subject = breeding(r)
  if (typeof subject === 'string') return subject
  if (mate) {
    const pairing = r.house.pairings[subject.id]!
    const named = r.tagged(mate)
    const mates = [pairing.damId, pairing.sireId]
    if (!named.found || named.found.subject.type !== 'animal' || !mates.includes(named.found.subject.id))
      return `${r.known.tag} is set with ${r.house.animals[pairing.sireId ?? '']?.tag ?? 'no known male'}, not with ${mate}. Set that pair first.`
  }
  return say(r, kind, data, `: ${says}`, subject)
}

interface LaidMore {
  slugs?: number
  placeId?: string
  massG?: number
}

function laid(r: Reading, eggs: number, more: LaidMore = {}): Read {
  const ofGroup = r.known.subject.type === 'group'
  const subject = ofGroup ? r.known.subject : breeding(r)
  if (typeof subject === 'string') return subject
  const { slugs, placeId, massG } = more
  const said = [
    slugs && `${slugs} of them slugs`,
    placeId && `in ${r.house.places[placeId]!.name}`,
    massG && `${massG} g together`,
  ].filter(Boolean)
  return say(
    r,
    ofGroup ? 'groupLaid' : 'laid',
    { tag: r.nextTag, eggs, ...(slugs && { slugs }), ...(placeId && { placeId }), ...(massG && { massG }) },
    ` laid ${[eggs, ...said].join(', ')}, to be clutch ${r.nextTag}`,
    subject,
  )
}

/** The weights of several eggs, added up; null for what is no list of weights, or one weight, which is hers. */
function eggWeights(part: string, r: Reading): number | null {
  const named = /^(?:eggs?|together) (.+)$/i.exec(part)
  const list = (named?.[1] ?? part).match(/[\d.,]+ ?(?:g|oz|grams?)\b/gi)
  if (
    !list ||
    (!named && list.length < 2) ||
    part
      .replace(/^(?:eggs?|together) /i, '')
      .replace(/[\d.,]+ ?(?:g|oz|grams?)\b/gi, '')
      .trim()
  )
    return null
  try {
    return Number(list.reduce((sum, text) => sum + gramsOf(text, r.unit), 0).toFixed(2))
  } catch {
    return null
  }
}

/** A laying with all that is said of it, part by part; null where a part is not understood as of it. */
function laidInFull(r: Reading, count: number, parts: readonly string[]): Read | null {
  const more: LaidMore = {}
  for (const part of parts.map(p => p.trim())) {
    const slugs = new RegExp(`^(${COUNT}) slugs?$`, 'i').exec(part)
    const massG = eggWeights(part, r)
    const placeId = placeCalled(r.house, part.replace(/^(?:in|into|to) /i, ''))
    if (slugs && more.slugs === undefined) more.slugs = countOf(slugs[1]!)
    else if (massG !== null && more.massG === undefined) more.massG = massG
    else if (placeId && !more.placeId) more.placeId = placeId
    else return null
  }
  return laid(r, count + (more.slugs ?? 0), more)
}

export const pairingLines: LineRule[] = [
  rule('pre-?\\s?lay(?:ing)? shed', r => sign(r, 'preLayShed', {}, 'pre-lay shed')),
  rule('(?:pos|post-?\\s?ovulation shed)', r => sign(r, 'postOvulationShed', {}, 'post-ovulation shed')),
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
  rule(`laid (${COUNT}) slugs?`, (r, m) => laid(r, countOf(m[1]!), { slugs: countOf(m[1]!) })),
  rule(`laid (${COUNT})(?: eggs?)?`, (r, m) => laid(r, countOf(m[1]!))),
  rule(`laid (${COUNT})(?: eggs?)?, (.+)`, (r, m) => laidInFull(r, countOf(m[1]!), m[2]!.split(/, /))),
  rule(`laid (${COUNT})(?: eggs?)?,? (?:of (?:them|which) )(${COUNT})(?: slugs?)`, (r, m) =>
    laid(r, countOf(m[1]!), { slugs: countOf(m[2]!) }),
  ),
  rule(`laid (${COUNT})(?: eggs?)?(?:,? and |, | \\+ | with )(${COUNT}) slugs?`, (r, m) =>
    laid(r, countOf(m[1]!) + countOf(m[2]!), { slugs: countOf(m[2]!) }),
  ),
  rule('laid', r => {
    const subject = breeding(r)
    return typeof subject === 'string' ? subject : `How many eggs? Write it as: ${r.known.tag} laid 8`
  }),
]
