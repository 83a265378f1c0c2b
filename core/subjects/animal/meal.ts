import { feederNamed } from '../../almanac'
import { COUNT, countOf, say, type Read, type Reading } from '../../log'
import { counted } from '../../units'
import { MANNER_WORDS, PREY_STATE_WORDS, type Manner, type PreyState } from './offer'

const STATE_SAID: Record<string, PreyState> = {
  'live': 'live',
  'fresh-killed': 'freshKilled',
  'fresh killed': 'freshKilled',
  'prekilled': 'freshKilled',
  'thawed': 'thawed',
  'frozen': 'thawed',
}
const MANNER_SAID: Record<string, Manner> = {
  'moved': 'moved',
  'left in': 'left',
  'overnight': 'overnight',
  'warmed': 'warmed',
  'scented': 'scented',
  'boiled': 'boiled',
  'teased': 'teased',
  'assisted': 'assisted',
}

/** Takes the state of the prey and the manner of the offer out of what is said of a meal. */
function offerSaid(rest: string) {
  let text = rest
  const take = <T>(words: Record<string, T>, front: boolean): T | undefined => {
    const any = Object.keys(words).join('|')
    const match = new RegExp(front ? `(^|\\d\\s+|\\b)(${any})\\b,?` : `,?\\s*\\b(${any})$`, 'i').exec(text)
    if (!match) return undefined
    const word = match.at(-1)!
    text = text.replace(match[0], front ? match[1]! : '').trim()
    return words[word.toLowerCase()]
  }
  const state = take(STATE_SAID, true)
  const manner = take(MANNER_SAID, false)
  return { text: text.replace(/\s+/g, ' '), said: { ...(state && { state }), ...(manner && { manner }) } }
}

/** What was taken or refused, as a line says it; struck is refused with a strike. */
export function meal(r: Reading, verb: 'took' | 'refused' | 'struck', whole: string): Read {
  if (r.known.subject.type !== 'animal') return `${r.known.tag} is not an animal; groups are fed in the Nursery.`
  const { text: rest, said } = offerSaid(whole)
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
  const words = [said.state && PREY_STATE_WORDS[said.state], said.manner && MANNER_WORDS[said.manner]]
  const what = `${taken && taken < offered ? `${taken} of ` : ''}${counted(offered, feeder.one, feeder.many)}`
  return say(
    r,
    'fed',
    { prey, offered, taken, ...said, ...(verb === 'struck' && { outcome: 'struck' as const }) },
    ` ${verb === 'struck' ? 'struck and let go' : verb} ${[what, ...words].filter(Boolean).join(', ')}`,
  )
}
