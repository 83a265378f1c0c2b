export { leftCrowded, tadpoleGrowth, type TadpoleGrowth } from './tadpoles'
export {
  MeanNeed,
  addScenarioNeed,
  drawSource,
  expectedCount,
  groupProfile,
  presence,
  presenceOfCounted,
  type Draws,
  type FoodByAge,
  type FoodRow,
  type MouthSource,
  type YoungCount,
} from './mouths'
