import { feederOf, schoolChoice, type Feeder } from '../../almanac'
import {
  cultureStage,
  apartWay,
  cultureWayHere,
  fedFirst,
  firstCoveredDay,
  groupsOfStart,
  growing,
  homeOf,
  keptPerDay,
  lifeOf,
  packWay,
  plannedSupply,
  useByDays,
  yieldSinceStart,
  type Coming,
  type Lasts,
  type Life,
  type PlanInput,
  type PlayedFeeder,
  type PlannedSupply,
} from '../../supply'
import { shift, type Day } from '../../chance'
import { daysToSend } from '../../subjects'
import { nextWeekday, weekday } from '../../units'
import type { PreyOutlook } from '../contracts'
import { cultureTempC, placeTempC } from '../warmth'
import type { FeederPlan, PlanJob } from './contracts'

/** Bought prey is planned ten weeks ahead, since it comes in days. */
const BOUGHT_DAYS = 70

/** One feeder of a group, with what its plan is made of. */
export interface Kept {
  /** The prey, or its name with how it is ordered beside being grown. */
  key: string
  /** It is grown in the house, and this is the way to order it all the same. */
  byOrder: boolean
  look: PreyOutlook
  feeder: Feeder
  supply: PlannedSupply
  tempC: number | null
  /** With need as its own eaters have it, and culture days only. */
  input: PlanInput
  days: number
  /** First day (index) that a start on a culture day can cover. */
  countFrom: number
}

export function verbOf(supply: PlannedSupply): FeederPlan['verb'] {
  if (supply.kind === 'bought') return supply.gathered ? 'Gather' : 'Order'
  return supply.kind === 'batch' && supply.boughtProducing ? 'Order' : 'Start'
}

/** A prey of which nothing is there, and that nobody eats first. */
const nobodys = (prey: string, days: number): PreyOutlook => ({
  prey,
  mean: [],
  high: Array.from({ length: days }, () => 0),
  running: Array.from({ length: days }, () => 0),
  arriving: [],
  stock: 0,
  lots: [],
  colonies: {},
  causes: [],
  reasons: [],
})

/** Temperature of the place where most cultures of this feeder stand; null when none does. */
function shelfTemp({ house, almanac }: Pick<PlanJob, 'house' | 'almanac'>, feederId: string): number | null {
  const temps = Object.values(house.cultures)
    .filter(c => c.feederId === feederId && !c.finished)
    .map(c => placeTempC(c.placeId, { house, almanac }))
    .filter(t => t !== null)
  return temps.length ? temps.sort((a, b) => a - b)[Math.floor(temps.length / 2)]! : null
}

/** How long what is bought is counted on: the lots at hand to their days, and what is to come as long as it keeps. */
function lastsOf(look: PreyOutlook, life: Life, today: Day): Lasts | undefined {
  const days = Math.round(useByDays(life))
  const lots = look.lots.map(({ pieces, useBy }) => ({ pieces, until: Math.min(days, useBy - today) }))
  return days >= BOUGHT_DAYS && lots.every(lot => lot.until >= BOUGHT_DAYS) ? undefined : { days, lots }
}

/** Lots at hand by the age at which usual ones have as long to go; nothing where all keeps beyond what is planned. */
export function agesOf({ look, supply, input, feeder }: Kept, { almanac, today }: PlanJob): PlayedFeeder['ages'] {
  if (!input.lasts) return undefined
  const life = lifeOf(supply, almanac.common, feeder.grows, look.tempC ?? null)
  const lots = look.lots.map(({ pieces, useBy }) => ({ pieces, age: Math.max(0, useByDays(life) - (useBy - today)) }))
  return { life, lots }
}

/** Whether anything can be started or ordered on a day. */
export function mayStart(supply: PlannedSupply, day: Day, { trial }: Pick<PlanJob, 'trial'>): boolean {
  if (trial?.closed && day >= trial.closed.from && day <= trial.closed.to) return false
  const comesByOrder = verbOf(supply) === 'Order'
  return !(comesByOrder && trial?.noOrdersBefore !== undefined && day < trial.noOrdersBefore)
}

/** The usual days are those from culture day: between them a parcel may leave sooner after the order, or later. */
function laterThanUsual(
  supply: PlannedSupply,
  { settings, today }: Pick<PlanJob, 'settings' | 'today'>,
): PlanInput['comesLater'] {
  const sendsOn = supply.kind === 'bought' ? supply.sendsOn : undefined
  if (!sendsOn) return undefined
  const usual = daysToSend(settings.cultureWeekday, sendsOn)
  return day => daysToSend(weekday(today + day), sendsOn) - usual
}

function inputFor(
  look: PreyOutlook,
  supply: PlannedSupply,
  tempC: number | null,
  byOrder: boolean,
  job: PlanJob,
): PlanInput & { usual: readonly number[] } {
  const { settings, almanac, today } = job
  const { grows } = feederOf(almanac, look.prey)
  const days = supply.kind === 'bought' ? BOUGHT_DAYS : look.high.length
  const keptAtC = look.tempC ?? null
  const life = lifeOf(supply, almanac.common, grows, keptAtC)
  const lasts = supply.kind === 'bought' ? lastsOf(look, life, today) : undefined
  // what keeps less than a week is ordered between culture days too, so that one lot meets the next
  const aWeek = lasts ? Math.ceil(7 / (lasts.days + 1)) : 1
  const startDays: number[] = []
  for (let week = nextWeekday(today, settings.cultureWeekday) - today - 7; week < days; week += 7)
    for (let k = 0; k < aWeek; k++) startDays.push(week + Math.round((7 * k) / aWeek))
  const rhythm = schoolChoice(almanac, settings.schools, 'cupRhythm')
  const ownCups = supply.kind === 'batch' && !supply.boughtProducing
  const decided = new Map((byOrder ? [] : (job.decided[look.prey] ?? [])).map(d => [d.day - today, d.units]))
  const usual = [...new Set([...startDays, ...decided.keys()])].filter(d => d >= 0 && d < days).sort((a, b) => a - b)
  const more = job.trial?.more?.[look.prey] ?? 0
  const comesLater = laterThanUsual(supply, job)
  return {
    usual,
    from: today,
    need: look.high.slice(0, days),
    running: look.running.slice(0, days),
    stock: look.stock,
    keptPerDay: keptPerDay(supply, almanac.common, keptAtC),
    ...(lasts && { lasts }),
    ...(comesLater && { comesLater }),
    perUnit: yieldSinceStart(supply, tempC, days, settings.cupYield),
    startDays: usual.filter(d => decided.has(d) || mayStart(supply, today + d, job)),
    ...(decided.size && { decided }),
    leastPerStart: ownCups && rhythm.id === 'everyWeek' ? 1 : 0,
    spare: more
      ? { units: more, everyStarts: 1 }
      : ownCups && rhythm.fact?.value
        ? { units: Math.round(rhythm.fact.value), everyStarts: Math.max(1, Math.floor(supply.producingDays.value / 7)) }
        : null,
  }
}

/** The name under which it is planned how what is grown in the house is ordered beside. */
export const orderKey = (prey: string): string => `${prey} by order`

function kept(look: PreyOutlook, feeder: Feeder, supply: PlannedSupply, byOrder: boolean, job: PlanJob): Kept {
  const tempC = shelfTemp(job, look.prey)
  const { usual, ...input } = inputFor(look, supply, tempC, byOrder, job)
  const days = input.need.length
  const key = byOrder ? orderKey(look.prey) : look.prey
  // what is tried leaves the days on which hunger counts as they are
  const countFrom = Math.min(days, firstCoveredDay({ ...input, startDays: usual }))
  return { key, byOrder, look, feeder, supply, tempC, input, days, countFrom }
}

/** Grown in the house, of what is there. */
export const isGrown = (supply: PlannedSupply): boolean =>
  supply.kind === 'colony' || (supply.kind === 'batch' && !supply.boughtProducing)

/** How what is started now does: as cultures do that stand where it goes, and were started in this quarter. */
export function startedWay(
  { id }: Pick<Feeder, 'id'>,
  supply: PlannedSupply,
  { house, today }: Pick<PlanJob, 'house' | 'today'>,
): PlannedSupply {
  const apart = house.stocks[id]?.apart
  return supply.kind === 'batch' && apart
    ? apartWay(supply, apart, groupsOfStart(homeOf(id, Object.values(house.cultures)), today))
    : supply
}

/** How a feeder that is grown in the house can be ordered beside. */
export const orderWay = ({ otherWays }: Feeder): PlannedSupply | undefined =>
  otherWays?.find(
    (way): way is PlannedSupply =>
      (way.kind === 'bought' && !way.gathered) || (way.kind === 'batch' && way.boughtProducing === true),
  )

/**
 * The feeders of a group: those that are eaten, grown or in stock, those that could be ordered to stand in, and the
 * orders of what is usually grown.
 */
export function keptOf(job: PlanJob): Kept[] {
  const all = [...job.looks, ...job.others.map(id => nobodys(id, BOUGHT_DAYS))]
  return all.flatMap(look => {
    const feeder = feederOf(job.almanac, look.prey)
    const supply = startedWay(feeder, plannedSupply(feeder)!, job)
    const order = isGrown(supply) && look.high.some(n => n > 0) ? orderWay(feeder) : undefined
    return [
      kept(look, feeder, supply, false, job),
      ...(order ? [kept(nobodys(look.prey, look.high.length), feeder, order, true, job)] : []),
    ]
  })
}

const givingPerDay = (way: Extract<PlannedSupply, { kind: 'colony' }>, perDay: number): PlannedSupply => ({
  ...way,
  yieldPerDay: { ...way.yieldPerDay, value: perDay },
})

/** What comes of a feeder without its plan: what runs, and what is on order. */
export function comingOf({ look, byOrder, feeder, supply, tempC, input }: Kept, job: PlanJob): Omit<Coming, 'starts'> {
  const { house, almanac, settings, today } = job
  const running = Object.values(house.cultures).flatMap(c => {
    const way = cultureWayHere(feeder, c, house)
    if (byOrder || c.feederId !== look.prey || !way || !['growing', 'producing'].includes(cultureStage(c, way, today)))
      return []
    const at = cultureTempC(c, { house, almanac })
    const { from, alive } = growing(c, way, at, today, almanac.common.unwrittenProducing!.value)
    const perDay = look.colonies[c.id]
    // what the house's own numbers of yield say of a colony is in its estimate already
    const known = perDay !== undefined && way.kind === 'colony'
    return [{ producing: from, alive, supply: known ? givingPerDay(way, perDay / settings.cupYield) : way }]
  })
  // what comes is fed first
  const orders = look.arriving.map(({ comes, count }) => ({ comes: shift(comes, fedFirst(packWay(feeder))), count }))
  const comesLater = (day: Day) => input.comesLater?.(day - today) ?? 0
  return { supply, running, tempC, factor: settings.cupYield, luck: almanac.common.cupLuck!.value, orders, comesLater }
}
