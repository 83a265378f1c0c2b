export { EVENT_NAMES, chainOf, forecastChain, type ChainInput, type ComputedClock, type EventForecast } from './chain'
export { laterLayings, observedInCycle, type NextLaying, type OwnInterval } from './cycles'
export { assign } from './assignment'
export { ovulationFromFollicles } from './follicles'
export {
  PAIR_LEVELS,
  judgePair,
  type Candidate,
  type PairInput,
  type PairLevel,
  type PairVerdict,
  type PastResult,
} from './judgePair'
export { LOAD_ACTIONS, judgeLoad, type LoadAction, type LoadVerdict } from './load'
export { planRota, type RotaInput, type RotaPair, type Unvisited, type Visit } from './rota'
