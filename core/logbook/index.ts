export {
  ENTRY_SOURCES,
  Entry,
  LogbookError,
  SUBJECT_TYPES,
  Subject,
  type DatedEntry,
  type Problem,
  type SubjectType,
} from './entry'
export { ORIGINS, PLACE_KINDS, SEX_PROOFS } from './states'
export type {
  AnimalCard,
  AnimalState,
  ClutchState,
  CultureState,
  GeneStatement,
  HourlyLog,
  House,
  LampState,
  LocusState,
  Meal,
  Observed,
  Origin,
  PairingState,
  Place,
  PossibleSire,
  Sex,
  SexEvidence,
  SexProof,
  StockState,
  Weighing,
  Winter,
  WinterGroup,
  WinterWays,
} from './states'
export { entryKinds, kindOf, tellEntry } from './registry'
export { findEntry, inOrder, recordsFrom, subjectKey, withEntries, withEntry, type Records } from './records'
export { foldHouse } from './fold'
export { checkEntry, openPairingOf, completeEntry } from './checkEntry'
export { eggsLeft, tadpolesLeft, youngInGroup } from './kinds/clutch'
export { checkParents } from './kinds/lineage'
export { SIGNS, SIGN_WORDS, winterGroupOf, type Sign } from './kinds/winter'
export { questionWeight } from './plausibleWeight'
export { feederNamed, readLogLine, type Understood } from './logLine'
