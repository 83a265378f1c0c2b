import type { Almanac, Box, Feeder } from '../almanac'
import { quantile, type Day } from '../chance'
import type { CultureState } from '../subjects'
import { cultureStage, growing, timeToProducing, type PlannedSupply } from './yields'

/** Where the next culture of a feeder goes: to where the one that was started last stands; null where none ever stood. */
export function homeOf(feederId: string, cultures: Iterable<CultureState>): string | null {
  let last: CultureState | null = null
  for (const c of cultures) if (c.feederId === feederId && (!last || c.startDay > last.startDay)) last = c
  return last?.placeId ?? null
}

/** Room that one culture takes, in cups; a tub of which the recipe says nothing takes as much as the common number says. */
export const roomOf = ({ recipe, supply }: Feeder, { common }: Pick<Almanac, 'common'>): number =>
  recipe?.room?.value ?? (supply.kind === 'batch' ? 1 : common.tubRoom!.value)

/** Boxes that so many animals are kept in until they are eaten. */
export const boxesFor = ({ holds }: Pick<Box, 'holds'>, pieces: number): number => Math.ceil(pieces / holds.value)

/** Minutes that it takes to start one. */
export const minutesOf = ({ recipe }: Feeder, { common }: Pick<Almanac, 'common'>): number =>
  recipe?.minutes?.value ?? common.startMinutes!.value

/**
 * When a new culture stands there: days after it was started (or ordered) and days that it then stays. A colony stays
 * for good; a batch until its yield is over, or it goes for its age.
 * @param tempC temperature of its place, °C; null = the almanac's own
 */
export function standing(supply: PlannedSupply, tempC: number | null): { after: number; days: number } {
  if (supply.kind !== 'batch') return { after: 0, days: Number.POSITIVE_INFINITY }
  const wait = quantile(timeToProducing(supply, tempC), 0.5)!
  const yields = Math.ceil(supply.producingDays.value)
  if (supply.boughtProducing) return { after: wait, days: yields }
  return { after: 0, days: Math.min(wait + yields, supply.outAfterDays?.value ?? Number.POSITIVE_INFINITY) }
}

/** The day from which a running culture stands there no more; today for one that is to be taken out, null for a colony. */
export function leavesOn(
  culture: CultureState,
  supply: PlannedSupply,
  tempC: number | null,
  today: Day,
  unwritten: number,
): Day | null {
  const stage = cultureStage(culture, supply, today)
  if (stage !== 'growing' && stage !== 'producing') return today
  if (supply.kind !== 'batch') return null
  const from = quantile(growing(culture, supply, tempC, today, unwritten).from, 0.5)
  const spent = from === null ? today : from + Math.ceil(supply.producingDays.value)
  const out = supply.outAfterDays ? culture.startDay + Math.round(supply.outAfterDays.value) : Number.POSITIVE_INFINITY
  return Math.max(today, Math.min(spent, out))
}
