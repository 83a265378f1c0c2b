export { houseOf, season, seasonOfHouse, seasonSteps, type SeasonWithScenarios } from './season'
export { harmFirst } from './alarms'
export { failureAlarms } from './failureAlarms'
export { guarded, type Failure } from './guard'
export { SeasonMemory } from './remember'
export { HouseSettings, WARM_UP_WITHIN_DAYS, defaultSettings } from '../settings'
export { FIRST_DAYS, unexpectedFood, type FirstFood, type UnexpectedFood } from './unexpected'
export { colonyView, type ColonyView } from './colony'
export { appetiteLesson, wasteLesson, type AppetiteLesson, type WasteLesson } from './appetiteLearning'
export { cultureLessons } from './cultureLearning'
export type { Lesson } from './cultureLearningFindings'
export { groupWords } from './cultureLearningWording'
export { bySupplier, orderRows, orderSheet, tellOrderLine, type OrderLine, type SupplierOrder } from './orderSheet'
export { clutchLabels, cultureLabels, type Label } from './labels'
export { cultureDay, foundersOn, mixOf, type CultureDay, type MixLine, type StartLine } from './cultureDay'
export {
  PlanMemory,
  planDifferences,
  planFeeders,
  plansOfHouse,
  freezerTaken,
  frozenWay,
  roomTaken,
  shelvesOf,
  heldName,
  tellHeld,
  planGroup,
  planJobs,
  planKey,
  preyGroups,
  standInsFor,
  tellOrder,
  tellHungry,
  tellInPlace,
  tellStart,
  tellStartShort,
  tellUnits,
  type FeederPlan,
  type FeederWeights,
  type Gap,
  type Held,
  type Order,
  type PlanDifference,
  type PlanJob,
  type PlanTrial,
  type Replacing,
} from './plans'
export { WhatIf, applyWhatIf, newPairs, openPairs, type NewPairs } from './whatIf'
export { HORIZON_DAYS, SCENARIOS } from './need'
export { cultureTempC, eggTempC, placeTempC, warmthOfHouse } from './warmth'
export { freeHomes, isLightAt, lightHoursOf, tellHour, uvBandAt } from './places'
export { laneActions } from './laneActions'
export { notKnownOf } from './notKnown'
export { growthOf, paceOf, type Growth, type GrowthState } from './growth'
export { nextOfferOf, offerOf, powderOf, refusalOf } from './eating'
export { YOUNG_STANDINGS, littersOf, type Litter, type YoungOne, type YoungStanding } from './litters'
export { handOverSheet, handOverText, type HandOver } from './handOver'
export { lotsAhead, surplusOf, type LotAhead, type Surplus } from './lots'
export { manyOf, materialsAhead, tellAmount, type MaterialAhead } from './materials'
export { upkeepDue, type UpkeepDue } from './upkeep'
export { NO_CAUSE, troubleOf, type TroubleView } from './troubles'
export { madeReadyFor, type MadeReady } from './thaw'
export { laneNeed } from './laneNeed'
export { nextEventDay } from './lanes'
export { materialTasks, startTasks, tellPortion, tellShort } from './tasks'
export type {
  Alarm,
  BreedingOutlook,
  ColdAnimal,
  ColdPlaceView,
  DueWithHer,
  HomeView,
  HomesOutlook,
  Lane,
  PlaceTrouble,
  PlaceView,
  PreyOutlook,
  RecoveringAnimal,
  Scenarios,
  YoungHomes,
  Season,
  SeriesView,
  ShownLimits,
  Stage,
  Task,
  TaskAction,
  WinterGroupView,
  WinterOutlook,
} from './contracts'
export {
  ROTA_DAYS,
  benchCell,
  benchOf,
  chanceOfSex,
  clutchesOf,
  geneOf,
  inbreedingOf,
  kinOf,
  kinshipWith,
  lineOf,
  loadOf,
  lociOf,
  type HouseLocus,
  roomForYoung,
  rotaOf,
  sexOf,
  wishChance,
  wishProblem,
  type AnimalGene,
  type Bench,
  type BenchSide,
  type BenchWish,
  type HouseKin,
  type RoomForYoung,
} from './breeding'
export { coldOf, coolingWindow, gravidIn, mealWinterOf, programmeFor, readinessOf, type CoolingWindow } from './winter'
export type { SeasonContext } from './context'
export { seasonDifferences, type SeasonDifferences } from './differences'
export { lifeYear, type LifeEvent } from './lifeYear'
export { isAhead } from './lanes'
export { lampStanding, type LampStanding } from './lampStanding'
export { lossesOf } from './survival'
export type { Losses } from './survivalFindings'
export { lossesReasons, tellLosses } from './survivalWording'
export { mealNow, type MealContext } from './mealNow'
export { HELPER_LOOKS, helperCard, type HelperCard, type HelperLine } from './helperCard'
export { ofItsAge, usualMass, type OfItsAge } from './ofItsAge'
