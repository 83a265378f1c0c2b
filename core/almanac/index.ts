// apart from the schema: what only names jobs shall not bring the schema along
export { ROUND_JOBS, type RoundJob } from './roundJobs'
export { FITTINGS, SUBSTRATES, type Fitting, type Substrate } from './fittings'
export {
  Almanac,
  BREEDING_EVENTS,
  CLIMATE_ZONES,
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
  type ColonyRates,
  type Box,
  type Recipe,
  type Grows,
  type Upkeep,
  type BatchSigns,
  type StandIn,
  type Band,
  type Climate,
  type Company,
  type Home,
  type Rounds,
  type Cold,
  type EggPhase,
  type Incubation,
  type Mating,
  type Sexing,
  type SignRow,
  type Supplements,
  type Weaning,
} from './schema'
export { shipped, shippedAlmanac } from './data'
export { AlmanacError, withNumbers, withoutPrototypes, type Override } from './ownNumbers'
export type { BoughtOffer } from './offers'
export { withCheckedOwn, withOverrides } from './overrides'
export {
  FEEDER_PARTS,
  SPECIES_PARTS,
  borrowed,
  standingOn,
  withOwn,
  type FeederPart,
  type MadeAlmanac,
  type OwnFeeder,
  type OwnKnowledge,
  type OwnSpecies,
  type PartsOf,
  type RefusedRow,
  type Shipped,
  type SpeciesPart,
} from './ownRows'
export { nearestSpecies, type ShortForm } from './nearest'
export { ownWhereChanged, partFields, type PartField } from './partFields'
export { partWords } from './partWords'
export { readableSheet, tellLeast } from './readable'
export { feederProblem, speciesProblem, type RowProblem } from './rowProblem'
export {
  MOST_SHEET_BYTES,
  SHEET_VERSION,
  Sheet,
  planSheet,
  readSheet,
  sheetOf,
  type SheetChange,
  type SheetPlan,
} from './sheet'
export { standingIn } from './standingIn'
export { clockOf, feederOf, isOfSpecies, rootOf, schoolChoice, schoolKey, speciesOf } from './lookup'
export { feederNamed } from './feederNamed'
export { unitName } from './unitName'
export { isLiveRow, liveRowId, liveRowOf } from './livePrey'
