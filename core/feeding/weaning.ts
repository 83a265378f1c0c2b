import type { Day } from '../chance'
import { schoolChoice, type Almanac, type Species } from '../almanac'
import type { Judgement } from '../judgement'
import { isHelped, type AnimalState, type Manner, type Meal, type PreyState } from '../subjects'
import type { FeedingSettings } from './mealFindings'
import { liveShares, type LearntCurve } from './switchCurve'
import type { WeaningCause, WeaningRecord, WeaningStage } from './weaningFindings'
import { weaningReason } from './weaningWording'

const tookAlone = (meal: Meal): boolean => meal.taken > 0 && !isHelped(meal)

/** Reads the way to thawed prey out of the meals that are kept, oldest first. */
export function weaningRecord(meals: readonly Meal[], { struckCounts, weanedAfter }: Almanac['common']): WeaningRecord {
  const taken = new Set<PreyState>()
  const record = { liveTaken: 0, offers: 0, inRow: 0, refusedDead: 0 }
  let ate = false
  for (const meal of meals) {
    const took = tookAlone(meal)
    ate ||= took
    if (meal.state === 'live' && took) record.liveTaken++
    if (meal.state === 'thawed' && !taken.has('thawed')) {
      // one that strikes and lets go has half taken it: half an offer less stands against it
      record.offers += took || meal.outcome !== 'struck' ? 1 : 1 - struckCounts!.value
    }
    if (meal.state) {
      record.inRow = meal.state === 'thawed' && took ? record.inRow + 1 : took ? 0 : record.inRow
      record.refusedDead = took ? 0 : meal.state === 'live' ? record.refusedDead : record.refusedDead + 1
      if (took) taken.add(meal.state)
    }
  }
  const stage: WeaningStage =
    record.inRow >= weanedAfter!.value
      ? 'weaned'
      : taken.has('thawed')
        ? 'thawed'
        : taken.has('freshKilled')
          ? 'freshKilled'
          : taken.has('live')
            ? 'live'
            : ate
              ? 'unsaid'
              : 'notStarted'
  return { ...record, stage }
}

/** Whether it is of this year: a grown one without a written meal ate before it came. */
export const isYoung = (
  { bornDay }: Pick<AnimalState, 'bornDay'>,
  today: Day,
  { youngUntil }: Almanac['common'],
): boolean => bornDay !== null && today - bornDay <= youngUntil!.value

export interface NextOffer {
  state: PreyState
  /** Live prey moves by itself. */
  manner?: Manner
}

/**
 * What state of prey is next on the way to thawed, and how it is offered. Null where the species eats no rodents, and
 * for one of which nothing was ever said.
 * @param falling its weight falls: it goes a step back, since nobody is starved into thawed prey
 */
export function nextOffer(
  almanac: Almanac,
  settings: Pick<FeedingSettings, 'schools'>,
  species: Species,
  animal: Pick<AnimalState, 'meals' | 'bornDay'>,
  today: Day,
  falling: boolean,
): Judgement<NextOffer> | null {
  if (!species.weaning) return null
  const { common } = almanac
  const record = weaningRecord(animal.meals, common)
  if (record.stage === 'unsaid' || (record.stage === 'notStarted' && !isYoung(animal, today, common))) return null
  const liveFirst = schoolChoice(almanac, settings.schools, 'firstPrey', species.id).fact!.value
  const cause = causeOf(record, { liveFirst, refusals: common.weanFast!.value, falling })
  return { value: OFFERS[cause], reasons: [weaningReason(cause, record, { almanac, settings, species })] }
}

/** What is offered, by what it goes by. */
const OFFERS: Readonly<Record<WeaningCause, NextOffer>> = {
  weaned: { state: 'thawed', manner: 'left' },
  takesThawed: { state: 'thawed', manner: 'moved' },
  thawedRefused: { state: 'live' },
  firstLive: { state: 'live' },
  firstLosing: { state: 'live' },
  firstThawed: { state: 'thawed', manner: 'moved' },
  losing: { state: 'live' },
  liveMeals: { state: 'live' },
  deadRefused: { state: 'live' },
  between: { state: 'freshKilled', manner: 'moved' },
  toThawed: { state: 'thawed', manner: 'moved' },
}

/**
 * @param liveFirst live meals that go before, by the school of the house
 * @param refusals of dead prey in a row after which it goes back to what it takes
 */
function causeOf(
  { stage, liveTaken, refusedDead }: WeaningRecord,
  { liveFirst, refusals, falling }: { liveFirst: number; refusals: number; falling: boolean },
): WeaningCause {
  if (stage === 'weaned') return 'weaned'
  if (stage === 'thawed') return refusedDead < refusals && !falling ? 'takesThawed' : 'thawedRefused'
  if (stage === 'notStarted') return liveFirst <= 0 ? 'firstThawed' : falling ? 'firstLosing' : 'firstLive'
  if (falling) return 'losing'
  if (liveTaken < liveFirst) return 'liveMeals'
  if (refusedDead >= refusals) return 'deadRefused'
  return refusedDead > 0 ? 'between' : 'toThawed'
}

/**
 * Chance of each of the next meals to be live, of one on its way to thawed prey, or of one that has not been born yet.
 * All zero for who takes thawed prey, and for who is known to eat and nobody wrote what.
 * @param record what it did so far
 * @param learnt how its litter changes
 * @param meals how many meals ahead
 */
export function liveAhead(
  almanac: Almanac,
  settings: Pick<FeedingSettings, 'schools'>,
  species: Species,
  record: WeaningRecord,
  learnt: LearntCurve,
  meals: number,
): Float64Array {
  if (record.stage === 'thawed' || record.stage === 'weaned' || record.stage === 'unsaid')
    return new Float64Array(meals)
  const first = schoolChoice(almanac, settings.schools, 'firstPrey', species.id).fact!.value
  const { liveTaken, offers, refusedDead } = record
  return liveShares(
    { learnt, offers, refusedDead, liveFirst: Math.max(0, first - liveTaken), every: almanac.common.weanFast!.value },
    meals,
  )
}

/** Of one that has not eaten yet. */
export const NOT_STARTED: WeaningRecord = {
  stage: 'notStarted',
  liveTaken: 0,
  offers: 0,
  inRow: 0,
  refusedDead: 0,
}
