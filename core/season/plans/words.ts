import type { Feeder } from '../../almanac'
import type { Day } from '../../chance'
import { formatDay, formatMoney } from '../../units'
import type { FeederPlan, Held, OneMore, Order } from './contracts'

/** What to start or order first, as one reads it: `Start 5 cups of large flies by 14 Apr`. */
export function tellStart(plan: FeederPlan, feeder: Feeder, today: Day): string | null {
  const first = plan.starts[0]
  if (!first) return null
  return `${tellUnits(plan, feeder, first.count)} by ${formatDay(first.day, today)}`
}

/** The same without the feeder's name, where that stands beside it: `Start 5 cups by 14 Apr`. */
export function tellStartShort(plan: FeederPlan, today: Day): string | null {
  const first = plan.starts[0]
  return first ? `${plan.verb} ${tellCount(plan.unit, first.count)} by ${formatDay(first.day, today)}` : null
}

function tellCount(unit: string, count: number): string {
  return `${count} ${count === 1 ? unit : unit.replace(/^\w+/, word => (word.endsWith('x') ? `${word}es` : `${word}s`))}`
}

/** `Start 5 cups of large flies`, `Order 1 bag of 25 mouse hoppers` */
export function tellUnits(plan: Pick<FeederPlan, 'kind' | 'verb' | 'unit'>, feeder: Feeder, count: number): string {
  const units = tellCount(plan.unit, count)
  return plan.kind === 'bought' ? `${plan.verb} ${units} ${feeder.many}` : `${plan.verb} ${units} of ${feeder.many}`
}

/** `Order 2 cups of small flies about to yield`, `Order 3 cultures of 500 springtails` */
export function tellOrder({ count, unit, pieces }: Pick<Order, 'count' | 'unit' | 'pieces'>, feeder: Feeder): string {
  const units = tellCount(unit, count)
  return pieces === null ? `Order ${units} of ${feeder.many} about to yield` : `Order ${units} ${feeder.many}`
}

/** `one more cup a week`; of what runs for good `one more tub` */
export const tellOneMore = ({ unit }: { unit: string }, { units }: Pick<OneMore, 'units'>): string =>
  `one more ${unit}${units === 1 ? '' : ' a week'}`

/** `A hungry day in 3 of 100 seasons; with one more cup a week in 1.` Nothing of a rare chance. */
export function tellHungry({ runOutChance, oneMore, unit }: FeederPlan, today: Day): string | null {
  if (runOutChance < RARE) return null
  const of = (chance: number) => Math.round(100 * chance)
  const now = `A hungry day in ${of(runOutChance)} of 100 seasons`
  if (!oneMore) return `${now}.`
  const more = tellOneMore({ unit }, oneMore)
  if (of(oneMore.chance) >= of(runOutChance)) return `${now}; ${more} would not change it.`
  return `${now}; with ${more} in ${of(oneMore.chance) || 'none'}${tellLacks(oneMore, today)}.`
}
const RARE = 0.02

/** ` (not enough room on Fly board from 3 May)` */
export function tellLacks({ lacks }: Pick<OneMore, 'lacks'>, today: Day): string {
  const parts = lacks.map(
    l => `${l.place ? `room on ${l.place.name}` : heldName(l).toLowerCase()} from ${formatDay(l.from, today)}`,
  )
  return parts.length ? ` (not enough ${parts.join(', ')})` : ''
}

/** What it is that holds a plan back: the shelf, or what there is of minutes and money. */
export const heldName = ({ of, place }: Pick<Held, 'of' | 'place'>): string =>
  place?.name ?? { money: 'Money for orders', minutes: 'Minutes of culture day', freezer: 'Freezer', room: 'Room' }[of]

function tellMore({ of, more }: Held, currency: string): string {
  if (of === 'money') return `${formatMoney(more, currency)} more a week`
  if (of === 'minutes') return `${more} minutes more`
  if (of === 'freezer') return `${Math.ceil(10 * more) / 10} L more`
  return `room for ${more === 1 ? 'one more cup' : `${more} more cups`}`
}

/** `full 6 Dec–3 Jan; room for one more cup would feed 12 meals`, `… would save 0.8 units` */
export function tellHeld(held: Held, today: Day, currency: string): string {
  const { from, to, hungry, cost } = held
  const days = from === to ? formatDay(from, today) : `${formatDay(from, today)}–${formatDay(to, today)}`
  const saves = hungry >= 0.5 ? `feed ${Math.round(hungry)} meals` : `save ${cost.toFixed(1)} units`
  return `full ${days}; ${tellMore(held, currency)} would ${saves}`
}

/** What stands for a prey, and when: `481 pinhead crickets, 8 Dec–12 Dec; 82 dwarf isopods, 11 Dec–17 Dec`. */
const tellReplacing = (list: FeederPlan['standIns'], feeders: Readonly<Record<string, Feeder>>, today: Day): string =>
  list
    .map(({ prey, from, to, pieces }) => {
      const days = from === to ? formatDay(from, today) : `${formatDay(from, today)}–${formatDay(to, today)}`
      const count = Math.ceil(pieces)
      const named = feeders[prey]?.[count === 1 ? 'one' : 'many'] ?? prey
      return `${count.toLocaleString('en-GB')} ${named}, ${days}`
    })
    .join('; ')

/** What is given in turn with a prey, and what in its place where it is short: a sentence each, null where nothing. */
export function tellInPlace(
  { standIns }: Pick<FeederPlan, 'standIns'>,
  feeders: Readonly<Record<string, Feeder>>,
  today: Day,
): string | null {
  const told = (how: string, list: FeederPlan['standIns']) =>
    list.length ? [`${how}: ${tellReplacing(list, feeders, today)}.`] : []
  return (
    [
      ...told(
        'In turn with it',
        standIns.filter(s => s.inTurn),
      ),
      ...told(
        'In its place',
        standIns.filter(s => !s.inTurn),
      ),
    ].join(' ') || null
  )
}
