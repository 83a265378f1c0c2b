import { CHANNELS, implausible, type Channel } from './channels'

/** How an instrument is held against a reference. */
export const CALIBRATIONS = {
  ice: {
    channel: 'temperature',
    label: 'Ice water',
    how: 'Crushed ice with just enough water, stirred, ten minutes: 0.0 °C',
  },
  salt: {
    channel: 'humidity',
    label: 'Salt test',
    how: 'Closed box with a wet heap of table salt, eight hours at an even warmth: about 75 %',
  },
  second: {
    channel: null,
    label: 'A second instrument',
    how: 'Both at one spot for an hour; the better one is the reference',
  },
} as const
export type CalibrationMethod = keyof typeof CALIBRATIONS
export const CALIBRATION_METHODS = Object.keys(CALIBRATIONS) as [CalibrationMethod, ...CalibrationMethod[]]

/** From an instant on, what a channel of a device reads is that much higher in truth. */
export interface Correction {
  /** Milliseconds since 1970. */
  at: number
  offset: number
}

/** The number of the almanac by which an instrument may be off, to be corrected and not replaced. */
export const MOST_OFF = {
  temperature: 'probeOff',
  humidity: 'hygrometerOff',
  uvIndex: 'uvMeterOff',
} as const satisfies Record<Channel, string>

/**
 * Relative humidity over saturated table salt, %, by temperature.
 * Source: Greenspan 1977, J. Res. Natl. Bur. Stand. 81A:89–96.
 */
const OVER_SALT: readonly [tempC: number, humidityPct: number][] = [
  [10, 75.67],
  [15, 75.61],
  [20, 75.47],
  [25, 75.29],
  [30, 75.09],
]

/**
 * What a hygrometer should read over saturated table salt.
 * @param tempC of the box, 10 to 30 °C; outside the nearest end holds
 */
export function saltHumidityPct(tempC: number): number {
  const [first, last] = [OVER_SALT[0]!, OVER_SALT.at(-1)!]
  if (tempC <= first[0]) return first[1]
  if (tempC >= last[0]) return last[1]
  const i = OVER_SALT.findIndex(([t]) => t > tempC)
  const [[t0, h0], [t1, h1]] = [OVER_SALT[i - 1]!, OVER_SALT[i]!]
  return h0 + ((h1 - h0) * (tempC - t0)) / (t1 - t0)
}

/**
 * Why readings cannot be corrected by this, or null.
 * @param mostOff an instrument that is off by more is replaced, in the unit of the channel
 */
export function calibrationProblem(channel: Channel, shown: number, reference: number, mostOff: number): string | null {
  const wrong = implausible(channel, shown) ?? implausible(channel, reference)
  if (wrong) return wrong
  const off = Math.abs(reference - shown)
  const { label, unit } = CHANNELS[channel]
  return off > mostOff
    ? `${label} is off by ${off.toFixed(1)}${unit && ` ${unit}`}: such an instrument is replaced, not corrected`
    : null
}

/** The offset in force at an instant: that of the last calibration before it; 0 before the first. */
export function offsetAt(corrections: readonly Correction[], at: number): number {
  let offset = 0
  let since = -Infinity
  for (const c of corrections) if (c.at <= at && c.at >= since) ({ offset, at: since } = c)
  return offset
}

/** A value as it is in truth, inside what the channel can be. */
export const corrected = (channel: Channel, value: number, offset: number): number =>
  offset ? Math.min(CHANNELS[channel].highest, Math.max(CHANNELS[channel].lowest, value + offset)) : value
