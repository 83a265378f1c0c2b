export {
  feedingPause,
  isFedByWeight,
  nextMeal,
  rodentFor,
  type FeedingSettings,
  type Gravid,
  type MealWinter,
  type NextMeal,
  type Portion,
} from './meal'
export { firstMealAge, ladderAge, ladderStepAt, proposedStep, stepHeld, stepOf, type NextStep } from './ladder'
export { mouthProfile, type MouthProfile } from './profile'
export {
  REFUSAL_LEVELS,
  fallsFasting,
  helpedSince,
  refusalCourse,
  type RefusalCourse,
  type RefusalLevel,
  type TryDone,
} from './refusal'
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
export {
  WEANING_STAGES,
  isYoung,
  liveAhead,
  nextOffer,
  weaningRecord,
  type NextOffer,
  type WeaningRecord,
  type WeaningStage,
} from './weaning'
