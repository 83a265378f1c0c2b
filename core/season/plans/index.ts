export type { FeederPlan, FeederWeights, Gap, Held, Order, PlanJob, PlanTrial, Replacing } from './contracts'
export { planJobs, planKey, preyGroups, standInsFor } from './groups'
export { roomTaken, shelvesOf } from './limits'
export { PlanMemory } from './memory'
export { inOrder, planFeeders } from './planFeeders'
export { planDifferences, type PlanDifference } from './differences'
export { planGroup } from './planGroup'
export {
  heldName,
  tellHeld,
  tellOrder,
  tellHungry,
  tellInPlace,
  tellStandIns,
  tellStart,
  tellStartShort,
  tellUnits,
} from './words'
