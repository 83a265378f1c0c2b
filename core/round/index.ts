export { walkOf, type WalkLine, type WalkRoom, type WalkStop } from './walk'
export { tellTotals } from './wording'
