import { feederOf, standingIn, type Almanac, type Feeder } from '../../almanac'
import type { Day } from '../../chance'
import { derived } from '../../derived'
import type { HouseSettings } from '../../settings'
import type { House } from '../../subjects'
import { groupsOf, plannedSupply } from '../../supply'
import type { EatersNeed, PreyOutlook, Scenarios } from '../contracts'
import { cultureTempC, placeTempC, warmthOfCultures } from '../warmth'
import type { PlanJob, PlanTrial } from './contracts'
import { decidedOf } from './decided'
import { isGrown } from './kept'
import { FREEZER, MINUTES, MONEY, frozenWay, shelvesOf } from './limits'
import { unitWeights } from './weights'

/** What those who eat a prey may be given in its place, the best first; unknown, retired and live prey left out. */
export function standInsFor(
  prey: string,
  { never }: Pick<EatersNeed, 'never'>,
  { feeders }: Pick<Almanac, 'feeders'>,
): { prey: string; mostShare: number; pieces: number }[] {
  return standingIn(feeders[prey]!, feeders, never)
    .filter(({ feeder }) => plannedSupply(feeder))
    .map(({ feeder, ...how }) => ({ prey: feeder.id, ...how }))
}

/** One that nobody keeps can only stand in where it comes by order, within days. */
const canBeOrdered = (almanac: Pick<Almanac, 'feeders'>, id: string): boolean => {
  const { supply } = feederOf(almanac, id)
  return supply.kind === 'bought' && !supply.gathered
}

/**
 * The prey of a season in groups: two are in one when someone who eats the one may be given the other, or when they share
 * room or time.
 * @param shared limits that a prey takes of
 */
export function preyGroups(
  prey: readonly PreyOutlook[],
  scenarios: Pick<Scenarios, 'eaters'>,
  almanac: Pick<Almanac, 'feeders'>,
  shared: (prey: string) => readonly string[] = () => [],
): { looks: PreyOutlook[]; others: string[] }[] {
  const kept = new Set(prey.map(p => p.prey))
  const leader = new Map<string, string>()
  const of = (id: string): string => {
    const above = leader.get(id) ?? id
    return above === id ? id : of(above)
  }
  const others = new Set<string>()
  for (const { prey: id } of prey) {
    for (const eaters of scenarios.eaters(id)) {
      if (!eaters.pieces) continue
      for (const { prey: other } of standInsFor(id, eaters, almanac)) {
        if (!kept.has(other)) {
          if (!canBeOrdered(almanac, other)) continue
          others.add(other)
        }
        leader.set(of(other), of(id))
      }
    }
  }
  // those that share room or time are planned together too
  const sharers = new Map<string, string>()
  for (const { prey: id } of prey) {
    for (const limit of shared(id)) {
      const first = sharers.get(limit)
      if (first === undefined) sharers.set(limit, id)
      else leader.set(of(id), of(first))
    }
  }
  const groups = new Map<string, { looks: PreyOutlook[]; others: string[] }>()
  for (const look of prey) {
    const group = groups.get(of(look.prey))
    if (group) group.looks.push(look)
    else groups.set(of(look.prey), { looks: [look], others: [] })
  }
  for (const other of others) groups.get(of(other))?.others.push(other)
  return [...groups.values()]
}

/** What a prey takes of that is not without end. */
function limitsOfPrey(
  id: string,
  house: Pick<House, 'places' | 'cultures'>,
  almanac: Pick<Almanac, 'feeders'>,
  { cultureMinutes, orderMoney, freezerLitres }: Pick<HouseSettings, 'cultureMinutes' | 'orderMoney' | 'freezerLitres'>,
): string[] {
  const supply = plannedSupply(feederOf(almanac, id))
  const priced = [supply, ...(almanac.feeders[id]?.otherWays ?? [])].some(way => way?.kind === 'bought' && way.price)
  return [
    ...shelvesOf(id, house),
    ...(cultureMinutes !== null && supply && isGrown(supply) ? [MINUTES] : []),
    ...(orderMoney !== null && priced ? [MONEY] : []),
    ...(freezerLitres !== null && frozenWay(feederOf(almanac, id)) ? [FREEZER] : []),
  ]
}

/**
 * All that decides the plans of a season, in groups that are planned by themselves.
 * @param trial what is tried and not so
 */
export function planJobs(
  prey: readonly PreyOutlook[],
  scenarios: Scenarios,
  house: House,
  almanac: Almanac,
  settings: HouseSettings,
  today: Day,
  trial?: PlanTrial,
): PlanJob[] {
  const groups = preyGroups(prey, scenarios, almanac, id => limitsOfPrey(id, house, almanac, settings))
  const hungry = groups.filter(g => g.looks.some(l => l.high.some(n => n > 0))).length
  // several groups are hungry by chances of their own: each must be a little safer
  const safe = settings.safeSeasons === null ? null : settings.safeSeasons ** (1 / Math.max(1, hungry))
  const warmth = house.warmth ?? warmthOfCultures({ house, almanac })
  return groups.map(({ looks, others }): PlanJob => {
    const ids = looks.map(l => l.prey)
    const all = [...ids, ...others]
    const weights = unitWeights(all, house, almanac, settings)
    return {
      looks,
      others,
      eaters: Object.fromEntries(ids.map(id => [id, scenarios.eaters(id)])),
      decided: Object.fromEntries(
        all.flatMap(id => {
          const list = decidedOf(id, house, almanac, today)
          return list.length ? [[id, list]] : []
        }),
      ),
      ordered: Object.fromEntries(
        all.flatMap(id => {
          const list = (house.stocks[id]?.onOrder ?? []).filter(o => o.day > today - 7 && o.day <= today)
          return list.length ? [[id, list.map(({ day, count }) => ({ day, count }))]] : []
        }),
      ),
      scenarios: { count: scenarios.count, need: Object.fromEntries(ids.map(id => [id, scenarios.need(id)])) },
      // a thread is told what the readings come to, not all of them
      house: {
        cultures: Object.fromEntries(Object.entries(house.cultures).filter(([, c]) => all.includes(c.feederId))),
        stocks: Object.fromEntries(
          all.flatMap(id => {
            const apart = house.stocks[id]?.apart
            return apart ? [[id, { apart }]] : []
          }),
        ),
        places: house.places,
        climate: {},
        warmth,
      },
      almanac: {
        feeders: Object.fromEntries(all.map(id => [id, feederOf(almanac, id)])),
        schools: almanac.schools,
        common: almanac.common,
      },
      settings,
      safe,
      today,
      ...(weights && { weights }),
      ...(trial && { trial }),
    }
  })
}

const rounded = (row: ArrayLike<number>) => Array.from(row, x => Math.round(x * 100)).join()

/** What of a prey's need and supply decides its plan. */
const lookKey = derived((l: PreyOutlook) =>
  JSON.stringify([
    l.prey,
    l.stock,
    l.tempC,
    l.lots.map(lot => [Math.round(lot.pieces * 100), lot.useBy]),
    l.colonies,
    rounded(l.high),
    rounded(l.running),
  ]),
)
const feederKey = derived((feeder: Feeder) => JSON.stringify(feeder))

/** What decides the plans of a group, as a key: when none of it changed, neither do they. */
export function planKey({
  looks,
  others,
  eaters,
  decided,
  ordered,
  house,
  almanac,
  settings,
  safe,
  today,
  weights,
  trial,
}: PlanJob): string {
  const cultures = Object.values(house.cultures).map(c => [
    c.id,
    c.startDay,
    c.producing?.day,
    c.failed?.day,
    c.finished?.day,
    c.lastLook?.day,
    c.signs,
    c.bought,
    c.placeId,
    cultureTempC(c, { house, almanac }),
    placeTempC(c.placeId, { house, almanac }),
    house.stocks[c.feederId]?.apart && groupsOf(c, house.cultures),
  ])
  const {
    hungryCost,
    standInCost,
    sameKindCost,
    extraTripCost,
    otherWayCost,
    starterCost,
    cupLuck,
    unwrittenProducing,
  } = almanac.common
  const { lotShape, lotUseBy, hungryShare, tubRoom, startMinutes } = almanac.common
  const { keepTemp, keepPace, keepCoolest } = almanac.common
  return JSON.stringify([
    today,
    looks.map(lookKey),
    decided,
    others,
    Object.entries(eaters).map(([prey, list]) => [
      prey,
      list.map(e => [
        e.never,
        e.mostOfOne,
        e.leastOwn,
        Math.round(e.pieces),
        Math.round(e.meals),
        list.length > 1 ? rounded(e.mean) : '',
      ]),
    ]),
    cultures,
    house.stocks,
    settings.cultureWeekday,
    settings.cupYield,
    settings.cultureMinutes,
    settings.freezerLitres === null
      ? null
      : [settings.freezerLitres, almanac.common.freezerDensity!.value, looks.map(l => rounded(l.mean))],
    settings.orderMoney === null ? null : [settings.orderMoney, settings.currency, ordered],
    Object.keys(almanac.feeders).map(id => shelvesOf(id, house).map(shelf => [shelf, house.places[shelf]!.capacity])),
    settings.coverQuantile,
    settings.schools,
    safe,
    weights,
    trial,
    Object.values(almanac.feeders).map(feederKey),
    almanac.schools.cupRhythm,
    [hungryCost, standInCost, sameKindCost, extraTripCost, otherWayCost, starterCost, cupLuck, unwrittenProducing].map(
      f => f!.value,
    ),
    [lotShape, lotUseBy, hungryShare, tubRoom, startMinutes, keepTemp, keepPace, keepCoolest].map(f => f!.value),
  ])
}
