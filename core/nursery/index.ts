export { addMeanNeed, addScenarioNeed, drawSource, expectedCount, groupProfile, presence, type Draws, type MouthSource, type YoungCount } from './mouths'
