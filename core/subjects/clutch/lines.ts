import { COUNT, countOf, rule, say, type LineRule, type Read, type Reading } from '../../log'
import { partTag } from './apart'
import { eggsLeft } from './eggs'
import { tadpolesLeft, youngInGroup } from './young'
import { UnitError } from '../../units'
import { gramsOf, movedTo, placeCalled } from '../lineWords'
import type { ClutchState, EggStanding } from './state'

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

/** What is said of clutches only; the same words of others are for the rules after. */
const ofClutch = (pattern: string, read: (r: Reading, m: RegExpExecArray) => Read): LineRule =>
  rule(pattern, (r, m) => (clutchOf(r) ? read(r, m) : null))

const EGG_WORDS: Record<string, EggStanding> = {
  'sound': 'sound',
  'good': 'sound',
  'doubtful': 'doubtful',
  'isolated': 'isolated',
  'apart': 'isolated',
  'slug': 'slug',
  'slugs': 'slug',
  'dead': 'dead',
  'pipped': 'pipped',
  'out': 'out',
  'hatched': 'out',
  'yolk in': 'yolkIn',
}

function singleEggs(r: Reading, numbers: string, word: string): Read {
  const state = EGG_WORDS[word.toLowerCase()]!
  const eggs = numbers.match(/\d+/g)!.map(n => ({ n: Number(n), state }))
  return say(r, 'eggsSeen', { eggs }, `: egg ${eggs.map(e => e.n).join(', ')} ${word.toLowerCase()}`)
}

/** Eggs by their numbers into another box, under the tag that is named or the clutch's own with a letter. */
function apart(r: Reading, eggs: number[], where: string, as: string | undefined): Read {
  const placeId = placeCalled(r.house, where)
  if (!placeId)
    return `No one place is called “${where}”. Write its name, with that of what it stands in where two are called so.`
  const tag = as ?? partTag(clutchOf(r)!.tag, r.house)
  const they = `egg ${eggs.join(', ')} to ${r.house.places[placeId]!.name}`
  return say(r, 'eggsApart', { tag, eggs, placeId }, `: ${they}, from now on ${tag}`)
}

function grams(r: Reading, kind: string, field: string, what: string, text: string): Read {
  try {
    const massG = gramsOf(text, r.unit)
    return say(r, kind, { [field]: massG }, `: ${what} ${massG} g`)
  } catch (error) {
    if (error instanceof UnitError) return error.message
    throw error
  }
}

export const clutchLines: LineRule[] = [
  ofClutch(`pipped (${COUNT})|(${COUNT}) (?:eggs? )?pipped`, (r, m) => {
    const count = countOf(m[1] ?? m[2]!)
    return say(r, 'pipped', { count }, `: ${count} pipped`)
  }),
  ofClutch(`counted (${COUNT})(?: eggs?)?`, (r, m) => {
    const eggs = countOf(m[1]!)
    return say(r, 'clutchCounted', { eggs }, `: ${eggs} eggs counted`)
  }),
  ofClutch(`(?:laid )?(${COUNT}) more(?: eggs?)?(?:, (${COUNT}) slugs?)?`, (r, m) => {
    const [eggs, slugs] = [countOf(m[1]!), m[2] ? countOf(m[2]) : 0]
    return say(r, 'eggsAdded', { eggs, slugs }, `: ${eggs} more laid${slugs ? `, ${slugs} of them slugs` : ''}`)
  }),
  ofClutch('(?:tadpoles? )?(?:measured? )?([\\d.,]+) ?mm(?: long)?', (r, m) => {
    const mm = Number(m[1]!.replace(',', '.'))
    return say(r, 'tadpoleMeasured', { mm }, `: tadpoles ${mm} mm`)
  }),
  ofClutch('water changed|changed (?:its |their )?water', r => say(r, 'waterChanged', {}, ': water changed')),
  ofClutch('pipped', r => `How many? Write it as: ${r.known.tag} pipped 2, or ${r.known.tag} egg 3 pipped`),
  ofClutch(`eggs? (\\d+(?:(?:,| and|, and)? ?\\d+)*) (${Object.keys(EGG_WORDS).join('|')})`, (r, m) =>
    singleEggs(r, m[1]!, m[2]!),
  ),
  ofClutch('eggs? (\\d+(?:(?:,| and|, and)? ?\\d+)*) (?:to|into) (.+?)(?: as (\\S+))?', (r, m) =>
    apart(r, m[1]!.match(/\d+/g)!.map(Number), m[2]!, m[3]),
  ),
  ofClutch('(?:moved )?(?:to|into) (.+)', (r, m) => movedTo(r, 'clutchMoved', m[1]!)),
  ofClutch('box (?:weighs? |weighed )?([\\d.,]+ ?\\w+)', (r, m) => grams(r, 'boxWeighed', 'totalG', 'box', m[1]!)),
  ofClutch('(?:water|watered)(?: given)? ([\\d.,]+ ?\\w+)', (r, m) => grams(r, 'boxWatered', 'waterG', 'water', m[1]!)),
  ofClutch('eggs? (?:weigh |weighed )([\\d.,]+ ?\\w+)', (r, m) =>
    grams(r, 'eggsWeighed', 'massG', 'eggs weigh', m[1]!),
  ),
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
]
