export {
  ALLELE_MODES,
  Allele,
  GeneticsError,
  LINKAGES,
  LocusData,
  alleleOf,
  fitsSex,
  genotypesOf,
  harmOf,
  lookOf,
  signOf,
  tellGenotype,
  transmission,
  type Genotype,
  type KnownSex,
  knownLocus,
  type KnownLocus,
  type Locus,
} from './locus'
export {
  carries,
  genotypeIndex,
  lookLikelihood,
  looksOf,
  normalised,
  statedBelief,
  unknownBelief,
  unstatedPercent,
  type Belief,
} from './belief'
export { familyBelief, type CountedYoung, type Family, type FamilyBelief, type GeneFacts } from './family'
export { cross, youngBelief, type Cross, type CrossLocus, type CrossRow, type LookRow } from './cross'
export {
  atLeast,
  binomial,
  clutchChances,
  eggChance,
  type ClutchChances,
  type EggChance,
  type YoungWish,
} from './clutch'
export { carriesAfter, youngToProve, type Proof } from './proving'
export { routesTo, type Route, type RouteStep, type Stock } from './route'
