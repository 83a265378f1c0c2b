import { derived } from '../derived'
import { feederOf, isLiveRow, schoolChoice, type Almanac, type Species } from '../almanac'
import type { Day } from '../chance'
import type { Judgement } from '../judgement'
import { offeredTimes } from '../settings'
import type { AnimalState, Weighing } from '../subjects'
import { firstMealAge, stepOf } from './ladder'
import type {
  FeedingPause,
  FeedingSettings,
  Gravid,
  LargePrey,
  LastOffer,
  MealPortions,
  MealRhythm,
  NextMeal,
  Portion,
} from './mealFindings'
import { mealReasons, tellLargePrey } from './mealWording'

const rodentsOf = derived((almanac: Almanac) =>
  Object.values(almanac.feeders).filter(f => /^(mouse|rat)\./.test(f.id) && !isLiveRow(f.id)),
)

/**
 * The rodent whose usual weight comes nearest to a share of the animal's weight.
 * @param massG the animal's weight, g
 * @param share prey weight as a share of body weight, e.g. 0.1
 */
export function rodentFor(almanac: Almanac, massG: number, share: number): string {
  const wanted = massG * share
  const sizes = rodentsOf(almanac)
  const { ratsFrom, miceBefore } = almanac.common
  // a ratio, so that 2 g against 4 g is as far off as 100 g against 200 g; mouse before rat where both fit
  const off = (id: string) =>
    Math.abs(Math.log(feederOf(almanac, id).massG.likely / wanted)) +
    (id.startsWith('rat.') && wanted < ratsFrom!.value ? miceBefore!.value : 0)
  return sizes.reduce((best, f) => (off(f.id) < off(best) ? f.id : best), sizes[0]!.id)
}

const largeFor = (almanac: Almanac, prey: string, massG: number): LargePrey | null =>
  feederOf(almanac, prey).massG.likely > almanac.common.largePrey!.value * massG ? { prey, massG } : null

const largestRodentG = (almanac: Almanac): number => Math.max(...rodentsOf(almanac).map(f => f.massG.likely))

/** What a winter changes in an animal's meals. */
export interface MealWinter {
  /** No meal is due after this day, since the gut must be clear before the cold; until `fastUntil`. */
  fastFrom?: Day
  fastUntil?: Day
  /** Not fed before this day after it was warmed. */
  firstMealDay?: Day
  /** Twice as often, until it has regained what it lost. */
  often?: boolean
}

/**
 * When an animal of which no meal is written is due: born here not long ago, from its first meal on; else today, since
 * what it ate before it came is not known.
 */
function firstDue(species: Species, animal: AnimalState, today: Day, { bornHereFor }: Almanac['common']): Day {
  // of unknown birth it counts as grown
  if (animal.bornDay === null) return today
  const first = animal.bornDay + firstMealAge(species)
  return animal.clutchId !== null && today - first <= bornHereFor!.value ? first : Math.max(first, today)
}

const GRAVID_SHARES = { gravid: 'gravidShare', late: 'gravidLateShare' } as const

/**
 * Days without food after a meal that came up, until one has stayed down.
 * @returns null where none came up, or where it has eaten since
 */
export function feedingPause(
  { broughtUp, lastTaken }: Pick<AnimalState, 'broughtUp' | 'lastTaken'>,
  common: Almanac['common'],
): FeedingPause | null {
  const upset = broughtUp?.at(-1)
  if (!upset || (lastTaken && lastTaken.day > upset.day)) return null
  return { upset, until: upset.day + common.broughtUpPause!.value }
}

/** Whether its prey follows its weight, and not the ladder: of rodent eaters that were weighed not long ago. */
export function isFedByWeight(
  { common }: Pick<Almanac, 'common'>,
  { eats }: Species,
  { weights }: Pick<AnimalState, 'weights'>,
  today: Day,
): boolean {
  const weight = weights.at(-1)
  return eats === 'rodents' && weight !== undefined && today - weight.day <= common.weightTrusted!.value
}

/** Prey that was left in counts from the day it was. */
function lastOffer({ meals, leftIn }: AnimalState): LastOffer | null {
  const [meal, left] = [meals.at(-1), leftIn?.at(-1)]
  if (left && (!meal || left.day >= meal.day)) return { ...left, taken: null }
  return meal ?? null
}

function rhythmOf(
  { common }: Almanac,
  species: Species,
  animal: AnimalState,
  today: Day,
  winter: MealWinter,
): MealRhythm | null {
  const { warmed, lastTaken } = animal
  const resting = animal.cooled !== null && warmed === null
  const rest = (resting && species.cold?.rest) || null
  if (resting && !rest) return null
  if (winter.fastFrom !== undefined && today > winter.fastFrom && today < winter.fastUntil!) return null
  const { step, index, everyDays: usualDays } = stepOf(species, animal, today)
  const last = lastOffer(animal)
  const restart =
    !resting && warmed !== null && (!lastTaken || lastTaken.day < warmed.day) && winter.firstMealDay !== undefined
  const often = !rest && winter.often === true
  const everyDays = rest
    ? Math.round(usualDays / rest.foodShare.value)
    : often
      ? Math.max(1, Math.round(usualDays / 2))
      : usualDays
  const usually = restart
    ? Math.max(winter.firstMealDay!, last && last.day >= warmed.day ? last.day + Math.min(7, everyDays) : 0)
    : last
      ? last.day + everyDays
      : warmed
        ? warmed.day + common.mealAfterWarm!.value
        : firstDue(species, animal, today, common)
  const pause = feedingPause(animal, common)
  const due = pause ? Math.max(usually, pause.until) : usually
  if (winter.fastFrom !== undefined && today <= winter.fastFrom && due > winter.fastFrom) return null
  return { due, everyDays, step, index, usualDays, last, pause, rest, often, restart }
}

/** Prey by the ladder: by age, or the step it was put on. */
function byLadder(
  almanac: Almanac,
  settings: FeedingSettings,
  { eats, youngMassG }: Species,
  { step, index }: MealRhythm,
  share: number,
  smaller: number,
): Pick<MealPortions, 'portions' | 'large'> {
  const rodents = eats === 'rodents'
  const ration = schoolChoice(almanac, settings.schools, 'insectRation').fact?.value ?? 1
  const portions = step.meal.map(({ prey, count }): Portion => {
    if (eats === 'insects')
      return { prey, count: Math.max(1, Math.round(count * offeredTimes(settings) * ration * smaller)) }
    if (!rodents || share >= 1) return { prey, count }
    return { prey: rodentFor(almanac, feederOf(almanac, prey).massG.likely, share), count }
  })
  // without a weight a hatchling weighs what its kind does
  const large = rodents && index === 0 ? largeFor(almanac, portions[0]!.prey, youngMassG.value) : null
  return { portions, large }
}

/** Prey of a rodent eater that was weighed not long ago. */
function byWeight(
  almanac: Almanac,
  settings: FeedingSettings,
  { massG }: Weighing,
  share: number,
): Pick<MealPortions, 'portions' | 'large'> {
  const school = schoolChoice(almanac, settings.schools, 'rodentSize')
  // of a large animal the usual prey is the largest there is: shares are of that, not of what it could be
  const usualG = Math.min(massG * school.fact!.value, largestRodentG(almanac))
  const prey = rodentFor(almanac, usualG, share)
  return { portions: [{ prey, count: 1 }], large: largeFor(almanac, prey, massG) }
}

/**
 * When an animal is due to eat next, and what. Null in true cold, and while it fasts before a winter; in a rest it eats
 * less often.
 * @param today the calendar day; ages and weights are read as of it
 * @param gravid a gravid female gets prey of half the size, in the last month of a third
 * @param winter what a winter before or behind it changes
 */
export function nextMeal(
  almanac: Almanac,
  settings: FeedingSettings,
  species: Species,
  animal: AnimalState,
  today: Day,
  gravid: Gravid = false,
  winter: MealWinter = {},
): Judgement<NextMeal> | null {
  const rhythm = rhythmOf(almanac, species, animal, today, winter)
  if (!rhythm) return null
  const { common } = almanac
  const path = gravid && GRAVID_SHARES[gravid]
  const carrying = path ? { gravid, share: common[path]!, path: `common.${path}.value` } : null
  const smaller = rhythm.restart || rhythm.pause ? common.firstMealShare!.value : 1
  const share = (carrying?.share.value ?? 1) * smaller
  const weight = isFedByWeight(almanac, species, animal, today) ? animal.weights.at(-1)! : null
  const gets = weight
    ? byWeight(almanac, settings, weight, share)
    : byLadder(almanac, settings, species, rhythm, share, smaller)
  const { due, everyDays } = rhythm
  return {
    value: { due, everyDays, portions: gets.portions, note: gets.large && tellLargePrey(gets.large, almanac) },
    reasons: mealReasons(rhythm, { ...gets, weight, carrying, smaller }, { almanac, settings, species, animal, today }),
  }
}
