/**
 * Zones of basking by the mean UV index that animals were met at in the field: 1 shade and dusk, 2 partial sun, 3 open or
 * partial sun, 4 midday sun.
 * Source: Ferguson et al. 2010, Zoo Biology 29:317–334 (limits from memory).
 */
export const FERGUSON_ZONES = [
  { zone: 1, low: 0, high: 0.7 },
  { zone: 2, low: 0.7, high: 1 },
  { zone: 3, low: 1, high: 2.6 },
  { zone: 4, low: 2.6, high: 3.5 },
] as const

/**
 * The zone that a UV index lies in; null above all of them.
 * @param uvIndex 0 and more
 */
export function fergusonZone(uvIndex: number): 1 | 2 | 3 | 4 | null {
  return FERGUSON_ZONES.find(z => uvIndex < z.high || (z.zone === 4 && uvIndex <= z.high))?.zone ?? null
}
