import type { Almanac } from '../../almanac'
import type { Day } from '../../chance'
import type { Reason } from '../../judgement'
import type { HouseSettings } from '../../settings'
import type { House } from '../../subjects'
import type { Cultured, PlannedStart, PlannedSupply } from '../../supply'
import type { EatersNeed, PreyOutlook, Task } from '../contracts'

/** Days on which a prey is missing whatever is started. */
export interface Gap {
  from: Day
  to: Day
  missing: number
}

/** What stands for a prey of which there is not enough, and when. */
export interface Replacing {
  prey: string
  from: Day
  to: Day
  /** Pieces of it, in all. */
  pieces: number
  /** What it stands in for, in pieces of the usual prey. */
  for: number
  /** Those who eat it are given several kinds in turn: it is no want of the usual prey. */
  inTurn?: boolean
}

/** What is grown in the house, and is better ordered this time: packs, or cultures about to yield. */
export interface Order {
  day: Day
  count: number
  unit: string
  /** Pieces of one pack; null for a culture. */
  pieces: number | null
}

/** Packs planned for later that are ordered along with what is due. */
export interface TakenAlong {
  by: Day
  count: number
  unit: string
  /** Pieces of one pack. */
  pieces: number
  /** The first day for which they were planned. */
  planned: Day
  /** Its name. */
  supplier: string
  /** So that its least order is met, or that it sends one parcel less. */
  why: 'least' | 'parcel'
  /** Made with the plan: a browser need not know how it is said. */
  task: Task
}

/** What holds a plan back. */
export interface Held {
  of: 'room' | 'minutes' | 'money' | 'freezer'
  /** The shelf, where it is of room. */
  place: { id: string; name: string } | null
  /** All of it is taken from the one day to the other. */
  from: Day
  to: Day
  /** What is tried beyond it, and what that would save: hungry meals, and all that weighs, in units. */
  more: number
  hungry: number
  cost: number
}

/** What one unit more a week gains, or one more for good. */
export interface OneMore {
  /** Units in all: one of what runs for good, else one a week. */
  units: number
  /** Chance of a season with a hungry day with them. */
  chance: number
  /** What there is not enough of for them, and from when. */
  lacks: (Pick<Held, 'of' | 'place'> & { from: Day })[]
}

/** How many units the keeper has decided on for a day. */
export interface Decided {
  day: Day
  /** Still to be started or ordered. */
  units: number
  /** In all. */
  said: number
  entryId: string
  /** When it was decided. */
  on: Day
}

/** What to start or order, and how the stock then runs. All rows are per day from today. */
export interface FeederPlan {
  prey: string
  kind: PlannedSupply['kind']
  /** What one does about it. */
  verb: 'Start' | 'Order' | 'Gather'
  unit: string
  /** Days planned; bought prey is planned ten weeks ahead, since it comes in days. */
  days: number
  starts: PlannedStart[]
  /** Days for which the keeper has decided otherwise, or the same. */
  decided: Decided[]
  /** What is grown in the house and ordered all the same, since nothing that is started comes in time. */
  orders: Order[]
  takenAlong?: TakenAlong
  /** To start a second colony, where only one runs. */
  second?: Task
  /** Usable feeders on each day with nothing new started, and what then is missing. */
  bareStock: number[]
  bareMissing: number[]
  /** The same with the plan. */
  stock: number[]
  missing: number[]
  /** Stretches that nothing started now can cover any more, nor anything else stand in for. */
  gaps: Gap[]
  /** What it could be better with more of. */
  held: Held[]
  units: number
  leastPossible: number
  /** Units among them that are only there so that a failure leaves nobody hungry. */
  spares: number
  /** What stands for it where there is not enough. */
  standIns: Replacing[]
  runOutChance: number
  /** What one more would gain; null where nobody goes hungry for it, or none can be started. */
  oneMore: OneMore | null
  /** Mean number of short days in the days planned. */
  shortDays: number
  runOutByDay: number[]
  reasons: Reason[]
}

/** What is tried of the plan, and is not so. */
export interface PlanTrial {
  /** Nobody starts or orders anything on these days. */
  closed?: { from: Day; to: Day }
  /** Nothing can be ordered before that day. */
  noOrdersBefore?: Day
  /** So many units more on each day on which any are started or ordered, by prey. */
  more?: Readonly<Record<string, number>>
}

/** What one unit of a feeder costs in the money of the house, and what it weighs beside the others. */
export interface UnitWeight {
  /** Null where no price is known: it weighs as one. */
  money: number | null
  units: number
}

/** How a feeder is usually got, and how it is ordered beside. */
export interface FeederWeights {
  usual: UnitWeight
  byOrder: UnitWeight | null
}

/** Prey that may stand for one another, and all that decides their plan: plain data, for another thread. */
export interface PlanJob {
  /** Prey that is eaten, grown or in stock. */
  looks: PreyOutlook[]
  /** Prey that nobody keeps, and that could be ordered to stand in. */
  others: string[]
  eaters: Record<string, EatersNeed[]>
  /** What was decided, by prey. */
  decided: Record<string, Decided[]>
  scenarios: { count: number; need: Record<string, Float64Array> }
  house: Pick<House, 'cultures' | 'places' | 'climate' | 'warmth'> & Cultured
  almanac: Pick<Almanac, 'feeders' | 'schools' | 'common'>
  settings: HouseSettings
  /** What was ordered in the last days and is not here yet, by prey. */
  ordered: Record<string, { day: Day; count: number }[]>
  /** What a unit of each weighs, where it is weighed by what it costs. */
  weights?: Readonly<Record<string, FeederWeights>>
  /** Chance of a season without a hungry day that these prey are planned for; null = as the need is covered. */
  safe: number | null
  today: Day
  trial?: PlanTrial
}
