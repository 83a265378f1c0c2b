export { ChanceError } from './chanceError'
export { drawn } from './drawn'
export { certain, fromWeights, neverHappens, withNever, type Day, type DayDist } from './dayDist'
export { pert, triangular, type ThreePoint } from './shapes'
export { convolve, fromCumulative, lastOf, mixture, shift, type Course } from './combine'
export { conditionBetween, conditionFrom, conditionUnwritten, weighedBy, withLateTail } from './condition'
export {
  cumulative,
  cumulativeOf,
  massOn,
  mean,
  quantile,
  quantilesOf,
  sample,
  samplesOf,
  summarise,
  variance,
  type DaySummary,
} from './summary'
export { normalCdf } from './normalCdf'
export { Z80, normal, normalQuantile, seededRandom, seedFrom, stratified, type Random } from './random'
