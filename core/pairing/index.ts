export { EVENT_NAMES, chainOf, forecastChain, type ChainInput, type ComputedClock, type EventForecast } from './chain'
export { laterLayings, observedInCycle, type NextLaying } from './cycles'
