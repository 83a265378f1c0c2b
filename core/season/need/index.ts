export { foodOfSource } from './food'
export { HORIZON_DAYS, SCENARIOS } from './horizon'
export { outlook } from './outlook'
