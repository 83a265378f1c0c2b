import type { Supply } from './schema'

/**
 * What a feeder is got in: `cup`, `tub of 250`. A pack is called by as many as are in it as the house gets it, whatever
 * the usual one is called.
 */
export const unitName = (way: Supply): string =>
  way.kind === 'bought' ? way.unit.replace(/ of \d+$/, ` of ${way.packCount.value}`) : way.unit
