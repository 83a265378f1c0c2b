import type { House } from '#core/subjects'

/** The next free tag of a pair: P-12 after P-11. `ahead` counts pairs that are to be set with it. */
export function nextPairTag(house: House, ahead = 0): string {
  const highest = Math.max(0, ...Object.values(house.pairings).map(p => Number(/^P-(\d+)$/.exec(p.tag)?.[1] ?? 0)))
  return `P-${highest + 1 + ahead}`
}
