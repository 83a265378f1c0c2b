import type { Almanac, Incubation } from '../almanac'
import { pert, type DayDist } from '../chance'
import { factInput, type Reason } from '../judgement'
import type { TempUnit } from '../units'
import { besideTable } from './besideTable'
import { daysAt, fitThermalTime } from './thermal'
import { tellCaution, tellTime } from './wording'

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
 * @param asked `pace`: times the days of the table that eggs take here, and what that follows from; `tempUnit`: in which
 * it is told
 */
export function incubationTime(
  speciesId: string,
  incubation: Incubation,
  tempC: number,
  almanac: Pick<Almanac, 'common'>,
  asked: { pace?: { times: number; inputs: Reason['inputs'] }; tempUnit?: TempUnit } = {},
): IncubationForecast {
  const { pace = { times: 1, inputs: [] }, tempUnit = '°C' } = asked
  const thermal = fitThermalTime(incubation.points)
  const low = Math.min(...incubation.points.map(p => p.tempC))
  const { eggsSlowest } = almanac.common
  // below the table the line is the best guess, down to where eggs mostly die
  const likelyDays = pace.times * daysAt(thermal, Math.max(tempC, low - eggsSlowest!.value, thermal.baseC + 1))
  const sooner = likelyDays - pace.times * daysAt(thermal, tempC + 1)
  const share = incubation.spreadShare.value
  const dist = pert({
    earliest: Math.round(likelyDays * (1 - share)),
    likely: Math.round(likelyDays),
    latest: Math.round(likelyDays * (1 + share)),
  })
  const beside = besideTable(incubation, tempC, almanac)
  return {
    dist,
    likelyDays,
    caution: beside && tellCaution(beside, tempUnit),
    reason: tellTime(
      {
        speciesId,
        incubation,
        thermal,
        tempC,
        sooner,
        further:
          tempC < low
            ? [
                ...pace.inputs,
                factInput('Counted no slower than so far under it', 'common.eggsSlowest.value', eggsSlowest!),
              ]
            : pace.inputs,
      },
      tempUnit,
    ),
  }
}
