import type { Almanac } from '../almanac'
import { certain, fromWeights, type Day, type DayDist } from '../chance'
import { daysToSend, type House, type StockState } from '../subjects'
import { weekday } from '../units'

/** When an order is expected: on the day that was confirmed, or its days after the supplier sends next. */
export function orderDue(order: StockState['onOrder'][number], usualDays: number, suppliers: House['suppliers']): Day {
  if (order.due !== undefined) return order.due
  const supplier = order.supplierId === undefined ? undefined : suppliers[order.supplierId]
  return supplier
    ? order.day + daysToSend(weekday(order.day), supplier.sendsOn) + supplier.leadDays
    : order.day + usualDays
}

/** After so many half-lives of the late ones an order is no longer counted on at all. */
const HALVINGS = 20

/**
 * When an order comes, by what is known today: on its day or before, mostly; late ones come with a half-life; some never
 * come. The longer it is overdue, the likelier it is one of those: by Bayes, as nobody wrote that it came.
 * @param due calendar day on which it is expected
 */
export function arrival(due: Day, { common }: Pick<Almanac, 'common'>, today: Day): DayDist {
  const { deliveryLate, deliveryHalf, deliveryLost } = common
  const late = deliveryLate!.value
  const lost = deliveryLost!.value
  const half = 0.5 ** (1 / deliveryHalf!.value)
  const waited = Math.ceil(HALVINGS * deliveryHalf!.value)
  // day by day from the day it is due; none of the days that have passed
  const weights = Array.from({ length: waited }, (_, k) =>
    k === 0 ? 1 - late - lost : late * (1 - half) * half ** (k - 1),
  )
  const passed = Math.max(0, today - due)
  if (passed >= waited) return { start: today, p: [], never: 1 }
  const ahead = weights.slice(passed)
  const coming = ahead.reduce((a, b) => a + b, 0)
  if (!coming) return lost ? { start: today, p: [], never: 1 } : certain(Math.max(due, today))
  return fromWeights(Math.max(due, today), ahead, lost / (coming + lost))
}
