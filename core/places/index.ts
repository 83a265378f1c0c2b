export { compareRoutes, routeTo, temperatureAt, type Route } from './route'
