export { calendarFor } from './calendar'
export { isLightAt, lightHoursOf } from './light'
export { placesOutlook } from './outlook'
