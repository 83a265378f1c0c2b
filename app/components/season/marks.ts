import {
  area,
  curveBasis,
  symbol,
  symbolCircle,
  symbolDiamond,
  symbolSquare,
  symbolStar,
  symbolTriangle,
  symbolWye,
  type SymbolType,
} from 'd3'
import type { BreedingEvent } from '#core/almanac'
import type { DayDist } from '#core/chance'

/** Colour and sign of each event, by the stage of life it belongs to. */
export const EVENT_STAGE: Record<BreedingEvent, string> = {
  warmUp: 'cooling',
  ready: 'pairing',
  introduced: 'pairing',
  copulation: 'pairing',
  ovulation: 'gravid',
  postOvulationShed: 'gravid',
  preLayShed: 'gravid',
  laid: 'gravid',
  born: 'hatchling',
  hatched: 'egg',
  metamorphosed: 'hatchling',
  firstMeal: 'feeder',
}

const SIGN: Record<string, SymbolType> = {
  cooling: symbolStar,
  pairing: symbolDiamond,
  gravid: symbolTriangle,
  egg: symbolCircle,
  hatchling: symbolWye,
  feeder: symbolSquare,
}

export const signOf = (event: BreedingEvent): string => symbol(SIGN[EVENT_STAGE[event]]!, 58)() ?? ''
export const colourOf = (event: BreedingEvent): string => `var(--stage-${EVENT_STAGE[event]})`

/**
 * A distribution as a soft shape, tall where likely.
 * @param x where a day stands, in pixels
 */
export function smearOf(dist: DayDist, x: (day: number) => number, base: number, tall: number): string {
  if (!dist.p.length) return ''
  const tallest = Math.max(...dist.p)
  const points: [number, number][] = [
    [dist.start - 0.6, 0],
    ...dist.p.map((p, i) => [dist.start + i, p / tallest] as [number, number]),
    [dist.start + dist.p.length - 0.4, 0],
  ]
  return (
    area<[number, number]>()
      .x(d => x(d[0]))
      .y0(base)
      .y1(d => base - d[1] * tall)
      .curve(curveBasis)(points) ?? ''
  )
}
