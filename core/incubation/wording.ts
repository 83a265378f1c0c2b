import type { Incubation } from '../almanac'
import { formatDifference, formatReading, formatTempRange } from '../channels'
import { almanacRow, computedTemp, factInput, type Input, type Reason } from '../judgement'
import { counted, type TempUnit } from '../units'
import type { BesideTable } from './besideTable'
import type { ThermalTime } from './thermal'

const shown = (tempC: number, tempUnit: TempUnit) => formatReading('temperature', tempC, tempUnit)

/** Whose table it is: a borrowed one is not the species' own. */
function whoseTable({ points }: Incubation): string {
  const of = points.every(p => p.mark === 'borrowed') ? points[0]!.from : undefined
  return of ? `the table of ${of}, borrowed: this species’ own is not known` : 'the species’ table'
}

/** What is said beside a date that rests on a temperature for which the table does not speak. */
export function tellCaution({ code, tempC, killsAboveC, lowC, highC }: BesideTable, tempUnit: TempUnit): string {
  return code === 'kills'
    ? `${shown(tempC, tempUnit)} is above ${shown(killsAboveC, tempUnit)}, where eggs die. Cool the incubator and check it with a second thermometer.`
    : `${shown(tempC, tempUnit)} lies outside the table (${formatTempRange(lowC, highC, tempUnit)}): the date is an extrapolation.`
}

/** What the days of incubation follow from. */
export interface TimeFound {
  speciesId: string
  incubation: Incubation
  thermal: ThermalTime
  /** Of the incubator, °C. */
  tempC: number
  /** Days by which one degree Celsius more brings it forward. */
  sooner: number
  /** What else it rests on. */
  further: readonly Input[]
}

/** How the days of incubation were found. */
export function tellTime(found: TimeFound, tempUnit: TempUnit): Reason {
  const { speciesId, incubation, thermal, tempC, sooner, further } = found
  const path = `species.${speciesId}.incubation`
  const warmer = tempUnit === '°C' ? 'One degree' : formatDifference('temperature', 1, tempUnit)
  return {
    rule: `Thermal time fitted to ${whoseTable(incubation)}: base ${shown(thermal.baseC, tempUnit)}, ${Math.round(thermal.degreeDays)} degree-days Celsius`,
    inputs: [
      computedTemp('Incubation temperature', tempC),
      ...incubation.points.map((p, i) => ({
        label: `At ${shown(p.tempC, tempUnit)}`,
        value: counted(p.days, 'day'),
        from: almanacRow(`${path}.points.${i}.days`, p),
      })),
      ...further,
      factInput('Spread either side', `${path}.spreadShare.value`, incubation.spreadShare),
    ],
    change: `${warmer} warmer brings it forward by about ${counted(Math.max(0, Math.round(sooner)), 'day')}`,
  }
}
