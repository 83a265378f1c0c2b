import { feederOf, type Almanac, type Feeder } from '../almanac'
import type { Day } from '../chance'
import { formatDay } from '../units'
import { STARTS_AHEAD } from './tasks'
import type { FeederPlan } from './plans'

/** One line of what is to be ordered: so many packs, or cultures that are about to yield. */
export interface OrderLine {
  feeder: Feeder
  count: number
  /** `tub of 250`, or `cup about to yield`. */
  unit: string
  /** Animals in all; null for cultures. */
  pieces: number | null
  by: Day
}

/** What is to be ordered by the next culture day, the most urgent first. What is gathered outdoors is none of it. */
export function orderSheet(plans: readonly FeederPlan[], almanac: Pick<Almanac, 'feeders'>, today: Day): OrderLine[] {
  return plans
    .flatMap((plan): OrderLine[] => {
      const feeder = feederOf(almanac, plan.prey)
      const { supply } = feeder
      const line = (count: number, unit: string, each: number | null, by: Day): OrderLine => ({
        feeder,
        count,
        unit: each === null ? `${unit} about to yield` : unit,
        pieces: each === null ? null : count * each,
        by,
      })
      const beside = plan.orders[0]
      const first = plan.verb === 'Order' ? plan.starts[0] : undefined
      return [
        ...(beside ? [line(beside.count, beside.unit, beside.pieces, beside.day)] : []),
        ...(first && supply.kind !== 'fresh'
          ? [line(first.count, supply.unit, supply.kind === 'bought' ? supply.packCount.value : null, first.day)]
          : []),
      ].filter(l => l.by <= today + STARTS_AHEAD)
    })
    .sort((a, b) => a.by - b.by || (a.feeder.name < b.feeder.name ? -1 : 1))
}

/** The order as a message: `2 × tub of 250, Cricket, half-inch (Acheta domesticus): 500, by 29 Nov`. */
export function tellOrderLine({ count, unit, feeder, pieces, by }: OrderLine, today: Day): string {
  const what = feeder.latin ? `${feeder.name} (${feeder.latin})` : feeder.name
  const animals = pieces === null ? '' : `: ${pieces.toLocaleString('en-GB')}`
  return `${count} × ${unit}, ${what}${animals}, by ${formatDay(by, today)}`
}

/** The order as a table for a spreadsheet. */
export const orderRows = (lines: readonly OrderLine[], isoOf: (day: Day) => string): Record<string, string>[] =>
  lines.map(({ feeder, count, unit, pieces, by }) => ({
    'Feeder': feeder.name,
    'Latin name': feeder.latin ?? '',
    'Packs': String(count),
    'Pack': unit,
    'Animals': pieces === null ? '' : String(pieces),
    'By': isoOf(by),
  }))
