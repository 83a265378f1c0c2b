import type { Almanac, Feeder } from '../almanac'
import { cumulative, quantile, type Day } from '../chance'
import { mayFound, type CultureState } from '../subjects'
import type { Cultured } from './apart'
import { cultureWayHere, type CultureSupply } from './ways'
import { cultureStage, flushesOf, growing, yieldCurve } from './yields'

/** One running culture of a batch feeder. */
interface Link {
  culture: CultureState
  supply: Extract<CultureSupply, { kind: 'batch' }>
  from: ReturnType<typeof growing>['from']
  alive: number
}

export interface Chain {
  /** Chance that at least one culture yields, on each day from today. */
  chance: Float64Array
  /** Last day on which further cultures can be founded from the house's own, as far as one may be sure; null = none. */
  holdsUntil: Day | null
  /** First such day from today on; null = none. */
  from: Day | null
}

/** Days looked ahead: the longest wait of a cup and its yield. */
const AHEAD = 90

function linksOf(
  feeder: Feeder,
  house: Cultured,
  tempOf: (culture: CultureState) => number | null,
  unwritten: number,
  today: Day,
): Link[] {
  return Object.values(house.cultures).flatMap((culture): Link[] => {
    const supply = cultureWayHere(feeder, culture, house)
    if (culture.feederId !== feeder.id || supply?.kind !== 'batch') return []
    if (!['growing', 'producing'].includes(cultureStage(culture, supply, today)) || !mayFound(culture)) return []
    return [{ culture, supply, ...growing(culture, supply, tempOf(culture), today, unwritten) }]
  })
}

/** Chance that a culture yields on a day: it has begun, is not over, and not between two flushes. */
const yieldsOn = ({ supply, from, alive }: Link, day: Day): number =>
  flushesOf(supply).reduce(
    (all, flush) =>
      all + alive * (cumulative(from, day - flush.from) - cumulative(from, day - flush.from - flush.span)),
    0,
  )

/**
 * Whether a feeder that is started from its own cultures can be started again, and until when: as long as one of those
 * that run yields. Each may fail; that any yields is one minus the chance that none does.
 * @param common `chainSure`: chance from which a chain is taken to hold; `unwrittenProducing`: that nobody wrote it
 */
export function chainOf(
  feeder: Feeder,
  house: Cultured,
  tempOf: (culture: CultureState) => number | null,
  { common }: Pick<Almanac, 'common'>,
  today: Day,
): Chain {
  const links = linksOf(feeder, house, tempOf, common.unwrittenProducing!.value, today)
  const chance = Float64Array.from(
    { length: AHEAD },
    (_, d) => 1 - links.reduce((none, link) => none * (1 - yieldsOn(link, today + d)), 1),
  )
  const first = chance.findIndex(p => p >= common.chainSure!.value)
  const last = chance.findLastIndex(p => p >= common.chainSure!.value)
  return { chance, from: first < 0 ? null : today + first, holdsUntil: last < 0 ? null : today + last }
}

/** A culture from which others are founded, and about how many it gives for it. */
export interface Founding {
  culture: CultureState
  pieces: number
}

/**
 * From which cultures so many founders are taken on a day: those at their best first.
 * @returns as many as are needed; together they may give less than was wanted
 */
export function foundersFrom(
  feeder: Feeder,
  house: Cultured,
  tempOf: (culture: CultureState) => number | null,
  { common }: Pick<Almanac, 'common'>,
  today: Day,
  day: Day,
  wanted: number,
): Founding[] {
  // what came since the last harvest is taken together
  const gathered = Math.round(common.harvestEvery!.value)
  const giving = linksOf(feeder, house, tempOf, common.unwrittenProducing!.value, today)
    .map(link => {
      const begun = quantile(link.from, 0.5)
      const curve = yieldCurve(link.supply, AHEAD + 200)
      const age = begun === null ? -1 : day - begun
      const pieces = age < 0 ? 0 : link.alive * [...curve.slice(age, age + gathered)].reduce((a, b) => a + b, 0)
      return { culture: link.culture, pieces }
    })
    .filter(f => f.pieces >= 1)
    .sort((a, b) => b.pieces - a.pieces || (a.culture.tag < b.culture.tag ? -1 : 1))
  const taken: Founding[] = []
  for (const founding of giving) {
    if (taken.reduce((n, f) => n + f.pieces, 0) >= wanted) break
    taken.push(founding)
  }
  return taken
}
