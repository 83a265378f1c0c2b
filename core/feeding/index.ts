export {
  feedingPause,
  firstMealAge,
  ladderStepAt,
  nextMeal,
  rodentFor,
  type FeedingSettings,
  type Gravid,
  type MealWinter,
  type NextMeal,
  type Portion,
} from './meal'
export { mouthProfile, type MouthProfile } from './profile'
