import type { Almanac, Cold, Species } from '../almanac'
import { Z80, cumulative, type Day, type DayDist, normalCdf } from '../chance'
import type { HourlyLog } from '../channels'
import type { AnimalState, Weighing, Winter } from '../subjects'
import { metabolicLoss, type MetabolicLoss } from './metabolism'
import { crossing, lossTrend, type LossTrend } from './trend'

/** Noon of a calendar day, in hours since 1970 UTC: a weighing has no hour, so its day is counted from noon to noon. */
const noonOf = (day: number): number => day * 24 + 12

const DAYS_A_MONTH = 30.44

export interface LossPoint {
  day: Day
  massG: number
  /** Share of the starting weight lost. */
  lost: number
  entryId: string
}

/** The loss of one animal in the cold against what is usual, as far as the plain numbers go. */
export interface ColdLine {
  start: (Weighing & { /** First weighed only after cooling, so what went before is unknown. */ late: boolean }) | null
  points: LossPoint[]
  lost: number | null
  trend: LossTrend | null
  /** Loss at the planned waking: middle and 80 % range. */
  atWake: { mid: number; low: number; high: number } | null
  watchOn: DayDist | null
  outOn: DayDist | null
  /** Chance of lying above the limit to take it out when it is woken, and in a week from today. */
  outByWake: number
  outInAWeek: number
  metabolic: MetabolicLoss | null
  metabolicShare: number
  /** What was lost beyond the metabolism: water, or worse. */
  waterShare: number
}

/**
 * Usual loss per day by the species' law: what is burnt at the hold, with the water that keepers see lost beside it.
 */
export function usualPerDay(cold: Cold): number {
  if (cold.loss.by === 'month') return cold.loss.share.value / DAYS_A_MONTH
  return cold.watchLoss.value / 2 / (cold.weeks.likely * 7)
}

/**
 * The weight the cold began with: the last weighing before it, or for want of one the first in it.
 * @param common how old a weight may be that an animal is cooled with: `startWeightFresh`, days
 */
export function startingWeight(
  weights: readonly Weighing[],
  winter: Winter,
  { startWeightFresh }: Almanac['common'],
): ColdLine['start'] {
  const cooled = winter.cooled.day
  const earliest = cooled - startWeightFresh!.value
  let before: Weighing | undefined
  for (const w of weights) if (w.day <= cooled && w.day >= earliest && (!before || w.day >= before.day)) before = w
  if (before) return { ...before, late: false }
  const first = weights.find(w => w.day > cooled && (winter.warmed === null || w.day <= winter.warmed.day))
  return first ? { ...first, late: true } : null
}

/**
 * Burnt by metabolism between two days, as a share of the weight: by the temperature logged, or by the species' monthly
 * share.
 */
export function expectedLoss(
  cold: Cold,
  massG: number,
  log: HourlyLog | undefined,
  from: Day,
  to: Day,
  assumedC: number,
): { share: number; metabolic: MetabolicLoss | null } {
  if (cold.loss.by === 'month')
    return { share: (cold.loss.share.value / DAYS_A_MONTH) * Math.max(0, to - from), metabolic: null }
  const metabolic = metabolicLoss(massG, log, noonOf(from), noonOf(to), assumedC)
  return { share: metabolic.grams / massG, metabolic }
}

/**
 * Loss, trend, forecast and limits of a running stay in the cold.
 * @param animal in the cold
 * @param log hourly log of its place, if there is one; missing hours count at `assumedC`
 * @param wakeDay planned waking
 */
export function coldLine(
  species: Species & { cold: Cold },
  animal: AnimalState,
  winter: Winter,
  log: HourlyLog | undefined,
  assumedC: number,
  wakeDay: Day,
  today: Day,
  common: Almanac['common'],
): ColdLine {
  const { cold } = species
  const start = startingWeight(animal.weights, winter, common)
  const empty: ColdLine = {
    start,
    points: [],
    lost: null,
    trend: null,
    atWake: null,
    watchOn: null,
    outOn: null,
    outByWake: 0,
    outInAWeek: 0,
    metabolic: null,
    metabolicShare: 0,
    waterShare: 0,
  }
  if (!start) return empty
  const points: LossPoint[] = [{ day: start.day, massG: start.massG, lost: 0, entryId: start.entryId }]
  for (const w of animal.weights)
    if (w.day > Math.max(start.day, winter.cooled.day - 1) && w.entryId !== start.entryId)
      points.push({ day: w.day, massG: w.massG, lost: 1 - w.massG / start.massG, entryId: w.entryId })
  points.sort((a, b) => a.day - b.day)
  if (points.length < 2) return { ...empty, points }
  const last = points.at(-1)!
  const trend = lossTrend(points, cold.weighingNoise.value, usualPerDay(cold), common.lossWanders!.value)
  const watchOn = crossing(trend, cold.watchLoss.value, today)
  const outOn = crossing(trend, cold.takeOutLoss.value, today)
  const wake = Math.max(wakeDay, today)
  const above = (limit: number, day: Day) => normalCdf((trend.at(day) - limit) / trend.sd(day))
  const { share, metabolic } = expectedLoss(cold, start.massG, log, start.day, last.day, assumedC)
  return {
    start,
    points,
    lost: last.lost,
    trend,
    watchOn,
    outOn,
    metabolic,
    metabolicShare: share,
    atWake: {
      mid: trend.at(wake),
      low: trend.at(wake) - Z80 * trend.sd(wake),
      high: trend.at(wake) + Z80 * trend.sd(wake),
    },
    outByWake: Math.max(above(cold.takeOutLoss.value, wake), cumulative(outOn, today)),
    outInAWeek: cumulative(outOn, today + 7),
    waterShare: last.lost - share,
  }
}

/** Levels of the trend with its 80 % band, for drawing: at the weighings, today and the waking. */
export function bandOf(line: ColdLine, to: Day): { day: Day; low: number; mid: number; high: number }[] {
  const { trend, points } = line
  if (!trend || !points.length) return []
  const from = points[0]!.day
  const steps = 12
  return Array.from({ length: steps + 1 }, (_, i) => {
    const day = from + ((to - from) * i) / steps
    const mid = trend.at(day)
    const half = Z80 * trend.sd(day)
    return { day, low: mid - half, mid, high: mid + half }
  })
}
