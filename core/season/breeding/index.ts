export { benchCell, benchOf, type Bench, type BenchSide } from './bench'
export { breedingOutlook } from './due'
export {
  geneOf,
  lociOf,
  locusHere,
  wishChance,
  wishProblem,
  type AnimalGene,
  type BenchWish,
  type HouseLocus,
} from './genes'
export { inbreedingOf, kinOf, kinshipWith, lineOf, type HouseKin } from './kin'
export { clutchesOf, loadOf } from './loads'
export { roomForYoung, type RoomForYoung } from './room'
export { ROTA_DAYS, rotaOf } from './rotaOf'
export { chanceOfSex, eggTempOf, sexOf } from './sexOf'
