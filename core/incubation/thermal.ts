/** Development per day rises in a straight line with temperature above a base: rate = (T − baseC) / degreeDays. */
export interface ThermalTime {
  baseC: number
  degreeDays: number
}

/**
 * Fits thermal time to a table of temperature and days by least squares on the rate 1/days.
 * Source: linear degree-day model, e.g. Campbell et al. 1974, J. Appl. Ecol. 11:431–438 (from memory).
 * @param points at least two temperatures, °C, with days > 0
 * @throws RangeError when the rate does not rise with temperature
 */
export function fitThermalTime(points: readonly { tempC: number; days: number }[]): ThermalTime {
  const n = points.length
  const meanT = points.reduce((s, p) => s + p.tempC, 0) / n
  const meanR = points.reduce((s, p) => s + 1 / p.days, 0) / n
  let above = 0
  let below = 0
  for (const p of points) {
    above += (p.tempC - meanT) * (1 / p.days - meanR)
    below += (p.tempC - meanT) ** 2
  }
  const slope = above / below
  if (!(slope > 0)) throw new RangeError('Warmer must be quicker: the incubation table does not rise.')
  return { baseC: meanT - meanR / slope, degreeDays: 1 / slope }
}

/** Days to develop at a constant temperature; Infinity at or below the base. */
export function daysAt({ baseC, degreeDays }: ThermalTime, tempC: number): number {
  return tempC <= baseC ? Number.POSITIVE_INFINITY : degreeDays / (tempC - baseC)
}
