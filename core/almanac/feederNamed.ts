import { isLiveRow } from './livePrey'
import type { Almanac } from './schema'

/**
 * A feeder as a keeper names it: `hopper`, `hoppers`, `large flies`, `quarter-inch cricket`. Null when none or several
 * fit. That a mouse was alive is said of the meal, and names no other prey.
 */
export function feederNamed(almanac: Almanac, text: string): string | null {
  const words = text.toLowerCase().trim()
  const feeders = Object.values(almanac.feeders).filter(f => !isLiveRow(f.id))
  const exact = feeders.find(f => [f.id, f.name, f.one, f.many].some(n => n.toLowerCase() === words))
  if (exact) return exact.id
  const stem = words.replace(/ies$/, 'y').replace(/s$/, '')
  if (!stem) return null
  const fits = feeders.filter(f => f.one.includes(stem) || f.name.toLowerCase().includes(stem))
  return fits.length === 1 ? fits[0]!.id : null
}
