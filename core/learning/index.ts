export { learntShare, learntWait, learntYield } from './cultures'
export { cyclesOf, unwrittenRates, type UnwrittenRates, type WrittenCycle } from './unwritten'
export { kaplanMeier, type Survival, type Watched } from './kaplanMeier'
export { chanceOfLosing, learntSurvival, type Watch } from './survival'
