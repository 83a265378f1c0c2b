import { feederOf } from '../../almanac'
import type { Day } from '../../chance'
import { waysUp } from '../../places'
import type { House, Place } from '../../subjects'
import {
  cultureWay,
  homeOf,
  leavesOn,
  minutesOf,
  roomOf,
  standing,
  type Binding,
  type Limit,
  type Taken,
} from '../../supply'
import { cultureTempC } from '../warmth'
import type { Held, PlanJob } from './contracts'
import { isGrown, type Kept } from './kept'

/** Minutes of a culture day, as a limit of the plan. */
export const MINUTES = 'minutes'
/** Money for orders in a week, likewise. */
export const MONEY = 'money'
const A_WEEK = 7
/** More time is tried by so many minutes. */
const MORE_MINUTES = 10

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
    const way = cultureWay(feeder, c)
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
  return { of: id === MINUTES || id === MONEY ? id : 'room', place: place ? { id, name: place.name } : null }
}

/** What holds the plan of a prey back. */
export function heldBy(prey: string, limits: readonly Limit[], binding: readonly Binding[], job: PlanJob): Held[] {
  const { house, today } = job
  return binding.flatMap(({ limit: id, from, to, hungry, cost }) => {
    const limit = limits.find(l => l.id === id)
    if (!limit?.takes.has(prey)) return []
    return [
      {
        ...limitTold(id, house),
        more: limit.more,
        ...{ from: today + from, to: today + to, hungry, cost },
      },
    ]
  })
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
  return [...[...shelves].map(onShelf), ...(minutes === null ? [] : [ofADay(minutes)]), ...money].filter(
    l => l.takes.size,
  )
}
