export { addMeanNeed, addScenarioNeed, drawSource, expectedCount, groupProfile, presence, type Draws, type FoodRow, type MouthSource, type YoungCount } from './mouths'
