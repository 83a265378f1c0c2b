export { Fates, type Coming } from './fates'
export { beyondOn, fits, fitted, type Counted, type Limit, type Taken } from './limits'
export { DAY_BY_DAY, periodsOf } from './periods'
export { playThrough, type Hungry, type Played, type PlayedEaters, type PlayedFeeder, type PlayInput } from './play'
export {
  JointError,
  GAP,
  solveJoint,
  type Binding,
  type Eaters,
  type JointFeeder,
  type JointInput,
  type JointPlan,
  type Alternative,
  type Taking,
} from './programme'
export { findSpares, withMore, type SpareFeeder, type SpareInput, type Spares } from './spares'
