export { APPETITE, HouseSettings, WARM_UP_WITHIN_DAYS, defaultSettings, warmUpDayOf } from './settings'
