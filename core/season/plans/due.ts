import { unitName, type Feeder } from '../../almanac'
import type { Day } from '../../chance'
import type { FeederPlan } from './contracts'

/** Days ahead in which a start or an order is a task. */
export const STARTS_AHEAD = 6

/** So many packs, or cultures that are about to yield, by a day. */
export interface DueOrder {
  count: number
  unit: string
  /** Pieces of one pack; null for a culture. */
  each: number | null
  by: Day
}

/** What of a plan is to be ordered by the next culture day. What is gathered outdoors is none of it. */
export function ordersDue(
  { orders, starts, verb }: Pick<FeederPlan, 'orders' | 'starts' | 'verb'>,
  { supply }: Feeder,
  today: Day,
): DueOrder[] {
  const beside = orders[0]
  const first = verb === 'Order' ? starts[0] : undefined
  return [
    ...(beside ? [{ count: beside.count, unit: beside.unit, each: beside.pieces, by: beside.day }] : []),
    ...(first && supply.kind !== 'fresh'
      ? [
          {
            count: first.count,
            unit: unitName(supply),
            each: supply.kind === 'bought' ? supply.packCount.value : null,
            by: first.day,
          },
        ]
      : []),
  ].filter(o => o.by <= today + STARTS_AHEAD)
}
