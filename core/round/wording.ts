import type { Task } from '../season'

/** What a number of tasks of one kind is called: «12 to feed»; of one, where that is another word. */
const WORDS: Record<string, string | [one: string, many: string]> = {
  feed: 'to feed',
  left: 'with prey left in',
  weigh: 'to weigh',
  count: 'to count',
  winter: 'for the winter',
  hatch: 'to look for pips',
  harvest: 'to harvest',
  start: 'to start',
  look: 'to look at',
  eggs: ['egg box to see to', 'egg boxes to see to'],
  tadpoles: 'with tadpoles',
  candle: 'to candle',
  gravid: 'near laying',
  pairing: 'with pairs',
  sex: 'to settle by sex',
  lamp: ['lamp', 'lamps'],
  retire: 'to retire',
  delivery: ['delivery', 'deliveries'],
  upkeep: ['job of feeders', 'jobs of feeders'],
  lot: ['lot of feeders past its day', 'lots of feeders past their day'],
  vet: 'to the vet',
  treat: 'to treat',
  quarantine: 'in quarantine',
  found: 'found and not settled',
}

/** How many there are of each kind, the most first: «12 to feed, 3 to weigh». Empty for no task. */
export function tellTotals(tasks: readonly Task[]): string {
  const kinds = new Map<string, number>()
  for (const { kind } of tasks) kinds.set(kind, (kinds.get(kind) ?? 0) + 1)
  const wordOf = (kind: string, count: number) => [WORDS[kind] ?? kind].flat().at(count === 1 ? 0 : -1)!
  return [...kinds]
    .sort((a, b) => b[1] - a[1])
    .map(([kind, count]) => `${count} ${wordOf(kind, count)}`)
    .join(', ')
}
