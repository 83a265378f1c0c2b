import { of, rule, say, type LineRule, type Read, type Reading } from '../../log'
import { movedTo } from '../lineWords'
import { signsOf } from './kinds'
import { NO_SIGN, TROUBLE_WORDS, type Trouble } from './state'

/** What is seen in a culture; the same words of others are for the rules after. */
const looked = (r: Reading, what: string): Read | null => {
  const culture = r.known.subject.type === 'culture' ? r.house.cultures[r.known.subject.id] : undefined
  if (!culture) return null
  const seen = what.toLowerCase()
  const furthest = /^nothing(?: yet| seen yet)?$/.test(seen)
    ? NO_SIGN
    : signsOf(r.almanac.feeders[culture.feederId]).find(s => s === seen)
  return furthest === undefined
    ? null
    : say(r, 'cultureLooked', { furthest }, furthest === NO_SIGN ? ': nothing seen yet' : `: ${furthest} seen`)
}

/** A word for what is found, as it is typed. */
const FOUND_WORDS: Record<string, Trouble> = {
  'mites': 'mites',
  'mould': 'mould',
  'mold': 'mould',
  'smells': 'smell',
  'leaving': 'leaving',
  'dying': 'dying',
  'no young': 'noYoung',
}

const ofCulture = (pattern: string, read: (r: Reading, m: RegExpExecArray) => Read): LineRule =>
  rule(pattern, (r, m) => (r.known.subject.type === 'culture' ? read(r, m) : null))

export const cultureLines: LineRule[] = [
  ofCulture('(?:moved )?(?:to|into) (.+)', (r, m) => movedTo(r, 'cultureMoved', m[1]!)),
  ofCulture('(?:is of |of )?strain (.+)', (r, m) => say(r, 'cultureCorrected', { strain: m[1]! }, `: strain ${m[1]}`)),
  rule(`(?:found:? )?(${Object.keys(FOUND_WORDS).join('|')})(?: found)?`, (r, m) => {
    const what = FOUND_WORDS[m[1]!.toLowerCase()]!
    return of(r, 'culture', 'cultureFound', { what }, `: ${TROUBLE_WORDS[what]}`)
  }),
  rule('(?:seen:? )?(nothing(?: yet| seen yet)?|[a-z][a-z ]+?)(?: seen)?', (r, m) => looked(r, m[1]!)),
  rule('produc(?:es|ed|ing)', r => of(r, 'culture', 'producing', {}, 'producing')),
  rule('failed(?:\\s*:\\s*(.+))?', (r, m) =>
    of(r, 'culture', 'cultureFailed', { ...(m[1] && { why: m[1] }) }, `failed${m[1] ? `: ${m[1]}` : ''}`),
  ),
  rule(`harvest(?:ed)?(?: (?:about )?(\\d+))?`, (r, m) =>
    of(r, 'culture', 'harvested', { count: Number(m[1] ?? 0) }, `harvested${m[1] ? ` ${m[1]}` : ''}`),
  ),
]
