export { colonyAhead, sustainableTake, type BandAt, type ColonyAhead } from './ahead'
export { colonyToday, countsOf, type Colony, type ColonyWarmth } from './ensemble'
export { dayMatrix, dayOf, longRun, speedAt, stageSpans } from './rates'
