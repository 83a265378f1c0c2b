export {
  Almanac, BREEDING_EVENTS, BreedingEvent, Clock, Fact, Feeder, Incubation, LadderStep, Mark, School, Species, Spread, Supply,
} from './schema'
export { shippedAlmanac } from './data'
export { AlmanacError, withOverrides, type Override } from './overrides'
export { clockOf, feederOf, schoolChoice, speciesOf } from './lookup'
