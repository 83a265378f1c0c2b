import type { Feeder, Supply } from '../almanac'
import type { CultureState } from '../subjects'
import { apartWay, groupsOf, type Cultured } from './apart'

export type CultureSupply = Extract<Supply, { kind: 'batch' | 'colony' }>
export type PackSupply = Extract<Supply, { kind: 'bought' }>

/** Ways in which a feeder comes, the one in force first. */
const waysOf = (feeder: Feeder): Supply[] => [feeder.supply, ...(feeder.otherWays ?? [])]

/**
 * How a culture of a feeder yields, also while the house gets it otherwise now; null where no way is by culture.
 * @param culture one that was ordered about to yield does so, one of the house's own does as those do
 */
export function cultureWay(feeder: Feeder, culture?: { bought?: true }): CultureSupply | null {
  const ways = waysOf(feeder).filter((way): way is CultureSupply => way.kind === 'batch' || way.kind === 'colony')
  const alike = (way: CultureSupply) =>
    (way.kind === 'batch' && way.boughtProducing === true) === Boolean(culture?.bought)
  return (culture && ways.find(alike)) ?? ways[0] ?? null
}

/** How a culture of the house yields: as its kind does, and as those do here that are like it. */
export function cultureWayHere(feeder: Feeder, culture: CultureState, house: Cultured): CultureSupply | null {
  const way = cultureWay(feeder, culture)
  const apart = house.stocks[feeder.id]?.apart
  return way?.kind === 'batch' && apart ? apartWay(way, apart, groupsOf(culture, house.cultures)) : way
}

/** How an order of a feeder comes; null where no way is by order. */
export const packWay = (feeder: Feeder): PackSupply | null =>
  waysOf(feeder).find((way): way is PackSupply => way.kind === 'bought') ?? null

/** Whole days on good food before what was ordered is fed out. */
export const fedFirst = (way: Supply | null): number =>
  way?.kind === 'bought' ? Math.ceil(way.fedFirstDays?.value ?? 0) : 0

/** Where a way stands in the almanac, as `feeders.fly.large.otherWays.0`. */
export function wayPath(feeder: Feeder, way: Supply): string {
  const at = feeder.otherWays?.indexOf(way) ?? -1
  return `feeders.${feeder.id}.${at < 0 ? 'supply' : `otherWays.${at}`}`
}

/**
 * The ways as they stand when another is in force; the others keep their order. @param way index among the other ways
 */
export function withWay(feeder: Feeder, way: number): Pick<Feeder, 'supply' | 'otherWays'> {
  const others = feeder.otherWays ?? []
  const chosen = others[way]
  if (!chosen) return { supply: feeder.supply, otherWays: others }
  return { supply: chosen, otherWays: [feeder.supply, ...others.filter((_, i) => i !== way)] }
}
