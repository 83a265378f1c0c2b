export { walkOf, type WalkLine, type WalkRoom, type WalkStop } from './walk'
export { careByRoom, type CareArea, type CareRoom } from './care'
export { tellTotals } from './wording'
