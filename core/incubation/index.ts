export { daysAt, fitThermalTime, incubationTime, type IncubationForecast, type ThermalTime } from './incubation'
