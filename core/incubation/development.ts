import type { Almanac, Incubation } from '../almanac'
import type { Development } from '../climate'
import { fitThermalTime } from './thermal'

/**
 * How eggs of a species develop with warmth: the line through its table, flat above the warmest row and a little.
 * @returns degree-days and °C; readings of `latelyHours` say how it goes on
 */
export function developmentOf(incubation: Incubation, { common }: Pick<Almanac, 'common'>): Development {
  const { baseC, degreeDays } = fitThermalTime(incubation.points)
  const bestC = Math.max(...incubation.points.map(p => p.tempC)) + common.eggLinePast!.value
  return { baseC, degreeDays, bestC, latelyHours: common.warmthLately!.value }
}
