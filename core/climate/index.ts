export { conflicts, limitsOf, roomCeiling, strictest, zoneBand, type HeldBy, type PlaceBand } from './bands'
export { climateAt, coldPlaceOf, eggLogAt, nearestLog, type NearestLog } from './nearest'
export { insideOf, residentsOf, type Resident } from './residents'
export {
  dailyOf,
  endOf,
  hourOf,
  silentFor,
  watchSpan,
  type ClimateDay,
  type Limits,
  type Run,
  type SpanWatch,
} from './span'
export { seriesTroubles, type SeriesFault, type SeriesTrouble } from './trouble'
export {
  DAY_READ,
  degreesAbove,
  eachHour,
  latelyOf,
  spellsApart,
  goingOn,
  warmthAlong,
  warmthByWeek,
  type Development,
  type Spell,
  type StoodAt,
  type Stretch,
  type Warmth,
} from './warmth'
