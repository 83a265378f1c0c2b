export { reordered } from './order'
export { compareRoutes, routeTo, temperatureAt, type Route } from './route'
export { isQuarantine, waysUp } from '../subjects'
