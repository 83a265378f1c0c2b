export { careOutlook } from './care'
export { calendarFor } from './calendar'
export { isLightAt, lightHoursOf } from './light'
export { placesOutlook } from './outlook'
