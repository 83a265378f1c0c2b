import { feederOf, unitName, type Feeder } from '../../almanac'
import type { Day } from '../../chance'
import { computedInput, settingInput, type Reason } from '../../judgement'
import type { StockState, SupplierState } from '../../subjects'
import { lifeOf, packWay, useByDays } from '../../supply'
import { formatDay, formatMoney } from '../../units'
import type { SeasonContext } from '../context'
import type { PreyOutlook } from '../contracts'
import type { FeederPlan, TakenAlong } from './contracts'
import { STARTS_AHEAD, ordersDue } from './due'
import { freezerTaken, frozenWay, isFrozen, litresOf } from './limits'

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

function reasonFor(
  { name, minimum }: SupplierState,
  { pack, day, keeps }: Later,
  goods: number,
  { settings, today }: Context,
): Reason {
  return {
    rule: 'Taken along: what is due does not make up the least order of the supplier, and what is planned for later and keeps till it is eaten comes with it, the earliest first',
    inputs: [
      computedInput(`Least order, ${name}`, formatMoney(minimum!, settings.currency)),
      computedInput('Due by culture day', formatMoney(goods, settings.currency)),
      computedInput('Planned for', formatDay(day, today)),
      computedInput('Keeps', `${Math.floor(keeps)} days`),
      ...(settings.freezerLitres !== null && isFrozen(pack)
        ? [settingInput('Freezer', `${settings.freezerLitres} L`, 'freezerLitres')]
        : []),
    ],
    change: 'The supplier: its least order, or its price list',
  }
}

/**
 * Plans with what is ordered along with what is due, so that the least order of each supplier is met: packs that are
 * planned for later, keep until they are eaten, and find room and money. Where they do not make it up, nothing is taken
 * along.
 */
export function withTakenAlong(
  plans: readonly FeederPlan[],
  prey: readonly PreyOutlook[],
  context: Context,
): FeederPlan[] {
  const { house, almanac, settings, today } = context
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
  let money = due.reduce(
    (sum, { price, count }) => sum + price * count,
    moneyOf(o => o.day > today - A_WEEK && o.day <= today, context),
  )
  const along = new Map<string, TakenAlong>()
  for (const supplier of Object.values(house.suppliers)) {
    const own = due.filter(o => o.supplierId === supplier.id)
    if (!supplier.minimum || !own.length) continue
    const by = Math.min(...own.map(o => o.by))
    const goods = own.reduce((n, o) => n + o.price * o.count, orderedToday(supplier.id, context))
    const taken: Later[] = []
    let [sum, room, spent] = [goods, litres, money]
    for (const later of laterOf(supplier, by, plans, looks, context)) {
      if (sum >= supplier.minimum) break
      const price = later.pack.price!.value
      const takes = isFrozen(later.pack) ? later.pack.packCount.value * litresOf(later.feeder, almanac) : 0
      if (takes && room + takes > (settings.freezerLitres ?? Infinity)) continue
      if (spent + price > (settings.orderMoney ?? Infinity)) continue
      taken.push(later)
      sum += price
      room += takes
      spent += price
    }
    if (sum < supplier.minimum) continue
    ;[litres, money] = [room, spent]
    for (const later of taken) {
      const { plan, pack } = later
      const before = along.get(plan.prey)
      along.set(plan.prey, {
        ...{ by, count: (before?.count ?? 0) + 1, unit: unitName(pack), pieces: pack.packCount.value },
        ...{ planned: before?.planned ?? later.day, supplier: supplier.name },
        reason: before?.reason ?? reasonFor(supplier, later, goods, context),
      })
    }
  }
  return plans.map(plan => {
    const takenAlong = along.get(plan.prey)
    return takenAlong ? { ...plan, takenAlong } : plan
  })
}
