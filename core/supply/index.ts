export {
  cultureStage,
  failureChance,
  growing,
  keptPerDay,
  plannedSupply,
  producingFrom,
  remainingYield,
  timeToProducing,
  yieldCurve,
  yieldSinceStart,
  type CultureStage,
  type GrowingCulture,
  type PlannedSupply,
} from './yields'
export {
  PlanError,
  firstCoveredDay,
  planStarts,
  runStock,
  type Plan,
  type PlanInput,
  type PlannedStart,
  type SolveLp,
} from './plan'
export { simulateRunOut, type RunOut, type RunOutInput } from './runOut'
export { nextCultureTags } from './tags'
export { usableStock } from './stock'
export { cultureWay, packWay, wayPath, withWay, type CultureSupply, type PackSupply } from './ways'
