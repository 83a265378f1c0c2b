export {
  Almanac, BREEDING_EVENTS, BreedingEvent, Clock, Fact, Feeder, LadderStep, Mark, School, Species, Spread, Supply, type Cold, type Incubation,
} from './schema'
export { shippedAlmanac } from './data'
export { AlmanacError, withOverrides, type Override } from './overrides'
export { clockOf, feederOf, schoolChoice, schoolKey, speciesOf } from './lookup'
