import type { Almanac } from '#core/almanac'
import { EVERY } from './commonWords'

/** Where a number of the almanac stands, to be set otherwise; null for what is on no sheet. */
export function almanacPlace(
  path: string,
  { species, feeders }: Pick<Almanac, 'species' | 'feeders'>,
): { path: string; query?: { at: string }; hash?: string } | null {
  const [of, ...rest] = path.split('.')
  if (of === 'schools') return { path: '/settings' }
  const on = (id: string) => ({ path: '/almanac', query: { at: path }, hash: `#${id}` })
  if (of === 'common') return on(EVERY)
  if (of === 'species') return species[rest[0] ?? ''] ? on(rest[0]!) : null
  if (of !== 'feeders') return null
  // the name of a feeder may hold dots itself
  const id = rest.map((_, i) => rest.slice(0, rest.length - i).join('.')).find(name => feeders[name])
  return id === undefined ? null : on(id)
}
