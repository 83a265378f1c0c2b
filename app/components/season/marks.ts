import {
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
