export {
  Almanac,
  BREEDING_EVENTS,
  BreedingEvent,
  Clock,
  Fact,
  Feeder,
  LadderStep,
  Mark,
  Measure,
  SEX_SIGNS,
  School,
  SexSign,
  Species,
  Spread,
  Supply,
  type Cold,
  type Incubation,
  type Mating,
  type Sexing,
  type SignRow,
} from './schema'
export { shippedAlmanac } from './data'
export { AlmanacError, withNumbers, type Override } from './ownNumbers'
export { withOverrides } from './overrides'
export { clockOf, feederOf, schoolChoice, schoolKey, speciesOf } from './lookup'
export { feederNamed } from './feederNamed'
