import { formatQuantity, type TempUnit } from '../units'
import { CHANNELS, type Channel } from './channels'

/** A reading as it is shown: `31.4 °C` (or in °F), `72 %`, `UV index 3.1`. */
export function formatReading(channel: Channel, value: number, tempUnit: TempUnit): string {
  if (channel === 'temperature') return formatQuantity(Number(value.toFixed(1)), tempUnit)
  return channel === 'humidity' ? `${Math.round(value)} %` : `${CHANNELS.uvIndex.label} ${value.toFixed(1)}`
}

/** A range of temperatures with its unit once: `15–21 °C`. */
export const formatTempRange = (lowC: number, highC: number, tempUnit: TempUnit): string =>
  `${formatReading('temperature', lowC, tempUnit).replace(` ${tempUnit}`, '')}–${formatReading('temperature', highC, tempUnit)}`

/** How far two readings lie apart: a difference of 10 °C is one of 18 °F. */
export function formatDifference(channel: Channel, value: number, tempUnit: TempUnit): string {
  if (channel === 'temperature') return `${(tempUnit === '°F' ? value * 1.8 : value).toFixed(1)} ${tempUnit}`
  return channel === 'humidity' ? `${Math.round(value)} %` : value.toFixed(1)
}
