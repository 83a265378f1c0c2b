import { z } from 'zod'
import { unitName } from '../../almanac'
import { defineKind, sure, writtenAgain, type CheckContext, type DatedEntry, type Problem } from '../../log'
import { freeText, reference } from '../../reference'
import { dayFromIso, formatFullDay } from '../../units'
import { amount, dayText } from '../fields'
import type { StockLot, StockState } from './state'

/** A slip of the keeper: more packs at once than any house takes in. */
function tooMany(
  { prey }: Pick<StockState, 'prey'>,
  { count, sure }: { count: number; sure?: true },
  entry: DatedEntry,
  { almanac }: Pick<CheckContext, 'almanac'>,
): Problem | null {
  const feeder = almanac.feeders[prey]
  const pack = feeder && [feeder.supply, ...(feeder.otherWays ?? [])].find(way => way.kind === 'bought')
  if (!pack || sure || entry.source !== 'keeper') return null
  const packs = Math.round(count / pack.packCount.value)
  return packs <= almanac.common.packsAtOnce!.value
    ? null
    : {
        path: 'data.sure',
        message: `${count} ${feeder.many} are ${packs} times a ${unitName(pack)}. Write it all the same?`,
      }
}

/** Which order is meant, by the entry that wrote it; left out, the oldest. */
const ofOrder = z.string().min(1).max(80).optional()
const orderAt = ({ onOrder }: Pick<StockState, 'onOrder'>, of: string | undefined): number =>
  of === undefined ? 0 : onOrder.findIndex(o => o.entryId === of)
const NOT_ON_ORDER: Problem = { path: 'kind', message: 'Nothing of it is on order' }
const A_YEAR = 366
/** Nobody waits longer for feeders. */
const CONFIRMED_WITHIN = 366

/** What is decided further ahead is planned anew by then. */
const DECIDED_WITHIN = 31

/** What is counted, by the deliveries it is of: the latest, since older ones are used first; what is beyond all is new. */
function ofLatest(known: readonly StockLot[], count: number, entry: DatedEntry): StockLot[] {
  const lots: StockLot[] = []
  let open = count
  for (let i = known.length - 1; i >= 0 && open > 0; i--) {
    const { entryId, day, count: came, useBy } = known[i]!
    const left = Math.min(open, came)
    open -= left
    if (left) lots.unshift({ entryId, day, count: left, ...(useBy !== undefined && { useBy }) })
  }
  if (open > 0) lots.push({ entryId: entry.id, day: entry.day, count: open })
  return lots
}

export const stockKinds = [
  defineKind({
    kind: 'preyCounted',
    subject: 'prey',
    verb: 'Count stock',
    data: z.strictObject({ count: amount('Count') }),
    apply(state, { count }, entry) {
      state.counted = { day: entry.day, at: entry.at, count, entryId: entry.id }
      state.received = 0
      state.lots = ofLatest([...state.lots, ...state.arrivals], count, entry)
      state.arrivals = []
      state.discards = []
    },
    wording: d => `Counted ${d.count}`,
  }),
  defineKind({
    kind: 'preyOrdered',
    subject: 'prey',
    verb: 'Record order',
    data: z.strictObject({ count: amount('Order'), supplierId: reference('supplier').optional(), sure }),
    check: (state, { count, sure }, entry, context) =>
      tooMany(state, { count, sure }, entry, context) ??
      writtenAgain(
        sure,
        entry,
        state.onOrder.some(o => o.day === entry.day && o.count === count),
        `An order of ${count} is written on this day already`,
      ),
    apply(state, { count, supplierId }, entry) {
      state.onOrder.push({ day: entry.day, count, entryId: entry.id, ...(supplierId && { supplierId }) })
    },
    wording: d => `Ordered ${d.count}`,
  }),
  defineKind({
    kind: 'orderConfirmed',
    subject: 'prey',
    verb: 'Confirm order',
    data: z.strictObject({
      of: ofOrder,
      comes: z.iso.date('Say on which day it comes'),
      count: amount('What comes').optional(),
    }),
    fields: { comes: { label: 'Comes on', as: 'day' }, count: { label: 'So many of them', as: 'count' } },
    check: (state, { of, comes, count }) => {
      const order = state.onOrder[orderAt(state, of)]
      if (!order) return NOT_ON_ORDER
      if (dayFromIso(comes) < order.day) return { path: 'data.comes', message: 'That is before it was ordered' }
      return dayFromIso(comes) > order.day + CONFIRMED_WITHIN
        ? { path: 'data.comes', message: 'That is over a year after it was ordered: check the day' }
        : count === 0
          ? { path: 'data.count', message: 'Nothing comes: drop the order instead' }
          : null
    },
    apply(state, { of, comes, count }) {
      const at = orderAt(state, of)
      state.onOrder = state.onOrder.map((o, i) =>
        i === at ? { ...o, due: dayFromIso(comes), ...(count !== undefined && { count }) } : o,
      )
    },
    wording: d =>
      `Order confirmed for ${formatFullDay(dayFromIso(d.comes))}${d.count === undefined ? '' : `, ${d.count} of them`}`,
  }),
  defineKind({
    kind: 'preyReceived',
    subject: 'prey',
    verb: 'Record delivery',
    data: z.strictObject({
      /** Alive, or usable. */
      count: amount('Delivery'),
      dead: amount('Dead on arrival').optional(),
      /** Of the order, what is still to come. */
      open: amount('Still to come').optional(),
      useBy: dayText.optional(),
      of: ofOrder,
      sure,
    }),
    fields: {
      dead: { label: 'Dead on arrival', as: 'count' },
      open: { label: 'Still to come', as: 'count' },
      useBy: { label: 'Use by, where a date stands on it', as: 'day' },
    },
    check: (state, { count, open, useBy, of, sure }, entry, context) =>
      of !== undefined && !state.onOrder[orderAt(state, of)]
        ? NOT_ON_ORDER
        : open && !state.onOrder.length
          ? { path: 'data.open', message: 'Nothing is on order of which more could come' }
          : useBy && dayFromIso(useBy) < entry.day
            ? { path: 'data.useBy', message: 'It was over before it came' }
            : (tooMany(state, { count, sure }, entry, context) ??
              writtenAgain(
                sure,
                entry,
                state.lastReceived?.day === entry.day && state.lastReceived.count === count,
                `A delivery of ${count} is written on this day already`,
              )),
    apply(state, { count, open, useBy, of }, entry) {
      state.received += count
      const own = useBy && { useBy: dayFromIso(useBy) }
      state.arrivals.push({ entryId: entry.id, day: entry.day, at: entry.at, count, ...own })
      state.lastReceived = { day: entry.day, count, entryId: entry.id }
      state.came = [...state.came.filter(c => c.day > entry.day - A_YEAR), { day: entry.day, count }]
      const at = orderAt(state, of)
      const supplierId = state.onOrder[at]?.supplierId
      const rest = open ? [{ day: entry.day, count: open, entryId: entry.id, ...(supplierId && { supplierId }) }] : []
      state.onOrder = state.onOrder[at]
        ? state.onOrder.flatMap((o, i) => (i === at ? rest : [o]))
        : [...rest, ...state.onOrder]
    },
    wording: d =>
      [
        `Received ${d.count}`,
        d.dead && `${d.dead} dead on arrival`,
        d.open && `${d.open} still to come`,
        d.useBy && `use by ${formatFullDay(dayFromIso(d.useBy))}`,
      ]
        .filter(Boolean)
        .join(', '),
  }),
  defineKind({
    kind: 'startDecided',
    subject: 'prey',
    verb: 'Decide start',
    data: z.strictObject({
      day: dayText,
      /** Cultures or packs; nothing leaves it to the plan again. */
      units: z
        .number({ error: 'The number must be a number' })
        .int('The number must be a whole number')
        .min(0, 'The number cannot be negative')
        .max(500, 'Over 500 on one day: check the number')
        .nullable(),
    }),
    check: (state, { day, units }, entry) => {
      const on = dayFromIso(day)
      if (on < entry.day) return { path: 'data.day', message: 'That day is over' }
      if (on > entry.day + DECIDED_WITHIN)
        return { path: 'data.day', message: 'That is too far ahead: a month at most' }
      return units === null && !state.decided.some(d => d.day === on)
        ? { path: 'data.day', message: 'Nothing is decided for that day' }
        : null
    },
    apply(state, { day, units }, entry) {
      const on = dayFromIso(day)
      // of days that are over nothing is asked any more
      state.decided = state.decided.filter(d => d.day !== on && d.day >= entry.day)
      if (units !== null) state.decided.push({ day: on, units, entryId: entry.id, on: entry.day })
    },
    wording: d =>
      d.units === null
        ? `Left to the plan, ${formatFullDay(dayFromIso(d.day))}`
        : `Decided: ${d.units} on ${formatFullDay(dayFromIso(d.day))}`,
  }),
  defineKind({
    kind: 'orderDropped',
    subject: 'prey',
    verb: 'Drop order',
    data: z.strictObject({ why: freeText(300).optional(), of: ofOrder }),
    fields: { why: { label: 'Why', as: 'text' } },
    check: (state, { of }) => (state.onOrder[orderAt(state, of)] ? null : NOT_ON_ORDER),
    apply(state, { of }) {
      const at = orderAt(state, of)
      state.onOrder = state.onOrder.filter((_, i) => i !== at)
    },
    wording: d => `Order dropped${d.why ? `: ${d.why}` : ''}`,
  }),
  defineKind({
    kind: 'preyDiscarded',
    subject: 'prey',
    verb: 'Record thrown away',
    data: z.strictObject({
      count: amount('Thrown away'),
      why: freeText(300).optional(),
      /** Not thrown away: it is counted as the next size from now on. */
      grown: z.literal(true).optional(),
    }),
    fields: { why: { label: 'Why: dead, too large by now, gone off', as: 'text' } },
    check: (state, { count }) =>
      count > state.left ? { path: 'data.count', message: `Only ${Math.round(state.left)} are left by count` } : null,
    apply(state, { count, grown }, entry) {
      state.discards.push({ day: entry.day, at: entry.at, count, ...(grown && { grown }) })
    },
    wording: d => `${d.grown ? 'Out of their size' : 'Thrown away'} ${d.count}${d.why ? `: ${d.why}` : ''}`,
  }),
  defineKind({
    kind: 'preyKept',
    subject: 'prey',
    verb: 'Say where it is kept',
    data: z.strictObject({ placeId: reference('place').optional() }),
    fields: { placeId: { label: 'Kept at', as: 'place' } },
    check: (state, { placeId }) =>
      placeId === undefined && state.placeId === undefined
        ? { path: 'data.placeId', message: 'Choose a place: none is known yet' }
        : null,
    apply(state, { placeId }) {
      if (placeId === undefined) delete state.placeId
      else state.placeId = placeId
    },
    wording: d => (d.placeId === undefined ? 'Kept at no place of its own' : 'Kept at a place'),
  }),
  defineKind({
    kind: 'preyGrown',
    subject: 'prey',
    verb: 'Record as grown',
    data: z.strictObject({ count: amount('Grown').min(1, 'At least one'), from: reference('feeder') }),
    check: ({ prey }, { from }, _, { almanac }) => {
      const [small, large] = [almanac.feeders[from], almanac.feeders[prey]]
      return !small || !large || small.grows?.into === prey
        ? null
        : { path: 'data.from', message: `By the Almanac, ${small.many} do not grow into ${large.many}` }
    },
    apply(state, { count }, entry) {
      state.received += count
      state.arrivals.push({ entryId: entry.id, day: entry.day, at: entry.at, count })
    },
    wording: d => `Grown: ${d.count}, from ${d.from}`,
  }),
]
