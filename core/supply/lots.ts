import type { Almanac, Grows } from '../almanac'
import type { Day } from '../chance'
import type { StockLot, StockState } from '../subjects'
import type { PlannedSupply } from './yields'

/** How long pieces of one age keep: half are usable after so many days, and how sharply the end comes. */
export interface Life {
  halfDays: number
  /** Of a Weibull survival: 1 loses the same share every day, more keeps well and then ends within days. */
  shape: number
  /** The day to use them by is the one on which this share is still usable, 0..1. */
  useByShare: number
  /** At this age half have grown out of their size, in days: alive, and no more counted as what they were. */
  growsAfter?: number
}

const clamped = (least: number, x: number, most: number) => Math.min(most, Math.max(least, x))

/** Times as quick as at the warmth for which its days are told; own numbers may be any. */
const [SLOWEST, QUICKEST] = [0.1, 10]

/** Down to this warmth a feeder keeps the longer the cooler it stands, °C. */
export const coolestOf = (supply: PlannedSupply, { keepTemp, keepCoolest }: Almanac['common']): number =>
  Math.min(keepTemp!.value, (supply.kind === 'bought' ? supply.coolestC : undefined)?.value ?? keepCoolest!.value)

/**
 * How quickly what is kept lives where it stands: by a factor for every 10 °C (Q10).
 * @param tempC of its place; null where that is not known, and for what is frozen it does not matter
 * @returns times as at the warmth for which its days are told, which is 1
 */
export function paceAt(supply: PlannedSupply, common: Almanac['common'], tempC: number | null): number {
  if (tempC === null || (supply.kind === 'bought' && supply.frozen)) return 1
  const warmer = Math.max(tempC, coolestOf(supply, common)) - common.keepTemp!.value
  const pace = Math.max(0, common.keepPace!.value) ** (warmer / 10)
  return Number.isNaN(pace) ? 1 : clamped(SLOWEST, pace, QUICKEST)
}

/**
 * What is bought ends about the days it keeps, or when it has grown; what is harvested goes off day by day. Both are the
 * sooner the warmer it stands.
 * @param tempC of the place where it is kept; null where that is not known
 */
export function lifeOf(
  supply: PlannedSupply,
  common: Almanac['common'],
  grows: Grows | undefined,
  tempC: number | null,
): Life {
  const { lotShape, lotUseBy } = common
  const pace = paceAt(supply, common, tempC)
  return {
    halfDays: supply.keepDays.value / pace,
    // own numbers may be any: at the ends nothing could be said any more of when a lot ends
    shape: supply.kind === 'bought' ? clamped(0.2, lotShape!.value, 20) : 1,
    useByShare: clamped(0.01, lotUseBy!.value, 0.99),
    ...(grows && supply.kind === 'bought' && { growsAfter: grows.days.value / pace }),
  }
}

/** Halvings at the age at which a share is left: 0.5 ** halvings = share. */
const halvings = (share: number) => Math.log(share) / Math.log(0.5)

/** Days after which the share of use-by is still usable, or the last before they have grown. */
export const useByDays = ({ halfDays, shape, useByShare, growsAfter = Infinity }: Life): number =>
  Math.min(halfDays * halvings(useByShare) ** (1 / shape), growsAfter - 1)

/**
 * Share alive at a later age of what is alive at an earlier one: Weibull survival, 0.5 ** ((age / half) ** shape).
 * @param from age in days, 0 or more
 * @param to the later age
 */
export function aliveBetween({ halfDays, shape }: Life, from: number, to: number): number {
  const spent = (age: number) => (Math.max(0, age) / halfDays) ** shape
  return 0.5 ** Math.max(0, spent(to) - spent(from))
}

/** Share usable at a later age of what is usable at an earlier one: alive, and of its size. Ages in days. */
export const keptBetween = (life: Life, from: number, to: number): number =>
  life.growsAfter !== undefined && to >= life.growsAfter ? 0 : aliveBetween(life, from, to)

/** Share of a stock that is still usable a day later, for what is planned without ages. */
export function keptPerDay(supply: PlannedSupply, common: Almanac['common'], tempC: number | null): number {
  const life = lifeOf(supply, common, undefined, tempC)
  return life.shape === 1 ? 0.5 ** (1 / life.halfDays) : life.useByShare ** (1 / useByDays(life))
}

/** One lot of a stock as it is to be expected today. */
export interface StandingLot {
  entryId: string
  /** Since when it is here; of what was counted beyond all deliveries, when it was counted. */
  day: Day
  /** Usable pieces, oldest used first. */
  pieces: number
  /** Dead or gone off by now, by expectation, and not thrown away by what is written. */
  gone: number
  /** Alive, and grown out of their size. */
  grown: number
  /** The last day on which it is to be used. */
  useBy: Day
  /** It is its size that ends it then, and not its life. */
  outgrows?: true
}

interface Ageing extends StandingLot {
  life: Life
}

/**
 * A lot with a date of its own lives so long that this date is its use-by. One that was counted as of its size when most
 * have grown is slower than most, and no day is told for it.
 * @param countedOn the day on which it was counted, where it was
 */
function ageing(lot: StockLot, usual: Life, countedOn?: Day): Ageing {
  const { entryId, day, count } = lot
  const own = lot.useBy === undefined ? null : Math.max(0.5, lot.useBy - day)
  const { growsAfter: _, ...kept } = usual
  const slow = countedOn !== undefined && countedOn - day >= (usual.growsAfter ?? Infinity)
  const life: Life =
    own === null ? (slow ? kept : usual) : { ...kept, halfDays: (kept.halfDays * own) / useByDays(kept) }
  const useBy = lot.useBy ?? day + Math.floor(useByDays(life))
  const outgrows = life.growsAfter !== undefined && useByDays(life) === life.growsAfter - 1
  return { entryId, day, pieces: count, gone: 0, grown: 0, useBy, life, ...(outgrows && { outgrows }) }
}

/**
 * The lots of a stock as they are to be expected today, the first to be used first. What was counted was usable then; it
 * is of the latest deliveries, since older ones are used first. What is thrown away is among what did not keep, as far as
 * so many had to be expected; what goes beyond that is taken off too.
 * @returns none when nothing was ever counted or received
 */
export function standingLots(
  stock: Pick<StockState, 'counted' | 'lots' | 'arrivals' | 'used' | 'discards'>,
  life: Life,
  today: Day,
): StandingLot[] {
  const lots = stock.lots.map(lot => ageing(lot, life, stock.counted?.day))
  const changes = [
    ...stock.arrivals.map(lot => ({ day: lot.day, lot, used: 0, thrown: 0, outgrown: 0 })),
    ...stock.used.map(u => ({ day: u.day, lot: null, used: u.count, thrown: 0, outgrown: 0 })),
    ...stock.discards.map(({ day, count, grown }) => ({
      ...{ day, lot: null, used: 0 },
      ...(grown ? { thrown: 0, outgrown: count } : { thrown: count, outgrown: 0 }),
    })),
  ].sort((a, b) => a.day - b.day || Number(Boolean(b.lot)) - Number(Boolean(a.lot)))
  let at = stock.counted?.day ?? changes[0]?.day ?? today
  const firstOut = () => lots.sort((a, b) => a.useBy - b.useBy || a.day - b.day)
  const comeTo = (day: Day) => {
    for (const lot of lots) {
      const alive = aliveBetween(lot.life, at - lot.day, day - lot.day)
      lot.gone += (lot.pieces + lot.grown) * (1 - alive)
      lot.pieces *= alive
      lot.grown *= alive
      if (day - lot.day < (lot.life.growsAfter ?? Infinity)) continue
      lot.grown += lot.pieces
      lot.pieces = 0
    }
    at = Math.max(at, day)
  }
  const takeOff = (count: number, from: 'pieces' | 'grown' | 'gone') => {
    let open = count
    for (const lot of lots) {
      const taken = Math.min(open, lot[from])
      lot[from] -= taken
      open -= taken
    }
    return open
  }
  for (const { day, lot, used, thrown, outgrown } of changes) {
    comeTo(day)
    if (lot) {
      lots.push(ageing(lot, life))
      firstOut()
    }
    // more than was to be expected was still usable: it was of those that were taken for too large, or for gone
    if (used) takeOff(takeOff(takeOff(used, 'pieces'), 'grown'), 'gone')
    if (thrown) takeOff(takeOff(takeOff(thrown, 'gone'), 'grown'), 'pieces')
    if (outgrown) takeOff(takeOff(takeOff(outgrown, 'grown'), 'pieces'), 'gone')
  }
  comeTo(today)
  return firstOut().map(({ life: _, ...lot }) => lot)
}

/**
 * What keeps so many days from when it comes and is not counted on beyond; days as an index from today. Lots at hand have
 * their own days, none of them after what comes today: the first to end is the first to be used.
 */
export interface Lasts {
  days: number
  lots: readonly { pieces: number; until: number }[]
}

/** Most that can be carried from one day to the next: what came within the days it keeps, and lots that still keep. */
export function carriable({ days, lots }: Lasts, came: ArrayLike<number>, day: number): number {
  let most = 0
  for (const lot of lots) if (lot.until > day) most += lot.pieces
  for (let d = Math.max(0, day + 1 - days); d <= day && d < came.length; d++) most += came[d]!
  return most
}
