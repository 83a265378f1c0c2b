import type { Almanac, Feeder } from '../../almanac'
import { computedInput, entryInput, factInput, type Input } from '../../judgement'
import type { StockState } from '../../subjects'
import { wayPath, type packWay } from '../../supply'
import { formatDay, formatDistance } from '../../units'
import type { Told } from './told'

export const LABELS = {
  arrived: 'Arrived',
  shortOrDead: 'Short or dead',
  usable: 'Alive and usable',
  neverCame: 'Never came',
} as const

export interface Expected {
  feeder: Feeder
  packs: NonNullable<ReturnType<typeof packWay>>
  order: StockState['onOrder'][number]
  /** Name of who sends it, where that was said. */
  supplier: string | null
  /** The day on which it is expected. */
  expected: number
  /** Chance that it does not come any more, 0..1. */
  never: number
  /** From when it is fed out, where it is fed itself first. */
  fedFrom: number | null
}

/** How the day on which it is expected was found. */
function dayInput({ feeder, packs, order, supplier, expected }: Expected, today: number): Input {
  if (order.due !== undefined) return computedInput('Confirmed for', formatDay(order.due, today))
  return supplier === null
    ? factInput('Lead time', `${wayPath(feeder, packs)}.leadDays.value`, packs.leadDays)
    : computedInput(`${supplier} sends next, and its days on the road`, formatDay(expected, today))
}

export function tellDelivery(found: Expected, { common }: Almanac, today: number): Told {
  const { feeder, order, supplier, expected, never, fedFrom } = found
  const late = Math.floor(today - expected)
  const still = `${Math.round(100 * (1 - never))} of 100 so late still come`
  const delay = late >= 1 ? `, ${late} ${late === 1 ? 'day' : 'days'} late: ${still}` : ''
  const ordered = `ordered ${formatDistance(order.day, today)}${supplier === null ? '' : ` from ${supplier}`}${delay}`
  const fed = fedFrom === null ? '' : `; on good food first, fed out from ${formatDay(fedFrom, today)}`
  return {
    what: `Delivery of ${order.count} ${feeder.many}`,
    detail: ordered + fed,
    reasons: [
      {
        rule: order.due === undefined ? 'Order plus its lead time' : 'The day that was confirmed',
        inputs: [
          entryInput('Ordered', formatDay(order.day, today), order),
          dayInput(found, today),
          factInput('Come late', 'common.deliveryLate.value', common.deliveryLate!),
          factInput('Never come', 'common.deliveryLost.value', common.deliveryLost!),
        ],
      },
    ],
  }
}
