import type { Almanac } from '#core/almanac'

/** A sentence of the log with rows of the almanac by their names; an entry itself knows their ids only. */
export function withAlmanacNames(text: string, { species, feeders }: Pick<Almanac, 'species' | 'feeders'>): string {
  return text
    .replace(/× ([\w.-]+)/g, (_, id: string) => feeders[id]?.name.toLowerCase() ?? id)
    .replace(/\bspecies ([\w-]+)/g, (said, id: string) => (species[id] ? `species ${species[id].name}` : said))
}
