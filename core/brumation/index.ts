export { dayLengthHours, dayOfYear } from './dayLength'
export { fatPerHour, metabolicLoss, oxygenPerHour, type MetabolicLoss } from './metabolism'
export { crossing, lossTrend, median, theilSen } from './trend'
export { bandOf, coldLine, expectedLoss, startingWeight, usualPerDay, type ColdLine, type LossPoint } from './coldLine'
export { COLD_ACTIONS, severityOf, type ColdAction } from './coldFindings'
export { judgeCold, type ColdVerdict } from './judgeCold'
export { COLD_ACTION_WORDS } from './coldWording'
export { bandOfCold, limitsOfBand, sharedBand, troubleOf, type Band, type ColdTrouble } from './coldBand'
export { bodyCondition, shellMassG, type Condition } from './condition'
export { judgeEligibility, type Eligibility, type Fitness } from './eligibility'
export { assignPlaces, shareChecks, type Check, type Placing } from './company'
export { judgeReadiness, recoveryOf, type Readiness, type Recovery, type Warmth } from './readiness'
export { winterReport, type SpeciesWinter, type WinterRecord } from './report'
export {
  mealAfterWarm,
  warmingDays,
  warmingSteps,
  hasWinter,
  lightHoursAt,
  programmeOf,
  programmeOfAnimal,
  setpointAt,
  setpoints,
  waysOf,
  wokenOn,
  type Programme,
  type Setpoint,
  type WarmUp,
  type WinterContext,
} from './programme'
export { tellWarmUp } from './warmUpWording'
