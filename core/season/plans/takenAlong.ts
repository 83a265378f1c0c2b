import { feederOf, unitName, type Feeder } from '../../almanac'
import type { Day } from '../../chance'
import { computedInput, factInput, settingInput, type Reason } from '../../judgement'
import type { StockState, SupplierState } from '../../subjects'
import { lifeOf, packWay, useByDays } from '../../supply'
import { formatDay, formatMoney } from '../../units'
import type { SeasonContext } from '../context'
import type { PreyOutlook } from '../contracts'
import type { FeederPlan, TakenAlong } from './contracts'
import { STARTS_AHEAD, ordersDue } from './due'
import { freezerTaken, frozenWay, isFrozen, litresOf } from './limits'
import { tellOrder } from './words'

type Context = Pick<SeasonContext, 'house' | 'almanac' | 'settings' | 'today'>
type Pack = NonNullable<ReturnType<typeof packWay>>

const A_WEEK = 7

/** A pack that is planned for later, and keeps until it is eaten when it is ordered now. */
interface Later {
  plan: FeederPlan
  feeder: Feeder
  pack: Pack
  day: Day
  /** Days that it keeps from when it comes. */
  keeps: number
}

const keepsOf = (feeder: Feeder, pack: Pack, { tempC }: PreyOutlook, { common }: Context['almanac']): number =>
  useByDays(lifeOf(pack, common, feeder.grows, tempC ?? null))

/** What open orders come to, by the price lists of today. */
function moneyOf(
  isAsked: (order: StockState['onOrder'][number]) => boolean,
  { house, almanac }: Pick<Context, 'house' | 'almanac'>,
): number {
  return Object.values(house.stocks).reduce((sum, { prey, onOrder }) => {
    const pack = almanac.feeders[prey] && packWay(almanac.feeders[prey])
    if (!pack?.price) return sum
    const pieces = onOrder.filter(isAsked).reduce((n, o) => n + o.count, 0)
    return sum + (pieces / pack.packCount.value) * pack.price.value
  }, 0)
}

/** What has been ordered of a supplier today: it goes out with what is ordered now. */
export const orderedToday = (supplierId: string, context: Pick<Context, 'house' | 'almanac' | 'today'>): number =>
  moneyOf(o => o.day === context.today && o.supplierId === supplierId, context)

/**
 * Day (index) on which the last piece of a pack that comes on a day is eaten, by the mean need; the end of what is
 * forecast where it is not by then.
 */
function eatenBy(pieces: number, from: number, { mean }: Pick<PreyOutlook, 'mean'>): number {
  let left = pieces
  for (let d = Math.max(0, from); d < mean.length; d++) if ((left -= mean[d]!) <= 1e-6) return d
  return mean.length
}

/** Packs that a supplier is to send later, and that can come now, the earliest first. */
function laterOf(
  supplier: SupplierState,
  by: Day,
  plans: readonly FeederPlan[],
  looks: ReadonlyMap<string, PreyOutlook>,
  { almanac, today }: Context,
): Later[] {
  return plans
    .flatMap(plan => {
      const feeder = feederOf(almanac, plan.prey)
      const pack = packWay(feeder)
      const look = looks.get(plan.prey)
      if (!look || !pack?.price || pack.supplierId !== supplier.id || feeder.supply !== pack) return []
      const keeps = keepsOf(feeder, pack, look, almanac)
      const [lead, pieces] = [pack.leadDays.value, pack.packCount.value]
      return (
        plan.starts
          // what the keeper decided for a day stays there
          .filter(s => s.day > today + STARTS_AHEAD && !plan.decided.some(d => d.day === s.day))
          .flatMap(({ day, count }) => {
            const comes = day + lead - today
            return Array.from({ length: count }, (_, i) => eatenBy((i + 1) * pieces, comes, look))
              .filter(eaten => eaten - (by + lead - today) <= keeps)
              .map((): Later => ({ plan, feeder, pack, day, keeps }))
          })
      )
    })
    .sort((a, b) => a.day - b.day || (a.plan.prey < b.plan.prey ? -1 : 1))
}

/** Why something is taken along: the least order, or a parcel less. */
type Why = TakenAlong['why']

function reasonFor(
  { name, minimum, carriage }: SupplierState,
  { pack, day, keeps }: Later,
  { why, goods }: { why: Why; goods: number },
  { almanac, settings, today }: Context,
): Reason {
  const money = (amount: number | null) => formatMoney(amount ?? 0, settings.currency)
  return {
    rule:
      why === 'least'
        ? 'Taken along: what is due does not make up the least order of the supplier, and what is planned for later and keeps till it is eaten comes with it, the earliest first'
        : 'Taken along: all that this supplier was to send on a later day keeps till it is eaten, and comes with what is due: one parcel less',
    inputs: [
      ...(why === 'least'
        ? [computedInput(`Least order, ${name}`, money(minimum)), computedInput('Due by culture day', money(goods))]
        : [
            computedInput(`Carriage, ${name}`, money(carriage)),
            factInput('No further ahead than', 'common.parcelAhead.value', almanac.common.parcelAhead!),
          ]),
      computedInput('Planned for', formatDay(day, today)),
      computedInput('Keeps', `${Math.floor(keeps)} days`),
      ...(settings.freezerLitres !== null && isFrozen(pack)
        ? [settingInput('Freezer', `${settings.freezerLitres} L`, 'freezerLitres')]
        : []),
    ],
    change: 'The supplier: its least order, or its price list',
  }
}

/** Packs of one prey that are taken along. */
interface Taken {
  first: Later
  count: number
  why: Why
  by: Day
  supplier: SupplierState
  goods: number
}

function told({ first, count, why, by, supplier, goods }: Taken, context: Context): TakenAlong {
  const { plan, feeder, pack, day } = first
  const unit = unitName(pack)
  const pieces = pack.packCount.value
  const what =
    why === 'least' ? `to reach the least order of ${supplier.name}` : `and ${supplier.name} sends one parcel less`
  return {
    ...{ by, count, unit, pieces, planned: day, supplier: supplier.name, why },
    task: {
      id: `along:${plan.prey}`,
      kind: 'start',
      subject: { type: 'prey', id: plan.prey },
      tag: feeder.name,
      placeId: null,
      due: by,
      what: tellOrder({ count, unit, pieces }, feeder),
      detail: `planned for ${formatDay(day, context.today)}; comes along ${what}`,
      actions: [
        {
          label: 'Ordered',
          kind: 'preyOrdered',
          data: { count: count * pieces, supplierId: supplier.id },
          tone: 'main',
        },
      ],
      caution: feeder.cautions[0],
      reasons: [reasonFor(supplier, first, { why, goods }, context)],
    },
  }
}

/** Days on which a supplier is to send something later, each with how many packs. */
function parcelsOf(
  supplier: SupplierState,
  plans: readonly FeederPlan[],
  { almanac, today }: Context,
): [Day, number][] {
  const parcels = new Map<Day, number>()
  for (const { prey, starts, orders } of plans) {
    const feeder = feederOf(almanac, prey)
    const pack = packWay(feeder)
    if (pack?.supplierId !== supplier.id) continue
    // cultures about to yield are on no price list
    const packs = [...orders.filter(o => o.pieces !== null), ...(feeder.supply === pack ? starts : [])]
    for (const { day, count } of packs)
      if (day > today + STARTS_AHEAD) parcels.set(day, (parcels.get(day) ?? 0) + count)
  }
  return [...parcels].sort(([a], [b]) => a - b)
}

/** What is spent and what lies in the freezer, as long as nothing goes beyond what there is. */
class Room {
  constructor(
    private litres: number,
    private money: number,
    private readonly context: Context,
  ) {}

  private after(packs: readonly Later[]): { litres: number; money: number } {
    const { almanac } = this.context
    const sum = (of: (later: Later) => number) => packs.reduce((n, later) => n + of(later), 0)
    return {
      litres: this.litres + sum(l => (isFrozen(l.pack) ? l.pack.packCount.value * litresOf(l.feeder, almanac) : 0)),
      money: this.money + sum(l => l.pack.price!.value),
    }
  }

  fits(packs: readonly Later[]): boolean {
    const { freezerLitres, orderMoney } = this.context.settings
    const { litres, money } = this.after(packs)
    const roomy = litres <= Math.max(freezerLitres ?? Infinity, this.litres)
    return roomy && money <= (orderMoney ?? Infinity)
  }

  take(packs: readonly Later[]): void {
    const { litres, money } = this.after(packs)
    this.litres = litres
    this.money = money
  }
}

/** Packs that make up the least order, the earliest first; null where they do not make it up. */
function toLeastOrder(minimum: number, goods: number, later: readonly Later[], room: Room): Later[] | null {
  const taken: Later[] = []
  let sum = goods
  for (const pack of later) {
    if (sum >= minimum) break
    if (!room.fits([...taken, pack])) continue
    taken.push(pack)
    sum += pack.pack.price!.value
  }
  return sum >= minimum ? taken : null
}

/** All packs of the next later days, as long as those days then need no parcel. */
function parcelsLess(
  supplier: SupplierState,
  plans: readonly FeederPlan[],
  later: readonly Later[],
  taken: readonly Later[],
  room: Room,
  context: Context,
): Later[] {
  if (!supplier.carriage) return []
  const ahead = context.today + context.almanac.common.parcelAhead!.value
  const less: Later[] = []
  for (const [day, packs] of parcelsOf(supplier, plans, context)) {
    const all = later.filter(l => l.day === day)
    const rest = all.filter(l => !taken.includes(l))
    // a parcel that is sent all the same takes what comes after it along when its day comes
    if (day > ahead || all.length < packs || !room.fits([...less, ...rest])) break
    less.push(...rest)
  }
  return less
}

/**
 * Plans with what is ordered along with what is due: packs that are planned for later, keep until they are eaten, and
 * find room and money. First those that make up the least order of each supplier, the earliest first; where they do not
 * make it up, nothing is taken along. Then all of the next later days, each of which then needs no parcel, and costs no
 * carriage.
 */
export function withTakenAlong(
  plans: readonly FeederPlan[],
  prey: readonly PreyOutlook[],
  context: Context,
): FeederPlan[] {
  const { house, almanac, today } = context
  const looks = new Map(prey.map(look => [look.prey, look]))
  const due = plans.flatMap(plan => {
    const feeder = feederOf(almanac, plan.prey)
    const pack = packWay(feeder)
    return ordersDue(plan, feeder, today).map(o => ({
      ...{ count: o.count, by: o.by },
      // cultures about to yield are on no price list
      supplierId: o.each === null ? null : (pack?.supplierId ?? null),
      price: o.each === null ? 0 : (pack?.price?.value ?? 0),
      litres:
        o.each !== null && pack && isFrozen(pack) ? o.count * pack.packCount.value * litresOf(feeder, almanac) : 0,
    }))
  })
  let litres = freezerTaken(prey, almanac) + due.reduce((n, o) => n + o.litres, 0)
  for (const { prey: id, onOrder } of Object.values(house.stocks)) {
    const feeder = almanac.feeders[id]
    if (feeder && frozenWay(feeder)) for (const o of onOrder) litres += o.count * litresOf(feeder, almanac)
  }
  const money = due.reduce(
    (sum, { price, count }) => sum + price * count,
    moneyOf(o => o.day > today - A_WEEK && o.day <= today, context),
  )
  const room = new Room(litres, money, context)
  const along = new Map<string, Taken>()
  for (const supplier of Object.values(house.suppliers)) {
    const own = due.filter(o => o.supplierId === supplier.id)
    if (!own.length) continue
    const by = Math.min(...own.map(o => o.by))
    const goods = own.reduce((n, o) => n + o.price * o.count, orderedToday(supplier.id, context))
    const later = laterOf(supplier, by, plans, looks, context)
    const least = toLeastOrder(supplier.minimum ?? 0, goods, later, room)
    if (!least) continue
    room.take(least)
    const less = parcelsLess(supplier, plans, later, least, room, context)
    room.take(less)
    const taken = [...least.map(l => ({ l, why: 'least' as const })), ...less.map(l => ({ l, why: 'parcel' as const }))]
    for (const { l, why } of taken) {
      const before = along.get(l.plan.prey)
      along.set(l.plan.prey, {
        ...{ count: (before?.count ?? 0) + 1, first: before?.first ?? l, why: before?.why ?? why },
        ...{ by, supplier, goods },
      })
    }
  }
  return plans.map(plan => {
    const taken = along.get(plan.prey)
    return taken ? { ...plan, takenAlong: told(taken, context) } : plan
  })
}
