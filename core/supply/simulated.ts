import type { Almanac } from '../almanac'
import { sample, seedFrom, seededRandom, type Day } from '../chance'
import { arrival } from './orders'

/** What comes of one order at a supplier that is simulated. */
export interface SimulatedAnswer {
  /** When it says that it comes. */
  confirmed: Day
  /** When it comes; null for never. */
  comes: Day | null
  /** Alive and usable, dead on arrival, and still to come. */
  count: number
  dead: number
  open: number
}

/**
 * Answers in place of a shop: mostly in full and on its day, at times late, short, or with dead, and now and then not at
 * all; as often as orders are counted on to be. The same order is always answered alike.
 * @param due calendar day on which it is expected
 */
export function simulatedAnswer(
  order: { entryId: string; count: number },
  due: Day,
  almanac: Pick<Almanac, 'common'>,
): SimulatedAnswer {
  const random = seededRandom(seedFrom(`order ${order.entryId}`))
  const { deliveryShort, deliveryDead } = almanac.common
  // as it looks on the day on which it is due: nothing has been waited for yet
  const comes = sample(arrival(due, almanac, due), random())
  const short = random() < deliveryShort!.value ? Math.round(order.count * (0.2 + 0.5 * random())) : 0
  const sent = order.count - short
  // twice as many on a bad day, none on a good one
  const dead = Math.round(sent * Math.min(1, deliveryDead!.value * 2 * random()))
  // a delay is mostly known when it is confirmed
  const told = comes !== null && random() < 0.5 ? comes : due
  return { confirmed: told, comes, count: sent - dead, dead, open: short }
}
