export { Fates, type Coming } from './fates'
export { beyondOn, fits, fitted, type Counted, type Limit, type Taken } from './limits'
export { DAY_BY_DAY, periodsOf } from './periods'
export {
  playThrough,
  type Hungry,
  type Lack,
  type Played,
  type PlayedEaters,
  type PlayedFeeder,
  type PlayInput,
} from './play'
export { type Alternative, type Eaters, type JointFeeder, type JointInput } from './programme'
export { GAP, JointError, solveJoint, type Binding, type JointPlan, type Taking } from './solve'
export { sparesFinder, type SampleInput } from './sampleAverage'
export { findSpares, withMore, type SpareFeeder, type SpareInput, type Spares } from './spares'
