import { feederNamed } from '../../almanac'
import { COUNT, countOf, rule, say, type LineRule, type Read, type Reading } from '../../log'
import { UnitError } from '../../units'
import { gramsOf } from '../lineWords'
import { hereOf } from './numbers'
import type { GroupState } from './state'

const groupOf = ({ known, house }: Reading): GroupState | undefined =>
  known.subject.type === 'group' ? house.groups[known.subject.id] : undefined

/** What is said of groups only; the same words of others are for the rules after. */
const ofGroup = (pattern: string, read: (r: Reading, m: RegExpExecArray, group: GroupState) => Read): LineRule =>
  rule(pattern, (r, m) => {
    const group = groupOf(r)
    return group ? read(r, m, group) : null
  })

const SEX = '(?: (males?|females?))?'
function sexOf(word: string | undefined): { sex?: 'male' | 'female' } {
  return word ? { sex: word.toLowerCase().startsWith('f') ? 'female' : 'male' } : {}
}

function fed(r: Reading, text: string): Read {
  const match = new RegExp(`^(${COUNT})\\s+(.+)$`, 'i').exec(text)
  const prey = match && feederNamed(r.almanac, match[2]!)
  if (!match || !prey) return `Fed what, and how many to all? Write it as: ${r.known.tag} fed 40 half-inch crickets`
  const count = countOf(match[1]!)
  const feeder = r.almanac.feeders[prey]!
  return say(r, 'groupOffered', { prey, count }, `: ${count} ${count === 1 ? feeder.one : feeder.many} to all`)
}

function weighed(r: Reading, count: number, text: string): Read {
  try {
    const massG = gramsOf(text, r.unit)
    return say(r, 'groupWeighed', { count, massG }, `: ${count} weigh ${massG} g together`)
  } catch (error) {
    if (error instanceof UnitError) return error.message
    throw error
  }
}

export const groupLines: LineRule[] = [
  ofGroup(`(?:counted|count) (${COUNT})|(${COUNT}) (?:counted|there)`, (r, m) => {
    const count = countOf(m[1] ?? m[2]!)
    return say(r, 'groupCounted', { count }, `: ${count} counted`)
  }),
  ofGroup(`(${COUNT}) (?:ate|eat|seen eating|were eating)`, (r, m) => {
    const ate = countOf(m[1]!)
    return say(r, 'groupSeenEating', { ate }, `: ${ate} seen eating`)
  }),
  ofGroup(`lost (${COUNT})${SEX}(?:\\s*:\\s*(.+))?`, (r, m) =>
    say(
      r,
      'groupLost',
      { count: countOf(m[1]!), ...sexOf(m[2]), ...(m[3] && { cause: m[3] }) },
      `: ${countOf(m[1]!)}${m[2] ? ` ${m[2]}` : ''} lost${m[3] ? `, ${m[3]}` : ''}`,
    ),
  ),
  ofGroup(`sold (${COUNT})${SEX}`, (r, m) =>
    say(r, 'groupSold', { count: countOf(m[1]!), ...sexOf(m[2]) }, `: ${countOf(m[1]!)}${m[2] ? ` ${m[2]}` : ''} sold`),
  ),
  ofGroup('(?:fed|took|ate|offered) (.+)', (r, m) => fed(r, m[1]!)),
  ofGroup(`(${COUNT}) weigh(?:ed|s)? (.+)`, (r, m) => weighed(r, countOf(m[1]!), m[2]!)),
  ofGroup(
    '(?:sold|lost|died|dead|counted|took|fed|refused)|[\\d.,]+ *(?:g|oz|kg)',
    (r, _, group) =>
      `How many of the ${hereOf(group)}? Write it as: ${r.known.tag} counted 12, lost 2, sold 3, 12 weigh 48 g, fed 40 half-inch crickets`,
  ),
]
