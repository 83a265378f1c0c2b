import type { Day } from '../chance'
import type { StockState } from '../subjects'

/**
 * Feeders of a stock that are still usable today: what was counted and what came in since, each day keeping its share
 * of the day before, less what was offered. What was thrown away is among those that did not keep, as far as so many
 * had to be expected; what goes beyond that is taken off too.
 * @param keptPerDay share still usable a day later, 0..1
 * @returns a number of 0 or more; 0 when nothing was ever counted or received
 */
export function usableStock(
  stock: Pick<StockState, 'counted' | 'arrivals' | 'used' | 'discards'>,
  keptPerDay: number,
  today: Day,
): number {
  const changes = [
    ...stock.arrivals.map(a => ({ day: a.day, count: a.count, thrown: false })),
    ...stock.used.map(u => ({ day: u.day, count: -u.count, thrown: false })),
    ...stock.discards.map(d => ({ day: d.day, count: -d.count, thrown: true })),
  ].sort((a, b) => a.day - b.day || b.count - a.count)
  let left = stock.counted?.count ?? 0
  let lying = left
  let at = stock.counted?.day ?? changes[0]?.day ?? today
  for (const { day, count, thrown } of changes) {
    left *= keptPerDay ** Math.max(0, day - at)
    lying = Math.max(0, lying + count)
    left = Math.max(0, thrown ? Math.min(left, lying) : Math.min(left + count, lying))
    at = Math.max(at, day)
  }
  return left * keptPerDay ** Math.max(0, today - at)
}
