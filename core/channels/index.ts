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
export {
  CALIBRATIONS,
  CALIBRATION_METHODS,
  MOST_OFF,
  calibrationProblem,
  corrected,
  offsetAt,
  saltHumidityPct,
  type CalibrationMethod,
  type Correction,
} from './calibration'
export { guessColumns, readLoggerFile, type LoggerColumns, type LoggerFile, type LoggerReading } from './loggerFile'
export { formatDifference, formatReading, formatTempRange } from './format'
