export {
  APPETITE,
  HouseSettings,
  WARM_UP_WITHIN_DAYS,
  WASTE_AT_MOST,
  defaultSettings,
  offeredTimes,
  warmUpDayOf,
} from './settings'
