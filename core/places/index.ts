export { compareRoutes, routeTo, temperatureAt, waysUp, type Route } from './route'
