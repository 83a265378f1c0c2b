import { feederNamed } from '../../almanac'
import { COUNT, countOf, say, type Read, type Reading } from '../../log'

/** What was taken or refused, as a line says it. */
export function meal(r: Reading, verb: 'took' | 'refused', rest: string): Read {
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
