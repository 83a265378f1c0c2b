import type { Almanac, Cold, Species } from '../almanac'
import type { Day } from '../chance'
import type { AnimalState } from '../subjects'
import type { ColdLine } from './coldLine'

/** From mildest to gravest; the order is that of {@link severityOf}. */
export const COLD_ACTIONS = ['carryOn', 'weighAgain', 'offerWater', 'takeOut'] as const
export type ColdAction = (typeof COLD_ACTIONS)[number]

export const severityOf = (action: ColdAction): number => COLD_ACTIONS.indexOf(action)

/** What an animal in the cold is judged by. */
export interface ColdInput {
  species: Species & { cold: Cold }
  animal: AnimalState
  /** Its loss, see coldLine. */
  line: ColdLine
  wakeDay: Day
  /** Usual days between weighings in the cold. */
  rhythmDays: number
  /** Numbers that hold for every species. */
  common: Almanac['common']
  today: Day
}

/** What the weighings say, once there are two. Shares of the starting weight, 0..1. */
export interface Weighed {
  lost: number
  /** Heavier than at the weighing before without a drink, by so much: the loss of that one counts. */
  unbelieved: number | null
  /** Water that is usually lost by now, at most. */
  usualWater: number
}

/** Why the verdict is what it is; losses and chances 0..1. */
export type ColdCause =
  | { code: 'overLimit'; lost: number }
  | { code: 'overLimitSoon'; lost: number }
  | { code: 'overWatch'; lost: number }
  | { code: 'overLimitBeforeWaking'; lost: number }
  | { code: 'moreThanBurnt'; lost: number }
  | { code: 'asExpected'; lost: number }
  | { code: 'notWeighedFor'; lost: number; days: number }
  | { code: 'notWeighedSinceCooled'; days: number }
  | { code: 'tooEarly' }
  | { code: 'noStart' }
  | { code: 'ill' }
  | { code: 'notWell' }

export interface ColdFinding {
  action: ColdAction
  cause: ColdCause
  /** Days from today to the next weighing; 0 = today. */
  weighInDays: number
  /** Null before a second weighing. */
  weighed: Weighed | null
  /** What a look found, whether or not it decides. */
  look: 'ill' | 'notWell' | null
  /** Water was given since the last weighing, so many days ago. */
  wateredDaysAgo: number | null
}
