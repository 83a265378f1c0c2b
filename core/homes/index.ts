export { daysToGrow, massAfter, paceOf, type Pace, type WeightOn } from './growth'
export { massAtAge, paceScore, spreadOf, type MassAtAge } from './ofItsAge'
export { floorOf, homeNeed, isEnough, type HomeNeed, type Lives } from './need'
export { outgrows, type Grower, type Outgrown } from './outgrown'
export { holderOf, readHomeSize, sizeOf, tellHomeSize, tellNeed } from './size'
export {
  FITTING_WORDS,
  SUBSTRATE_WORDS,
  fittedAs,
  homeFaults,
  tellHomeFault,
  type Fitted,
  type HomeFault,
} from './fittings'
