export { cyclesOf, unwrittenRates, type UnwrittenRates, type WrittenCycle } from './unwritten'
