import { feederOf, type Almanac, type Feeder, type Supply } from '../../almanac'
import type { Day } from '../../chance'
import { waysUp } from '../../places'
import type { House, Place } from '../../subjects'
import {
  cultureWayHere,
  homeOf,
  leavesOn,
  minutesOf,
  roomOf,
  standing,
  type Binding,
  type Limit,
  type Taken,
} from '../../supply'
import type { PreyOutlook } from '../contracts'
import { cultureTempC } from '../warmth'
import type { Held, PlanJob } from './contracts'
import { isGrown, orderKey, orderWay, type Kept } from './kept'

/** Minutes of a culture day, as a limit of the plan. */
export const MINUTES = 'minutes'
/** Money for orders in a week, likewise. */
export const MONEY = 'money'
/** Room in the freezer, likewise: limits of that name and a number of days. */
export const FREEZER = 'freezer:'
const A_WEEK = 7
/** More time is tried by so many minutes. */
const MORE_MINUTES = 10

type Frozen = Extract<Supply, { kind: 'bought' }>
type Told = Pick<House, 'places' | 'cultures'>

/** Places that say how many cups they take: in cold ones the number is of animals. */
const shelvesAbove = ({ places }: Pick<House, 'places'>, placeId: string | null): Place[] =>
  placeId === null
    ? []
    : [...waysUp(places, placeId)].filter(p => p.capacity !== null && ['rack', 'shelf'].includes(p.kind))

/** Shelves with limited room on which cultures of a feeder stand, or would. */
export function shelvesOf(feederId: string, house: Told): string[] {
  const at = new Set([homeOf(feederId, Object.values(house.cultures))])
  for (const c of Object.values(house.cultures)) if (c.feederId === feederId && !c.finished) at.add(c.placeId)
  return [...new Set([...at].flatMap(placeId => shelvesAbove(house, placeId).map(p => p.id)))]
}

/** Room that running cultures take on a shelf, by the day from which they are gone. */
function runningOn(
  shelfId: string,
  { house, almanac, today }: Pick<PlanJob, 'house' | 'almanac' | 'today'>,
): { room: number; until: Day | null }[] {
  return Object.values(house.cultures).flatMap(c => {
    if (c.finished || !shelvesAbove(house, c.placeId).some(p => p.id === shelfId)) return []
    const feeder = feederOf(almanac, c.feederId)
    const way = cultureWayHere(feeder, c, house)
    if (!way) return []
    const tempC = cultureTempC(c, { house, almanac })
    const until = leavesOn(c, way, tempC, today, almanac.common.unwrittenProducing!.value)
    return [{ room: roomOf(feeder, almanac), until }]
  })
}

/** Cups that stand on a shelf today, what is to be taken out left out. */
export const roomTaken = (shelfId: string, job: Pick<PlanJob, 'house' | 'almanac' | 'today'>): number =>
  runningOn(shelfId, job).reduce((n, { room, until }) => n + (until === null || until > job.today ? room : 0), 0)

/** What a limit is of, as it is told. */
export function limitTold(id: string, { places }: Pick<House, 'places'>): Pick<Held, 'of' | 'place'> {
  const place = places[id]
  const of = id.startsWith(FREEZER) ? 'freezer' : id === MINUTES || id === MONEY ? id : 'room'
  return { of, place: place ? { id, name: place.name } : null }
}

/** What holds the plan of a prey back; of several limits of one sort the one that more of would save most. */
export function heldBy(prey: string, limits: readonly Limit[], binding: readonly Binding[], job: PlanJob): Held[] {
  const { house, today } = job
  const most = new Map<string, Held>()
  for (const { limit: id, from, to, hungry, cost } of binding) {
    const limit = limits.find(l => l.id === id)
    if (!limit?.takes.has(prey) && !limit?.takes.has(orderKey(prey))) continue
    const told = limitTold(id, house)
    const held: Held = { ...told, more: limit.more, from: today + from, to: today + to, hungry, cost }
    const sort = `${told.of} ${told.place?.id ?? ''}`
    const before = most.get(sort)
    if (!before || held.hungry > before.hungry || (held.hungry === before.hungry && held.cost > before.cost))
      most.set(sort, held)
  }
  return [...most.values()]
}

/** Within any seven days no more is spent than that; what was ordered before is taken off. */
function moneyLimit(most: number, kept: readonly Kept[], { ordered, today }: PlanJob, days: number): Limit {
  const priced = kept.flatMap(k => (k.supply.kind === 'bought' && k.supply.price ? [{ k, way: k.supply }] : []))
  const spentOn = (from: Day, before: Day) =>
    priced.reduce(
      (sum, { k, way }) =>
        (ordered[k.look.prey] ?? [])
          .filter(o => o.day >= from && o.day < before)
          .reduce((n, o) => n + (way.price!.value * o.count) / way.packCount.value, sum),
      0,
    )
  const prices = priced.map(({ way }) => way.price!.value)
  return {
    id: MONEY,
    free: Array.from({ length: days }, (_, d) => Math.max(0, most - spentOn(today + d - A_WEEK + 1, today + 1))),
    takes: new Map(priced.map(({ k, way }) => [k.key, { each: way.price!.value, after: 0, days: A_WEEK }])),
    more: Math.max(1, ...prices),
  }
}

/** How a feeder is got that is kept in the freezer: as usual, or beside being grown in the house; null where it is not. */
export function frozenWay(feeder: Feeder): Frozen | null {
  const { supply } = feeder
  if (isFrozen(supply)) return supply
  const order = supply.kind !== 'fresh' && isGrown(supply) ? orderWay(feeder) : undefined
  return order && isFrozen(order) ? order : null
}

/** Bought, and kept in the freezer until it is thawed. */
export const isFrozen = (supply: Supply): supply is Frozen => supply.kind === 'bought' && supply.frozen === true

/** Litres that one piece takes in the freezer. */
export const litresOf = ({ massG }: Feeder, { common }: Pick<Almanac, 'common'>): number =>
  massG.likely / common.freezerDensity!.value

/** Litres of the freezer that are taken today, by what is there of all that is frozen. */
export function freezerTaken(prey: readonly PreyOutlook[], almanac: Pick<Almanac, 'feeders' | 'common'>): number {
  return prey.reduce((litres, { prey: id, stock }) => {
    const feeder = feederOf(almanac, id)
    return frozenWay(feeder) ? litres + stock * litresOf(feeder, almanac) : litres
  }, 0)
}

/** Parcels further apart are looked at over all that is planned. */
const PARCELS_APART = 28

/** So many days hold parcels that are ordered on two of these days, and all of them. */
function parcelsWithin(startDays: readonly number[]): number[] {
  const apart = startDays.flatMap(s => startDays.map(t => t - s)).filter(n => n >= 0)
  return [...new Set([...apart.filter(n => n <= PARCELS_APART), Math.max(...apart)])].map(n => n + 1)
}

/**
 * What may come into the freezer within so many days: what there is room for beside what lies there anyhow, and what is
 * eaten of it meanwhile, as those want who eat it. All of these together keep what lies there within the room, as long
 * as nobody goes hungry; where a bag of what they eat does not fit, what they would have eaten counts within those days.
 */
function freezerLimits(most: number, kept: readonly Kept[], { almanac }: PlanJob, days: number): Limit[] {
  const frozen = kept.flatMap(k => (isFrozen(k.supply) ? [{ ...k, way: k.supply }] : []))
  /** What lies there of what is there and on order, and what is wanted beyond it. */
  const [lies, wanted] = [new Float64Array(days), new Float64Array(days)]
  for (const { byOrder, look: own, feeder, input, way } of frozen) {
    // what is grown in the house is eaten as it comes, and is in no freezer
    const look = byOrder ? kept.find(k => !k.byOrder && k.look.prey === own.prey)!.look : own
    const grown = Object.values(look.colonies).reduce((sum, perDay) => sum + perDay, 0)
    const each = litresOf(feeder, almanac)
    const firstParcel = (input.startDays[0] ?? Infinity) + way.leadDays.value
    let there = look.stock
    for (let d = 0; d < days; d++) {
      there += Math.max(0, (look.running[d] ?? 0) - grown)
      lies[d]! += there * each
      const need = Math.max(0, (look.mean[d] ?? 0) - grown)
      const eaten = Math.min(there, need)
      there -= eaten
      // nobody eats what cannot be there yet
      if (d >= firstParcel) wanted[d]! += (need - eaten) * each
    }
  }
  const takes = (within: number) =>
    new Map(
      frozen.map(({ key, feeder, way }): [string, Taken] => [
        key,
        { each: way.packCount.value * litresOf(feeder, almanac), after: way.leadDays.value, days: within },
      ]),
    )
  const more = Math.max(1, ...[...takes(1).values()].map(t => t.each))
  // today is a day to order too
  return parcelsWithin([...new Set([0, ...frozen.flatMap(k => k.input.startDays)])]).map(within => {
    const free = Array.from({ length: days }, (_, d) => {
      const eaten = wanted.subarray(Math.max(0, d - within + 1), d).reduce((a, b) => a + b, 0)
      return Math.max(0, most - lies[d]! + eaten)
    })
    return { id: `${FREEZER}${within}`, free, takes: takes(within), more }
  })
}

/** Room on the shelves, and minutes of a culture day, that the feeders of a group share. */
export function limitsOf(kept: readonly Kept[], job: PlanJob): Limit[] {
  const { house, almanac, settings, today } = job
  const days = Math.max(...kept.map(k => k.days))
  const cultures = Object.values(house.cultures)
  const shelves = new Set(kept.flatMap(k => shelvesOf(k.look.prey, house)))
  const onShelf = (shelfId: string): Limit => {
    const running = runningOn(shelfId, job)
    const { capacity } = house.places[shelfId]!
    const free = Array.from({ length: days }, (_, d) =>
      Math.max(
        0,
        running.reduce((n, c) => n - (c.until === null || c.until > today + d ? c.room : 0), capacity!),
      ),
    )
    const takes = kept.flatMap((k): [string, Taken][] =>
      k.supply.kind !== 'bought' && shelvesAbove(house, homeOf(k.look.prey, cultures)).some(p => p.id === shelfId)
        ? [[k.key, { each: roomOf(k.feeder, almanac), ...standing(k.supply, k.tempC) }]]
        : [],
    )
    return { id: shelfId, free, takes: new Map(takes), more: Math.max(1, ...takes.map(([, t]) => t.each)) }
  }
  const minutes = settings.cultureMinutes
  const ofADay = (most: number): Limit => ({
    id: MINUTES,
    free: Array.from({ length: days }, () => most),
    takes: new Map(
      kept.filter(k => isGrown(k.supply)).map(k => [k.key, { each: minutesOf(k.feeder, almanac), after: 0, days: 1 }]),
    ),
    more: MORE_MINUTES,
  })
  const money = settings.orderMoney === null ? [] : [moneyLimit(settings.orderMoney, kept, job, days)]
  const litres = settings.freezerLitres
  const freezer = litres === null ? [] : freezerLimits(litres, kept, job, days)
  return [...[...shelves].map(onShelf), ...(minutes === null ? [] : [ofADay(minutes)]), ...money, ...freezer].filter(
    l => l.takes.size,
  )
}
