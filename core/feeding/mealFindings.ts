import type { Fact, LadderStep, Species } from '../almanac'
import type { Day } from '../chance'
import type { Observed, Weighing } from '../subjects'

export interface Portion {
  prey: string
  count: number
}

export interface NextMeal {
  due: Day
  everyDays: number
  portions: Portion[]
  /** What to mind when the smallest prey there is is large for it; null mostly. */
  note: string | null
}

/** Prey that is large for who gets it, though it is the smallest there is. */
export interface LargePrey {
  prey: string
  /** Of the animal, g. */
  massG: number
}

export interface FeedingSettings {
  schools: Readonly<Record<string, string>>
  /** 1 = as the almanac says. */
  appetite: number
  /** Share of what is offered that is never eaten. */
  waste: number
}

/** How far a female carries: `late` in the last month before laying or birth. */
export type Gravid = false | 'gravid' | 'late'

/** Days without food after a meal that came up. */
export interface FeedingPause {
  upset: Observed
  until: Day
}

/** The last offer, and what came of it: taken, refused, or not known yet of what was left in. */
export interface LastOffer extends Observed {
  taken: number | null
  offered: number
}

/** When it eats next, and what that goes by. */
export interface MealRhythm {
  due: Day
  everyDays: number
  /** Where it stands on the ladder, and its days between meals there. */
  step: LadderStep
  index: number
  usualDays: number
  last: LastOffer | null
  /** After a meal that came up. */
  pause: FeedingPause | null
  /** It rests, and eats less often; null else. */
  rest: NonNullable<Species['cold']>['rest'] | null
  /** Twice as often, until it has regained what it lost. */
  often: boolean
  /** Its first meal after the cold. */
  restart: boolean
}

/** What it gets, and what that goes by. */
export interface MealPortions {
  portions: Portion[]
  large: LargePrey | null
  /** The weight that its prey goes by; null where it goes by the ladder. */
  weight: Weighing | null
  /** What a gravid female gets of the usual prey. */
  carrying: { gravid: Exclude<Gravid, false>; share: Fact; path: string } | null
  /** Of a usual meal, after the cold or an upset. */
  smaller: number
}
