import { feederOf, type Almanac, type Feeder } from '../almanac'
import type { Day } from '../chance'
import type { House, SupplierState } from '../subjects'
import { packWay } from '../supply'
import { formatDay } from '../units'
import type { SeasonContext } from './context'
import { orderedToday, ordersDue, type FeederPlan } from './plans'

/** One line of what is to be ordered: so many packs, or cultures that are about to yield. */
export interface OrderLine {
  feeder: Feeder
  count: number
  /** `tub of 250`, or `cup about to yield`. */
  unit: string
  /** Animals in all; null for cultures. */
  pieces: number | null
  by: Day
  /** Of whom, and what they cost, where a price list says it. */
  supplierId: string | null
  price: number | null
}

/** All that is ordered of one supplier, with what it comes to. */
export interface SupplierOrder {
  /** Null for what no price list has. */
  supplier: SupplierState | null
  lines: OrderLine[]
  goods: number
  /** What was ordered of it today, and goes out with it. */
  before: number
  carriage: number
  /** What is missing to the least that is sent; nothing where it is met. */
  under: number
}

/** The lines of an order by supplier, those without one last. */
export function bySupplier(
  lines: readonly OrderLine[],
  context: Pick<SeasonContext, 'house' | 'almanac' | 'today'>,
): SupplierOrder[] {
  const { suppliers } = context.house
  const ids = [...new Set(lines.map(l => l.supplierId))].sort((a, b) => Number(a === null) - Number(b === null))
  return ids.map(id => {
    const supplier = (id !== null && suppliers[id]) || null
    const own = lines.filter(l => l.supplierId === id)
    const goods = own.reduce((n, l) => n + (l.price ?? 0), 0)
    const before = supplier ? orderedToday(supplier.id, context) : 0
    return {
      supplier,
      lines: own,
      goods,
      before,
      carriage: supplier?.carriage ?? 0,
      under: supplier ? Math.max(0, (supplier.minimum ?? 0) - goods - before) : 0,
    }
  })
}

/**
 * What is to be ordered by the next culture day, the most urgent first, and what is taken along with it. What is gathered
 * outdoors is none of it.
 */
export function orderSheet(plans: readonly FeederPlan[], almanac: Pick<Almanac, 'feeders'>, today: Day): OrderLine[] {
  return plans
    .flatMap((plan): OrderLine[] => {
      const feeder = feederOf(almanac, plan.prey)
      const along = plan.takenAlong
      const due = [...ordersDue(plan, feeder, today), ...(along ? [{ ...along, each: along.pieces }] : [])]
      return due.map(({ count, unit, each, by }): OrderLine => {
        const packs = each === null ? null : packWay(feeder)
        return {
          ...{ feeder, count, by },
          unit: each === null ? `${unit} about to yield` : unit,
          pieces: each === null ? null : count * each,
          supplierId: packs?.supplierId ?? null,
          price: packs?.price ? count * packs.price.value : null,
        }
      })
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
export const orderRows = (
  lines: readonly OrderLine[],
  isoOf: (day: Day) => string,
  suppliers: House['suppliers'] = {},
): Record<string, string>[] =>
  lines.map(({ feeder, count, unit, pieces, by, supplierId, price }) => ({
    'Supplier': (supplierId !== null && suppliers[supplierId]?.name) || '',
    'Feeder': feeder.name,
    'Latin name': feeder.latin ?? '',
    'Packs': String(count),
    'Pack': unit,
    'Animals': pieces === null ? '' : String(pieces),
    'Price': price === null ? '' : price.toFixed(2),
    'By': isoOf(by),
  }))
