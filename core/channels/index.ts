export {
  CHANNELS,
  CHANNEL_IDS,
  ZONES,
  ZONE_IDS,
  implausible,
  partsOfSeries,
  seriesOf,
  type Channel,
  type HourlyLog,
  type PlaceLogs,
  type Series,
  type Zone,
} from './channels'
export { formatDifference, formatReading } from './format'
