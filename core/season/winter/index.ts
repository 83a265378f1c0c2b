export {
  coldOf,
  eatsAgainOn,
  mealWinterOf,
  programmeFor,
  readinessOf,
  wakingOf,
  warmUpOf,
  winterDeps,
  type ColdJudgement,
} from './animalWinter'
export { coolingWindow, type CoolingWindow } from './coolingWindow'
export { birthsExpected, gravidIn, winterOutlook } from './outlook'
