import type { Incubation } from '../almanac'
import { pert, type DayDist } from '../chance'
import { almanacRow, computedInput, factInput, type Reason } from '../judgement'

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

/** Whose table it is: a borrowed one is not the species' own. */
function whoseTable({ points }: Incubation): string {
  const of = points.every(p => p.mark === 'borrowed') ? points[0]!.from : undefined
  return of ? `the table of ${of}, borrowed: this species’ own is not known` : 'the species’ table'
}

export interface IncubationForecast {
  dist: DayDist
  likelyDays: number
  reason: Reason
  /** Set when the temperature lies outside the table or above what kills. */
  caution: string | null
}

/**
 * The days from laying to hatching at a temperature.
 * @param tempC constant incubation temperature, °C
 * @param pace times the days of the table that eggs take here, and what that follows from
 */
export function incubationTime(
  speciesId: string,
  incubation: Incubation,
  tempC: number,
  pace: { times: number; inputs: Reason['inputs'] } = { times: 1, inputs: [] },
): IncubationForecast {
  const thermal = fitThermalTime(incubation.points)
  const temps = incubation.points.map(p => p.tempC)
  const low = Math.min(...temps)
  const high = Math.max(...temps)
  // below the table the line is the best guess, but never slower than at 3 °C under it: eggs there mostly die
  const likelyDays = pace.times * daysAt(thermal, Math.max(tempC, low - 3, thermal.baseC + 1))
  const sooner = likelyDays - pace.times * daysAt(thermal, tempC + 1)
  const share = incubation.spreadShare.value
  const dist = pert({
    earliest: Math.round(likelyDays * (1 - share)),
    likely: Math.round(likelyDays),
    latest: Math.round(likelyDays * (1 + share)),
  })
  const path = `species.${speciesId}.incubation`
  const caution =
    tempC > incubation.lethalAboveC.value
      ? `${tempC} °C is above ${incubation.lethalAboveC.value} °C, where eggs die. Cool the incubator and check it with a second thermometer.`
      : tempC < low - 1 || tempC > high + 1
        ? `${tempC} °C lies outside the table (${low}–${high} °C): the date is an extrapolation.`
        : null
  return {
    dist,
    likelyDays,
    caution,
    reason: {
      rule: `Thermal time fitted to ${whoseTable(incubation)}: base ${thermal.baseC.toFixed(1)} °C, ${Math.round(thermal.degreeDays)} degree-days`,
      inputs: [
        computedInput('Incubation temperature', `${tempC} °C`),
        ...incubation.points.map((p, i) => ({
          label: `At ${p.tempC} °C`,
          value: `${p.days} days`,
          from: almanacRow(`${path}.points.${i}.days`, p),
        })),
        ...pace.inputs,
        factInput('Spread either side', `${path}.spreadShare.value`, incubation.spreadShare),
      ],
      change: `One degree warmer brings it forward by about ${Math.max(0, Math.round(sooner))} days`,
    },
  }
}
