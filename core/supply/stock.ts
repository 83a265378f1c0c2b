import type { Day } from '../chance'
import type { StockState } from '../subjects'

/**
 * Feeders of a stock that are still usable today: what was counted and what came in since, each day keeping its share
 * of the day before, less what was offered.
 * @param keptPerDay share still usable a day later, 0..1
 * @returns a number of 0 or more; 0 when nothing was ever counted or received
 */
export function usableStock(
  stock: Pick<StockState, 'counted' | 'arrivals' | 'used'>,
  keptPerDay: number,
  today: Day,
): number {
  const changes = [
    ...stock.arrivals.map(a => ({ day: a.day, count: a.count })),
    ...stock.used.map(u => ({ day: u.day, count: -u.count })),
  ].sort((a, b) => a.day - b.day || b.count - a.count)
  let left = stock.counted?.count ?? 0
  let at = stock.counted?.day ?? changes[0]?.day ?? today
  for (const { day, count } of changes) {
    left = Math.max(0, left * keptPerDay ** Math.max(0, day - at) + count)
    at = Math.max(at, day)
  }
  return left * keptPerDay ** Math.max(0, today - at)
}
