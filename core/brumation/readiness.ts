import { type Almanac, schoolChoice, type Cold, type Fact, type Species } from '../almanac'
import { certain, conditionUnwritten, convolve, lastOf, pert, type Day, type DayDist } from '../chance'
import { computedInput, entryInput, factInput, spreadInput, type Input, type Reason } from '../judgement'
import type { AnimalState, Observed, Winter } from '../subjects'
import { formatDay } from '../units'
import { startingWeight } from './coldLine'
import type { WinterContext } from './programme'

const regainedName = ({ value }: Fact) => `${Number((value * 100).toFixed(1))} % of the starting weight`
const afterMealName = (days: number) => `one meal, and ${days === 2 ? 'two' : days} days after it`

type Wintering = Species & { cold: Cold }

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

interface Condition {
  name: string
  dist: DayDist
  seen: Observed | null
  inputs: Input[]
}

/** That nothing is written by today, and how often something happens unwritten. */
interface Silence {
  today: Day
  unwritten: number
  /** Days after a meal before a mate. */
  mealRest: number
  rest: Fact
  regained: Fact
}

const unseen = (dist: DayDist, { today, unwritten }: Silence): DayDist => conditionUnwritten(dist, today, unwritten)

/** From warmth to the first meal it takes: not before the day on which it is offered one. */
function untilMeal({ cold }: { cold: Cold }, warmth: Warmth, after = 0): DayDist {
  const later = warmth.firstMealAfterDays + after
  return pert({
    earliest: cold.firstMeal.earliest + later,
    likely: cold.firstMeal.likely + later,
    latest: cold.firstMeal.latest + later,
  })
}

function mealCondition(species: Wintering, recovery: Recovery, warmth: Warmth, silence: Silence): Condition {
  const { today } = silence
  const rest = factInput('Then no mate for', 'common.mealRest.value', silence.rest)
  if (recovery.firstMeal) {
    const day = recovery.firstMeal.day + silence.mealRest
    return {
      name: afterMealName(silence.mealRest),
      dist: certain(day),
      seen: { ...recovery.firstMeal, day },
      inputs: [entryInput('First meal taken', formatDay(recovery.firstMeal.day, today), recovery.firstMeal), rest],
    }
  }
  return {
    name: afterMealName(silence.mealRest),
    dist: unseen(convolve(warmth.warm, untilMeal(species, warmth, silence.mealRest)), silence),
    seen: null,
    inputs: [
      spreadInput('Until it takes its first meal', `species.${species.id}.cold.firstMeal`, species.cold.firstMeal),
      rest,
    ],
  }
}

function shedCondition(species: Wintering, recovery: Recovery, warmth: Warmth, silence: Silence): Condition {
  const { today } = silence
  if (recovery.firstShed)
    return {
      name: 'first shed',
      dist: certain(recovery.firstShed.day),
      seen: recovery.firstShed,
      inputs: [entryInput('First shed', formatDay(recovery.firstShed.day, today), recovery.firstShed)],
    }
  return {
    name: 'first shed',
    dist: unseen(convolve(warmth.warm, pert(species.cold.firstShed)), silence),
    seen: null,
    inputs: [spreadInput('Warmth to first shed', `species.${species.id}.cold.firstShed`, species.cold.firstShed)],
  }
}

function weightCondition(
  species: Wintering,
  animal: Recovering,
  recovery: Recovery,
  lostShare: number,
  warmth: Warmth,
  silence: Silence,
): Condition {
  const name = regainedName(silence.regained)
  const goal = recovery.start ? recovery.start.massG * silence.regained.value : null
  const back =
    warmth.seen && goal !== null ? animal.weights.find(w => w.day >= warmth.seen!.day && w.massG >= goal) : undefined
  if (back)
    return {
      name,
      dist: certain(back.day),
      seen: { day: back.day, entryId: back.entryId },
      inputs: [entryInput('Regained', `${back.massG} g`, back)],
    }
  const missing = Math.max(
    0,
    silence.regained.value - (warmth.seen && recovery.ofStart !== null ? recovery.ofStart : 1 - lostShare),
  )
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
    name,
    dist: unseen(convolve(from, clock), silence),
    seen: null,
    inputs: [
      factInput('Regained from, of the starting weight', 'common.regained.value', silence.regained),
      computedInput('Still missing', `${(missing * 100).toFixed(1)} % of the starting weight`),
      spreadInput('Regained a day', `species.${species.id}.cold.regainPerDay`, regain),
    ],
  }
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
  { almanac, schools }: WinterContext,
  own?: string | null,
): Readiness {
  const school = schoolChoice(
    almanac,
    own ? { ...schools, [`pairAfterCold@${species.id}`]: own } : schools,
    'pairAfterCold',
    species.id,
  )
  const recovery = recoveryOf(animal, winter, almanac.common)
  const silence: Silence = {
    today,
    unwritten: almanac.common.unwrittenReady!.value,
    mealRest: Math.round(almanac.common.mealRest!.value),
    rest: almanac.common.mealRest!,
    regained: almanac.common.regained!,
  }
  const reasons: Reason[] = []
  let id = school.id
  if (id === 'byLoss') {
    const limit = school.fact as Fact
    id = lostShare === null || lostShare > limit.value ? 'regained' : 'oneMeal'
    const means = schoolChoice(almanac, { pairAfterCold: id }, 'pairAfterCold')
    reasons.push({
      rule:
        lostShare === null
          ? 'Its loss is not known, so it waits until it has regained and shed'
          : lostShare > limit.value
            ? 'It lost some: regained weight and first shed come before pairing'
            : 'It lost next to nothing: one meal is enough',
      inputs: [
        computedInput('Lost in the cold', lostShare === null ? 'unknown' : `${(lostShare * 100).toFixed(1)} %`),
        factInput('Counts as nothing', 'schools.pairAfterCold', limit),
        computedInput('So', means.name),
      ],
      change: 'Another school for the house, the species or this animal',
    })
  } else
    reasons.push({
      rule: `School: ${school.name.toLowerCase()}`,
      inputs: [{ label: school.name, value: school.reason, from: { kind: 'setting', name: 'schools' } }],
      change: 'Another school for the house, the species or this animal',
    })

  const conditions: Condition[] = [
    {
      name: 'full warmth',
      dist: warmth.seen ? warmth.warm : conditionUnwritten(warmth.warm, today, almanac.common.unwrittenWarmUp!.value),
      seen:
        warmth.seen && warmth.warm.p.length === 1 && warmth.warm.start <= today
          ? { ...warmth.seen, day: warmth.warm.start }
          : null,
      inputs: warmth.seen
        ? [entryInput('Warmed up', formatDay(warmth.seen.day, today), warmth.seen)]
        : [computedInput('Warmth', 'planned')],
    },
  ]
  if (id !== 'atOnce') conditions.push(mealCondition(species, recovery, warmth, silence))
  if (id === 'regained') {
    conditions.push(
      weightCondition(species, animal, recovery, lostShare ?? species.cold.watchLoss.value / 2, warmth, silence),
    )
    if (species.group === 'snake') conditions.push(shedCondition(species, recovery, warmth, silence))
  }
  reasons.push({
    rule: `Ready when the last of these is there: ${conditions.map(c => c.name).join(', ')}`,
    inputs: conditions.flatMap(c => c.inputs),
    change: 'A meal, a weight or a shed written down',
  })
  const open = conditions.filter(c => !c.seen)
  const last = conditions.reduce((a, c) => (c.seen && (!a || c.seen.day > a.day) ? c.seen : a), null as Observed | null)
  const since = open.length ? null : last
  return {
    schoolId: school.id,
    schoolName: school.name,
    dist: since ? certain(since.day) : lastOf(conditions.map(c => c.dist)),
    since,
    waitsFor: open.map(c => c.name),
    regaining: open.some(c => c.name === regainedName(silence.regained)),
    reasons,
  }
}
