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

/** Kinds that are told however few they are. */
const ALWAYS: readonly string[] = ['vet', 'treat']

/**
 * How many there are of each kind, the most first: «12 to feed, 3 to weigh». Empty for no task.
 * @param kindsTold of more kinds the rest is a number: «12 to feed, 3 to weigh, 9 more»
 */
export function tellTotals(tasks: readonly Task[], kindsTold = Number.POSITIVE_INFINITY): string {
  const kinds = new Map<string, number>()
  for (const { kind } of tasks) kinds.set(kind, (kinds.get(kind) ?? 0) + 1)
  const wordOf = (kind: string, count: number) => [WORDS[kind] ?? kind].flat().at(count === 1 ? 0 : -1)!
  const byCount = [...kinds].sort((a, b) => b[1] - a[1])
  const last = (kind: string) => (ALWAYS.includes(kind) ? 0 : 1)
  const first = [...byCount].sort((a, b) => last(a[0]) - last(b[0])).slice(0, kindsTold)
  // one kind more takes no more room than to say that there is one
  const told = kinds.size <= kindsTold + 1 ? byCount : byCount.filter(k => first.includes(k))
  const more = tasks.length - told.reduce((n, [, count]) => n + count, 0)
  return [...told.map(([kind, count]) => `${count} ${wordOf(kind, count)}`), ...(more ? [`${more} more`] : [])].join(
    ', ',
  )
}
