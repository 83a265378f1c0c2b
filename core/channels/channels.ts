/** What can be read of a place, with the letter that stands for it in a row. A new channel is one more row. */
export const CHANNELS = {
  temperature: { code: 't', label: 'Temperature', unit: '°C', field: 'tempC', lowest: -40, highest: 80 },
  humidity: { code: 'h', label: 'Humidity', unit: '%', field: 'humidityPct', lowest: 0, highest: 100 },
  uvIndex: { code: 'u', label: 'UV index', unit: '', field: 'uvIndex', lowest: 0, highest: 20 },
} as const
export type Channel = keyof typeof CHANNELS
export const CHANNEL_IDS = Object.keys(CHANNELS) as [Channel, ...Channel[]]

/** Where in a place it is read. */
export const ZONES = {
  air: 'air',
  warm: 'warm end',
  cool: 'cool end',
  spot: 'basking spot',
  nest: 'nest',
  water: 'water',
  box: 'egg box',
} as const
export type Zone = keyof typeof ZONES
export const ZONE_IDS = Object.keys(ZONES) as [Zone, ...Zone[]]

/** One row of readings of a place. */
export type Series = `${Channel}:${Zone}`
export const seriesOf = (channel: Channel, zone: Zone): Series => `${channel}:${zone}`
export const partsOfSeries = (series: Series): { channel: Channel; zone: Zone } => {
  const [channel, zone] = series.split(':') as [Channel, Zone]
  return { channel, zone }
}

/**
 * Why a value cannot have been read, or null. A temperature over 80 °C is mostly one in °F.
 * @param value in the unit of the channel
 */
export function implausible(channel: Channel, value: number): string | null {
  const { label, unit, lowest, highest } = CHANNELS[channel]
  if (!Number.isFinite(value)) return `The ${label.toLowerCase()} is not a number`
  return value < lowest || value > highest
    ? `${label} ${value}${unit && ` ${unit}`} is not believable (${lowest} to ${highest}): a broken sensor, or another unit`
    : null
}

/** Hourly values of one series: one an hour from `from` (hours since 1970, UTC); NaN where nothing was read. */
export interface HourlyLog {
  from: number
  min: ArrayLike<number>
  mean: ArrayLike<number>
  max: ArrayLike<number>
  /** Hourly means of each device, by its id, where several read the same series; from the same hour on. */
  apart?: Readonly<Record<string, ArrayLike<number>>>
}

/** All that is read of one place. */
export type PlaceLogs = Readonly<Partial<Record<Series, HourlyLog>>>
