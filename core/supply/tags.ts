import type { Feeder } from '../almanac'
import type { CultureState } from '../subjects'

/** Initials of a feeder's name, for the first culture of its kind: small fruit fly → SF. */
const initials = (feeder: Feeder) =>
  feeder.name
    .split(/\W+/)
    .slice(0, 2)
    .map(w => w.charAt(0).toUpperCase())
    .join('')

/**
 * The next free tags for new cultures of a feeder, going on from the highest number used with its prefix.
 * @param cultures all cultures of the house, also ended ones, so that a label is never used twice
 */
export function nextCultureTags(cultures: readonly CultureState[], feeder: Feeder, count: number): string[] {
  const own = cultures.filter(c => c.feederId === feeder.id).sort((a, b) => b.startDay - a.startDay)
  const prefix = /^(.*?)-?\d+$/.exec(own[0]?.tag ?? '')?.[1] || initials(feeder)
  const numberOf = (tag: string) => (tag.startsWith(`${prefix}-`) ? Number(tag.slice(prefix.length + 1)) || 0 : 0)
  const highest = Math.max(0, ...cultures.map(c => numberOf(c.tag)))
  return Array.from({ length: count }, (_, i) => `${prefix}-${highest + i + 1}`)
}
