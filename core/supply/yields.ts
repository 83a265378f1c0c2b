import type { Feeder, Supply } from '../almanac'
import {
  certain,
  conditionFrom,
  conditionUnwritten,
  pert,
  weighedBy,
  withLateTail,
  type Day,
  type DayDist,
} from '../chance'
import { derivedBy } from '../derived'
import { NO_SIGN, type CultureState } from '../subjects'
import { fedFirst } from './ways'
import { knownLooks, signLikelihood } from './signs'

type Kind = 'batch' | 'colony' | 'bought'
export type PlannedSupply = Extract<Supply, { kind: Kind }>

/** A supply whose amounts can be planned; greens and flake are fetched as needed. */
export function plannedSupply(feeder: Feeder): PlannedSupply | null {
  return feeder.supply.kind === 'fresh' ? null : feeder.supply
}

/**
 * Days from start to the first yield at a temperature; of what is ordered, until it is here and was fed first.
 * Development is taken as linear above the base temperature, so
 * the almanac's days (at its reference temperature) are stretched by (reference − base) / (T − base).
 * @param tempC temperature of the place, °C; null = the almanac's own
 */
export function timeToProducing(supply: PlannedSupply, tempC: number | null): DayDist {
  if (supply.kind === 'bought') return certain(supply.leadDays.value + fedFirst(supply))
  let stretch = 1
  if (supply.kind === 'batch' && !supply.boughtProducing && tempC !== null) {
    const base = supply.baseTempC.value
    // nearer than 2 °C to the base nothing useful comes; the stretch ends there
    stretch = (supply.atTempC.value - base) / Math.max(2, tempC - base)
  }
  const { earliest, likely, latest } = supply.toProducing
  const dist = pert({ earliest: earliest * stretch, likely: likely * stretch, latest: latest * stretch })
  return withLateTail(dist, 0.03, 3)
}

/**
 * Yield of a running culture by days since it began to produce, before failures.
 * A batch rises over the first third of its span and falls over the rest (triangle), one that is kept for a second flush
 * twice; a colony gives the same each day;
 * a bought pack comes at once.
 * @param days length wanted
 * @param factor the house's own yield against the almanac's, 1 = the same
 */
export function yieldCurve(supply: PlannedSupply, days: number, factor = 1): Float64Array {
  const curve = new Float64Array(days)
  if (supply.kind === 'bought') {
    if (days > 0) curve[0] = supply.packCount.value
    return curve
  }
  if (supply.kind === 'colony') return curve.fill(supply.yieldPerDay.value * factor)
  const all = supply.yieldTotal.value * factor
  for (const { from, span, share } of flushesOf(supply)) {
    const shape = flush(span)
    const total = shape.reduce((a, b) => a + b, 0)
    for (let i = 0; i < span && from + i < days; i++) curve[from + i]! += (shape[i]! / total) * share * all
  }
  return curve
}

/** A flush by day: it rises over its first third and falls over the rest. */
function flush(span: number): number[] {
  const peak = span / 3
  return Array.from({ length: span }, (_, i) => {
    const x = i + 0.5
    return x < peak ? x / peak : (span - x) / (span - peak)
  })
}

/** The flushes of one culture: when each begins after the first yield and how long it lasts, in days; its share of all. */
export function flushesOf({ producingDays, secondFlush }: Extract<PlannedSupply, { kind: 'batch' }>) {
  const span = Math.round(producingDays.value)
  const from = secondFlush ? Math.round(secondFlush.afterDays.value) : span
  // one that would begin when all is over is none
  if (!secondFlush || from >= span) return [{ from: 0, span, share: 1 }]
  const { value: share } = secondFlush.share
  return [
    { from: 0, span: Math.min(from, Math.round(secondFlush.firstDays.value)), share: 1 - share },
    { from, span: span - from, share },
  ]
}

/** Chance (0..1) that one started culture gives nothing. */
export function failureChance(supply: PlannedSupply): number {
  return supply.kind === 'bought' ? 0 : supply.failure.value
}

/** Expected yield by days since the *start* of one culture (or the order of one pack), failures taken off. */
export function yieldSinceStart(supply: PlannedSupply, tempC: number | null, days: number, factor = 1): Float64Array {
  const wait = timeToProducing(supply, tempC)
  const curve = yieldCurve(supply, days, factor)
  const result = new Float64Array(days)
  const survives = 1 - failureChance(supply)
  wait.p.forEach((p, i) => {
    const offset = wait.start + i
    for (let age = 0; age + offset < days; age++) result[age + offset]! += p * survives * curve[age]!
  })
  return result
}

/** How a culture stands today. */
export type CultureStage = 'growing' | 'producing' | 'spent' | 'failed' | 'retired'

/** @param today calendar day */
export function cultureStage(culture: CultureState, supply: PlannedSupply, today: Day): CultureStage {
  if (culture.failed) return 'failed'
  if (culture.finished) return 'retired'
  if (!culture.producing) return 'growing'
  return supply.kind === 'batch' && today >= culture.producing.day + supply.producingDays.value ? 'spent' : 'producing'
}

/** A growing culture: when it starts to yield if it does, and the chance that it does at all. */
export interface GrowingCulture {
  from: DayDist
  alive: number
}

/**
 * What is to be expected of a culture by what was seen of it. Seen not to produce on a day, it had not begun by then;
 * since that day silence counts by the chance that its beginning went unwritten. The longer it is overdue, the likelier
 * it is one of those that fail: by Bayes, failed ones being silent for ever. Larvae or pupae that were seen say how far
 * it is, and that it lives.
 * @param unwritten chance (0..1) that it produces and nobody wrote it
 */
export const growing = derivedBy(workedOut)

function workedOut(
  culture: CultureState,
  supply: PlannedSupply,
  tempC: number | null,
  today: Day,
  unwritten = 0,
): GrowingCulture {
  if (culture.producing) return { from: certain(culture.producing.day), alive: 1 }
  const wait = timeToProducing(supply, tempC)
  const whole: DayDist = { ...wait, start: wait.start + culture.startDay }
  const looked = culture.lastLook?.day ?? culture.startDay
  const signs = supply.kind === 'batch' && !supply.boughtProducing ? supply.signs : undefined
  const looks = signs ? knownLooks(culture, signs) : []
  const seen = signs && looks.length ? signLikelihood(looks, culture.startDay, signs) : null
  const chanceOf = (weight: (day: Day) => number) =>
    whole.p.reduce((sum, p, i) => sum + p * weight(whole.start + i) * (seen?.(whole.start + i) ?? 1), 0)
  const silentSoFar = chanceOf(day => (day <= looked ? 0 : day < today ? unwritten : 1))
  // of those that fail some get as far as the others, and the rest never show a thing
  const shown = signs?.shownByFailing.value ?? 0
  const nothingSeen = looks.every(l => l.furthest === NO_SIGN) ? 1 : 0
  const seenOfFailing = seen ? shown * chanceOf(() => 1) + (1 - shown) * nothingSeen : 1
  const fails = failureChance(supply)
  const alive = ((1 - fails) * silentSoFar) / ((1 - fails) * silentSoFar + fails * seenOfFailing)
  const told = seen ? weighedBy(whole, seen) : whole
  return {
    from: conditionUnwritten(conditionFrom(told, looked + 1), today, unwritten),
    alive: Number.isFinite(alive) ? alive : 0,
  }
}

/** The day on which a growing culture starts to yield, if it does. */
export function producingFrom(
  culture: CultureState,
  supply: PlannedSupply,
  tempC: number | null,
  today: Day,
  unwritten = 0,
): DayDist {
  return growing(culture, supply, tempC, today, unwritten).from
}

/** Expected yield of a running culture on each day from `today` on. */
export function remainingYield(
  culture: CultureState,
  supply: PlannedSupply,
  tempC: number | null,
  today: Day,
  days: number,
  factor = 1,
  unwritten = 0,
): Float64Array {
  const result = new Float64Array(days)
  const stage = cultureStage(culture, supply, today)
  if (stage !== 'growing' && stage !== 'producing') return result
  const { from, alive: survives } = growing(culture, supply, tempC, today, unwritten)
  if (!from.p.length) return result
  const curve = yieldCurve(supply, days + Math.max(0, today - from.start) + 1, factor)
  from.p.forEach((p, i) => {
    const start = from.start + i
    for (let d = Math.max(0, start - today); d < days; d++) result[d]! += p * survives * (curve[today + d - start] ?? 0)
  })
  return result
}
