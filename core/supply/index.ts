export {
  cultureStage,
  failureChance,
  flushesOf,
  growing,
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
  addSpares,
  firstCoveredDay,
  leastStarts,
  planStarts,
  runStock,
  yieldOf,
  type Plan,
  type PlanInput,
  type PlannedStart,
  type SolveLimits,
  type SolveLp,
} from './plan'
export { simulateRunOut, type RunOutInput } from './runOut'
export { nextCultureTags } from './tags'
export { boxesFor, homeOf, leavesOn, minutesOf, roomOf, standing } from './room'
export {
  colonyAhead,
  colonyToday,
  type ColonyWarmth,
  countsOf,
  dayMatrix,
  longRun,
  stageSpans,
  sustainableTake,
  type BandAt,
  type Colony,
  type ColonyAhead,
} from './colony'
export { chainOf, foundersFrom, type Chain, type Founding } from './chain'
export { causeNamed, causesOf, type Cause, type CausesFound } from './causes'
export { arrival, orderDue } from './orders'
export { simulatedAnswer, type SimulatedAnswer } from './simulated'
export {
  carriable,
  aliveBetween,
  keptBetween,
  keptPerDay,
  lifeOf,
  coolestOf,
  paceAt,
  standingLots,
  useByDays,
  type Lasts,
  type Life,
  type StandingLot,
} from './lots'
export { apartWay, groupsOf, groupsOfStart, type Cultured } from './apart'
export {
  cultureWay,
  cultureWayHere,
  fedFirst,
  packWay,
  wayPath,
  withWay,
  type CultureSupply,
  type PackSupply,
} from './ways'
export {
  Fates,
  JointError,
  findSpares,
  withMore,
  beyondOn,
  fits,
  fitted,
  playThrough,
  DAY_BY_DAY,
  GAP,
  solveJoint,
  type Binding,
  type Coming,
  type Counted,
  type Eaters,
  type Hungry,
  type JointFeeder,
  type JointInput,
  type Limit,
  type Played,
  type PlayedEaters,
  type PlayedFeeder,
  type JointPlan,
  type SpareFeeder,
  type Spares,
  type Alternative,
  type Taken,
  type Taking,
} from './joint'
