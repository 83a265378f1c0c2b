import { schoolChoice, type Almanac, type Cold, type Fact } from '../almanac'
import { certain, conditionUnwritten, convolve, lastOf, pert, type Day, type DayDist } from '../chance'
import type { Reason } from '../judgement'
import type { AnimalState, Observed, Winter } from '../subjects'
import { startingWeight } from './coldLine'
import type { WinterContext } from './programme'
import type { ReadinessCondition, SchoolFinding, Wintering } from './readinessFindings'
import { conditionsReason, schoolReason, tellCondition } from './readinessWording'

export interface Recovery {
  /** Latest weight against the starting weight. */
  ofStart: number | null
  start: { massG: number; day: Day; entryId: string } | null
  mealsTaken: number
  firstMeal: Observed | null
  firstShed: Observed | null
}

/** What readiness looks at of an animal. */
export type Recovering = Pick<AnimalState, 'weights' | 'meals' | 'lastShed'>

/** What happened since it was warmed. */
export function recoveryOf(animal: Recovering, winter: Winter, common: Almanac['common']): Recovery {
  const start = startingWeight(animal.weights, winter, common)
  const warmed = winter.warmed?.day ?? Number.POSITIVE_INFINITY
  const latest = animal.weights.at(-1)
  const taken = animal.meals.filter(m => m.day >= warmed && m.taken > 0)
  return {
    start,
    ofStart: start && latest && latest.day >= start.day ? latest.massG / start.massG : null,
    mealsTaken: taken.length,
    firstMeal: taken[0] ? { day: taken[0].day, entryId: taken[0].entryId } : null,
    firstShed: animal.lastShed && animal.lastShed.day >= warmed ? animal.lastShed : null,
  }
}

export interface Readiness {
  schoolId: string
  schoolName: string
  dist: DayDist
  /** Set when every condition was seen: ready since then. */
  since: Observed | null
  waitsFor: string[]
  /** Whether its weight is among what it waits for. */
  regaining: boolean
  reasons: Reason[]
}

/** When the warmth of a running or planned winter comes. */
export interface Warmth {
  /** First day of full warmth. */
  warm: DayDist
  /** Seen: the entry of the warm-up, with the days of warming after it. */
  seen: Observed | null
  firstMealAfterDays: number
}

/** That nothing is written by today, and how often something happens unwritten. */
interface Silence {
  today: Day
  common: Almanac['common']
}

const unseen = (dist: DayDist, { today, common }: Silence): DayDist =>
  conditionUnwritten(dist, today, common.unwrittenReady!.value)

/** From warmth to the first meal it takes: not before the day on which it is offered one. */
function untilMeal({ cold }: { cold: Cold }, warmth: Warmth, after = 0): DayDist {
  const later = warmth.firstMealAfterDays + after
  return pert({
    earliest: cold.firstMeal.earliest + later,
    likely: cold.firstMeal.likely + later,
    latest: cold.firstMeal.latest + later,
  })
}

function warmthCondition(warmth: Warmth, { today, common }: Silence): ReadinessCondition {
  const { warm, seen } = warmth
  return {
    finding: { code: 'warmth', warmed: seen },
    dist: seen ? warm : conditionUnwritten(warm, today, common.unwrittenWarmUp!.value),
    seen: seen && warm.p.length === 1 && warm.start <= today ? { ...seen, day: warm.start } : null,
  }
}

function mealCondition(
  species: Wintering,
  { firstMeal }: Recovery,
  warmth: Warmth,
  silence: Silence,
): ReadinessCondition {
  const mealRest = Math.round(silence.common.mealRest!.value)
  const finding = { code: 'meal' as const, taken: firstMeal }
  if (!firstMeal)
    return { finding, dist: unseen(convolve(warmth.warm, untilMeal(species, warmth, mealRest)), silence), seen: null }
  const day = firstMeal.day + mealRest
  return { finding, dist: certain(day), seen: { ...firstMeal, day } }
}

function shedCondition(
  { cold }: Wintering,
  { firstShed }: Recovery,
  warmth: Warmth,
  silence: Silence,
): ReadinessCondition {
  return {
    finding: { code: 'shed', shed: firstShed },
    dist: firstShed ? certain(firstShed.day) : unseen(convolve(warmth.warm, pert(cold.firstShed)), silence),
    seen: firstShed,
  }
}

function weightCondition(
  species: Wintering,
  animal: Recovering,
  recovery: Recovery,
  lostShare: number,
  warmth: Warmth,
  silence: Silence,
): ReadinessCondition {
  const regained = silence.common.regained!.value
  const goal = recovery.start ? recovery.start.massG * regained : null
  const back =
    warmth.seen && goal !== null ? animal.weights.find(w => w.day >= warmth.seen!.day && w.massG >= goal) : undefined
  if (back)
    return {
      finding: { code: 'weight', back },
      dist: certain(back.day),
      seen: { day: back.day, entryId: back.entryId },
    }
  const missing = Math.max(0, regained - (warmth.seen && recovery.ofStart !== null ? recovery.ofStart : 1 - lostShare))
  const latest = warmth.seen ? animal.weights.at(-1) : undefined
  const regain = species.cold.regainPerDay
  const days = (rate: number) => Math.ceil(missing / rate)
  const clock = pert({
    earliest: days(regain.latest),
    likely: days(regain.likely),
    latest: Math.max(1, days(regain.earliest)),
  })
  const from =
    latest && latest.day >= warmth.seen!.day && recovery.firstMeal
      ? certain(latest.day)
      : convolve(warmth.warm, untilMeal(species, warmth))
  return {
    finding: { code: 'weight', back: null, missing },
    dist: unseen(convolve(from, clock), silence),
    seen: null,
  }
}

/** The school that holds for it, which may go by what it lost in the cold: what it says is to be waited for. */
function schoolOf(
  species: Wintering,
  lostShare: number | null,
  { almanac, schools }: WinterContext,
  own: string | null | undefined,
): { chosen: ReturnType<typeof schoolChoice>; waits: string; found: SchoolFinding } {
  const chosen = schoolChoice(
    almanac,
    own ? { ...schools, [`pairAfterCold@${species.id}`]: own } : schools,
    'pairAfterCold',
    species.id,
  )
  if (chosen.id !== 'byLoss')
    return { chosen, waits: chosen.id, found: { code: 'school', name: chosen.name, reason: chosen.reason } }
  const limit = chosen.fact as Fact
  const waits = lostShare === null || lostShare > limit.value ? 'regained' : 'oneMeal'
  const means = schoolChoice(almanac, { pairAfterCold: waits }, 'pairAfterCold').name
  return { chosen, waits, found: { code: 'byLoss', lostShare, limit, means } }
}

/**
 * When an animal that was in the cold is ready to pair, by the school of the animal, its species or the house.
 * @param lostShare share lost in the cold: seen, or forecast for one that is still in it; null when unknown
 * @param own school of this animal or its group
 */
export function judgeReadiness(
  species: Wintering,
  animal: Recovering,
  winter: Winter,
  warmth: Warmth,
  lostShare: number | null,
  today: Day,
  context: WinterContext,
  own?: string | null,
): Readiness {
  const { common } = context.almanac
  const { chosen, waits, found } = schoolOf(species, lostShare, context, own)
  const recovery = recoveryOf(animal, winter, common)
  const silence: Silence = { today, common }
  const conditions = [warmthCondition(warmth, silence)]
  if (waits !== 'atOnce') conditions.push(mealCondition(species, recovery, warmth, silence))
  if (waits === 'regained') {
    conditions.push(
      weightCondition(species, animal, recovery, lostShare ?? species.cold.watchLoss.value / 2, warmth, silence),
    )
    if (species.group === 'snake') conditions.push(shedCondition(species, recovery, warmth, silence))
  }
  const open = conditions.filter(c => !c.seen)
  const last = conditions.reduce((a, c) => (c.seen && (!a || c.seen.day > a.day) ? c.seen : a), null as Observed | null)
  const since = open.length ? null : last
  return {
    schoolId: chosen.id,
    schoolName: chosen.name,
    dist: since ? certain(since.day) : lastOf(conditions.map(c => c.dist)),
    since,
    waitsFor: open.map(c => tellCondition(c.finding, common)),
    regaining: open.some(c => c.finding.code === 'weight'),
    reasons: [schoolReason(found), conditionsReason(conditions, species, common, today)],
  }
}
