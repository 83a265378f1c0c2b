export {
  ALLELE_MODES, Allele, GeneticsError, LINKAGES, LocusData, alleleOf, fitsSex, genotypesOf, harmOf, lookOf, signOf, singleCopySex, tellGenotype, transmission, type Genotype, type KnownSex, type Locus,
} from './locus'
export { UNSTATED_SHARE, carries, genotypeIndex, isCertain, likeliest, lookLikelihood, looksOf, normalised, statedBelief, unknownBelief, type Belief } from './belief'
export { contradictionOf, familyBelief, type CountedYoung, type Family, type FamilyBelief, type GeneFacts } from './family'
export { cross, youngBelief, type Cross, type CrossLocus, type CrossRow, type LookRow } from './cross'
export { atLeast, binomial, clutchChances, eggChance, type ClutchChances, type EggChance, type YoungWish } from './clutch'
export { carriesAfter, youngToProve, type Proof } from './proving'
export { routesTo, type Route, type RouteStep, type Stock } from './route'
