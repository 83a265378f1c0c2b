import { liveRowId } from '../../almanac'
import type { DatedEntry, FoldMemory, House, Records } from '../../log'

/** What was offered at a meal. */
interface Offered {
  day: number
  at: string
  prey: string
  count: number
  alive?: boolean
}

/** Every meal offered to an animal, oldest first: the state of an animal keeps only its latest ones. */
function mealsOf(entries: readonly DatedEntry[], memory: FoldMemory): readonly Offered[] {
  const known = memory.of<readonly DatedEntry[], readonly Offered[]>('meals offered')
  let meals = known.get(entries)
  if (!meals) {
    meals = entries
      .filter(e => e.kind === 'fed')
      .map(e => {
        const { prey, offered, state } = e.data as { prey: string; offered: number; state?: string }
        // a thawed or loosed feeder is gone whether it was eaten or not
        return { day: e.day, at: e.at, prey, count: offered, alive: state === 'live' }
      })
    known.set(entries, meals)
  }
  return meals
}

/** Meals of animals and of groups, each list in order of time. */
function* allOffered(house: House, records: Records, memory: FoldMemory): Generator<readonly Offered[]> {
  for (const [key, entries] of records.entries) if (key.startsWith('animal:')) yield mealsOf(entries, memory)
  for (const clutch of Object.values(house.clutches)) yield clutch.meals
  for (const group of Object.values(house.groups)) yield group.meals
}

/**
 * Takes what was offered since the last count off each stock. What was alive comes off those that are kept alive, from
 * when such are written; before that all of a prey are one stock.
 */
export function takeMealsOff(house: House, records: Records, memory: FoldMemory): void {
  // the fold may remember the stocks as they were without what was offered
  for (const [prey, stock] of Object.entries(house.stocks)) house.stocks[prey] = { ...stock, used: [] }
  const stocks = Object.values(house.stocks)
  const since = new Map(stocks.map(s => [s.prey, s.counted?.at ?? s.arrivals[0]?.at ?? '']))
  const first = [...since.values()].sort()[0]
  const stockOf = ({ prey, alive, at }: Offered): string => {
    const kept = alive && since.get(liveRowId(prey))
    return kept && at > kept ? liveRowId(prey) : prey
  }
  if (first !== undefined) {
    for (const meals of allOffered(house, records, memory)) {
      for (let i = meals.length - 1; i >= 0 && meals[i]!.at > first; i--) {
        const meal = meals[i]!
        const prey = stockOf(meal)
        if (meal.at > (since.get(prey) ?? '\uffff')) house.stocks[prey]!.used.push({ day: meal.day, count: meal.count })
      }
    }
  }
  for (const stock of Object.values(house.stocks)) {
    // in an order of its own, whatever order the animals were read in
    stock.used.sort((a, b) => a.day - b.day || a.count - b.count)
    const used = stock.used.reduce((sum, u) => sum + u.count, 0)
    const thrown = stock.discards.reduce((sum, d) => sum + d.count, 0)
    stock.left = Math.max(0, (stock.counted?.count ?? 0) + stock.received - used - thrown)
  }
}
