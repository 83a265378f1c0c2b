export { feedingPause, isFedByWeight, nextMeal, rodentFor, type MealWinter } from './meal'
export type { FeedingPause, FeedingSettings, Gravid, NextMeal, Portion } from './mealFindings'
export { firstMealAge, ladderAge, ladderStepAt, proposedStep, stepHeld, stepOf } from './ladder'
export type { NextStep } from './ladderWording'
export { mouthProfile, type MouthProfile } from './profile'
export { fallsFasting, helpedSince, refusalCourse } from './refusal'
export { REFUSAL_LEVELS, type RefusalCourse, type RefusalLevel, type TryDone } from './refusalFindings'
export { leastOwn } from './leastOwn'
export { menuBalance, type MenuBalance } from './menu'
export { powderFor } from './powder'
export { triesOf, type Try } from './tries'
export { kindsInTurn, mostOfKind, preyInTurn, whoseTurn } from './turns'
export {
  fitSwitch,
  learnCurve,
  liveShares,
  notSwitched,
  switchOutlook,
  takesWithin,
  type LearntCurve,
  type SwitchCurve,
  type SwitchOutlook,
  type Tried,
} from './switchCurve'
export { isYoung, liveAhead, nextOffer, weaningRecord, type NextOffer } from './weaning'
export { WEANING_STAGES, type WeaningRecord, type WeaningStage } from './weaningFindings'
