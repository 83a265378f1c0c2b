import type { Day } from '../chance'
import { schoolChoice, type Almanac, type Species } from '../almanac'
import { computedInput, factInput, type Judgement, type Reason } from '../judgement'
import { isHelped, type AnimalState, type Manner, type Meal, type PreyState } from '../subjects'
import type { FeedingSettings } from './meal'
import { liveShares, type LearntCurve } from './switchCurve'

/** How far a young one is on its way to thawed prey that is left in; `unsaid` where it eats and nobody wrote what. */
export const WEANING_STAGES = ['notStarted', 'unsaid', 'live', 'freshKilled', 'thawed', 'weaned'] as const
export type WeaningStage = (typeof WEANING_STAGES)[number]

export interface WeaningRecord {
  stage: WeaningStage
  /** Meals of live prey taken by itself. */
  liveTaken: number
  /** Offers of thawed prey until it first took one, that one included; struck and let go is a part of one. */
  offers: number
  /** Thawed prey taken in a row up to now. */
  inRow: number
  /** Offers of dead prey that were refused in a row up to now. */
  refusedDead: number
}

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
  const school = schoolChoice(almanac, settings.schools, 'firstPrey', species.id)
  const liveFirst = school.fact!
  const fast = common.weanFast!
  const say = (state: PreyState, manner: Manner | undefined, rule: string, more: Reason['inputs'] = []) => ({
    value: { state, ...(manner && { manner }) },
    reasons: [
      {
        rule,
        inputs: [
          computedInput('Live meals taken', `${record.liveTaken}`),
          computedInput('Offers of thawed prey so far', `${record.offers}`),
          ...more,
        ],
        change: 'What it takes or refuses next',
      },
    ],
  })
  switch (record.stage) {
    case 'weaned':
      return say('thawed', 'left', 'It takes thawed prey that is left in', [
        factInput('In a row, to count as weaned', 'common.weanedAfter.value', common.weanedAfter!),
      ])
    case 'thawed':
      if (record.refusedDead < fast.value && !falling)
        return say('thawed', 'moved', `It has taken thawed prey ${record.inRow} times in a row`)
      return say('live', undefined, 'It took thawed prey before and refuses it now: a live meal, then again', [
        factInput('Refused in a row', 'common.weanFast.value', fast),
      ])
    case 'notStarted':
      return liveFirst.value > 0 && !falling
        ? say('live', undefined, `${school.name}: it has not eaten yet`, [
            factInput('Live meals first', 'schools.firstPrey', liveFirst),
          ])
        : liveFirst.value > 0
          ? say('live', undefined, 'It has not eaten yet and loses weight: what moves by itself')
          : say('thawed', 'moved', `${school.name}: it has not eaten yet`)
    default:
  }
  if (falling) return say('live', undefined, 'It loses weight: a step back to what it takes')
  if (record.liveTaken < liveFirst.value)
    return say('live', undefined, `${school.name}: ${record.liveTaken} of ${liveFirst.value} live meals`, [
      factInput('Live meals first', 'schools.firstPrey', liveFirst),
    ])
  if (record.refusedDead >= fast.value)
    return say('live', undefined, 'Dead prey was refused often enough: a meal of what it takes, then again', [
      factInput('Refused in a row', 'common.weanFast.value', fast),
    ])
  return record.refusedDead > 0
    ? say('freshKilled', 'moved', 'Thawed prey was refused: fresh-killed is the step between')
    : say('thawed', 'moved', 'It eats live prey: thawed is offered, and moved before it')
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
