export { femaleShareAt, judgeSex, sexPrior, type SexPrior, type SexVerdict } from './judgeSex'
export { isGrown, measureLogOdds, piecesOf, signLogOdds, sumOf, type Piece } from './evidence'
export { nextEvidence, type NextEvidence, type NotOffered } from './nextEvidence'
export { sexingGuide, type SexingGuide } from './guide'
