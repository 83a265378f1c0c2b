import { COUNT, countOf, rule, say, type LineRule, type Read, type Reading } from '../../log'
import { eggsLeft, tadpolesLeft, youngInGroup } from './kinds'
import type { ClutchState } from './state'

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

export const clutchLines: LineRule[] = [
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
