import type { Almanac } from '#core/almanac'

/** A sentence of the log with rows of the almanac by their names; an entry itself knows their ids only. */
export function withAlmanacNames(text: string, { species, feeders }: Pick<Almanac, 'species' | 'feeders'>): string {
  return text
    .replace(/(\d+) × ([\w.-]+)/g, (_, count: string, id: string) => {
      const feeder = feeders[id]
      return `${count} ${feeder ? (count === '1' ? feeder.one : feeder.many) : id}`
    })
    .replace(/\bspecies ([\w-]+)/g, (said, id: string) => (species[id] ? `species ${species[id].name}` : said))
}
