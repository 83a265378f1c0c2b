import { derived } from '../derived'
import { feederOf, isLiveRow, schoolChoice, type Almanac, type Species } from '../almanac'
import type { Day } from '../chance'
import { almanacRow, entryInput, factInput, spreadInput, type Judgement, type Reason } from '../judgement'
import { offeredTimes } from '../settings'
import type { AnimalState, Observed } from '../subjects'
import { firstMealAge, stepOf } from './ladder'
import { formatDay } from '../units'

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

/** Where even the smallest rodent is large for it: to take the smallest of them, by the weight it should have. */
function smallestOf(almanac: Almanac, prey: string, massG: number): string | null {
  const { massG: rodent, one } = feederOf(almanac, prey)
  return rodent.likely > almanac.common.largePrey!.value * massG
    ? `the smallest ${one}, of ${rodent.earliest} g: one of ${rodent.likely} g would be ${Math.round((100 * rodent.likely) / massG)} % of its weight`
    : null
}

const largestRodentG = (almanac: Almanac): number => Math.max(...rodentsOf(almanac).map(f => f.massG.likely))

export interface FeedingSettings {
  schools: Readonly<Record<string, string>>
  /** 1 = as the almanac says. */
  appetite: number
  /** Share of what is offered that is never eaten. */
  waste: number
}

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

/** How far a female carries: `late` in the last month before laying or birth. */
export type Gravid = false | 'gravid' | 'late'

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

const GRAVID = {
  gravid: { path: 'gravidShare', when: 'while gravid' },
  late: { path: 'gravidLateShare', when: 'in the last month, since a large prey late has brought premature births' },
} as const

/** What a gravid female gets, as a share of the usual prey. */
function gravidMeal(almanac: Almanac, gravid: 'gravid' | 'late') {
  const { path, when } = GRAVID[gravid]
  const fact = almanac.common[path]!
  const share = fact.value
  const said = share === 0.5 ? 'half' : Math.abs(share - 1 / 3) < 0.01 ? 'a third' : `${Math.round(share * 100)} %`
  return {
    share,
    rule: `${said} of it ${when}`,
    input: factInput('Share of the usual prey', `common.${path}.value`, fact),
  }
}

/**
 * Days without food after a meal that came up, until one has stayed down.
 * @returns null where none came up, or where it has eaten since
 */
export function feedingPause(
  { broughtUp, lastTaken }: Pick<AnimalState, 'broughtUp' | 'lastTaken'>,
  common: Almanac['common'],
): { upset: Observed; until: Day } | null {
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

/** The last offer, and what came of it; prey that was left in counts from the day it was. */
function lastOffer({ meals, leftIn }: AnimalState): { day: Day; entryId: string; said: string } | null {
  const [meal, left] = [meals.at(-1), leftIn?.at(-1)]
  if (left && (!meal || left.day >= meal.day)) return { said: `left in ${left.offered}`, ...left }
  return meal ? { said: meal.taken > 0 ? `took ${meal.taken}` : 'refused', ...meal } : null
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
  const resting = animal.cooled !== null && animal.warmed === null
  const rest = species.cold?.rest
  if (resting && !rest) return null
  if (winter.fastFrom !== undefined && today > winter.fastFrom && today < winter.fastUntil!) return null
  const { step, index, everyDays: usualDays } = stepOf(species, animal, today)
  const path = `species.${species.id}.ladder.${index}`
  const last = lastOffer(animal)
  const restart =
    !resting &&
    animal.warmed !== null &&
    (!animal.lastTaken || animal.lastTaken.day < animal.warmed.day) &&
    winter.firstMealDay !== undefined
  const everyDays =
    resting && rest
      ? Math.round(usualDays / rest.foodShare.value)
      : winter.often
        ? Math.max(1, Math.round(usualDays / 2))
        : usualDays
  const pause = feedingPause(animal, almanac.common)
  const usually = restart
    ? Math.max(winter.firstMealDay!, last && last.day >= animal.warmed!.day ? last.day + Math.min(7, everyDays) : 0)
    : last
      ? last.day + everyDays
      : animal.warmed
        ? animal.warmed.day + almanac.common.mealAfterWarm!.value
        : firstDue(species, animal, today, almanac.common)
  const due = pause ? Math.max(usually, pause.until) : usually
  const reasons: Reason[] = [
    {
      rule: restart
        ? 'First meal after the cold: when it is warm again'
        : last
          ? `Every ${everyDays} days at this age${resting ? ' in the rest' : winter.often ? `, twice as often until it has regained, at most ${almanac.common.oftenUntil!.value} days` : ''}, counted from the last offer`
          : 'No meal is written yet, and what it ate before is not known, so it is due today, or when it eats first',
      inputs: [
        ...(last ? [entryInput('Last offer', last.said, last)] : []),
        animal.ownLadder?.everyDays
          ? entryInput('Interval of its own', `${usualDays} days`, animal.ownLadder)
          : { label: 'Interval', value: `${step.everyDays} days`, from: almanacRow(`${path}.everyDays`, step) },
        ...(winter.often
          ? [factInput('Twice as often at most', 'common.oftenUntil.value', almanac.common.oftenUntil!)]
          : []),
        ...(resting && rest
          ? [factInput('Food in the rest', `species.${species.id}.cold.rest.foodShare.value`, rest.foodShare)]
          : []),
      ],
      change: 'A meal recorded today moves the next one',
    },
  ]
  if (winter.fastFrom !== undefined && today <= winter.fastFrom && due > winter.fastFrom) return null
  const { firstMealShare } = almanac.common
  const carrying = gravid ? gravidMeal(almanac, gravid) : null
  const smaller = restart || pause ? firstMealShare!.value : 1
  if (pause)
    reasons.push({
      rule: 'A meal came up: nothing for a while, then a small one',
      inputs: [
        entryInput('Brought up', formatDay(pause.upset.day, today), pause.upset),
        factInput('No food for', 'common.broughtUpPause.value', almanac.common.broughtUpPause!),
        factInput('Share of a usual meal', 'common.firstMealShare.value', firstMealShare!),
      ],
      change: 'A meal that stays down',
    })
  if (restart)
    reasons.push({
      rule: 'Smaller than usual, to restart the gut',
      inputs: [factInput('Share of a usual meal', 'common.firstMealShare.value', firstMealShare!)],
      change: 'The first meal taken',
    })
  const weight = animal.weights.at(-1)
  if (!weight || !isFedByWeight(almanac, species, animal, today)) {
    reasons.push({
      rule: animal.ownLadder?.step != null ? 'Prey by the step it was put on' : 'Prey by age on the species’ ladder',
      inputs: [
        ...(animal.ownLadder?.step != null
          ? [entryInput('Put on step', `${animal.ownLadder.step + 1}`, animal.ownLadder)]
          : []),
        ...step.meal.map((m, i) => ({
          label: feederOf(almanac, m.prey).name,
          value: `${m.count} each`,
          from: almanacRow(`${path}.meal.${i}.count`, step),
        })),
      ],
    })
    const ration = schoolChoice(almanac, settings.schools, 'insectRation').fact?.value ?? 1
    const share = (carrying?.share ?? 1) * smaller
    if (species.eats === 'rodents' && carrying)
      reasons.push({
        rule: carrying.rule,
        inputs: [carrying.input],
        change: 'A weight of the last two months says more than the ladder',
      })
    const portions = step.meal.map(m =>
      species.eats === 'insects'
        ? { prey: m.prey, count: Math.max(1, Math.round(m.count * offeredTimes(settings) * ration * smaller)) }
        : species.eats === 'rodents' && share < 1
          ? { prey: rodentFor(almanac, feederOf(almanac, m.prey).massG.likely, share), count: m.count }
          : m,
    )
    // without a weight a hatchling weighs what its kind does
    const note =
      species.eats === 'rodents' && index === 0
        ? smallestOf(almanac, portions[0]!.prey, species.youngMassG.value)
        : null
    return { value: { due, everyDays, portions: portions.map(p => ({ prey: p.prey, count: p.count })), note }, reasons }
  }
  const school = schoolChoice(almanac, settings.schools, 'rodentSize')
  // of a large animal the usual prey is the largest there is: shares are of that, not of what it could be
  const usualG = Math.min(weight.massG * school.fact!.value, largestRodentG(almanac))
  const prey = rodentFor(almanac, usualG, (carrying?.share ?? 1) * smaller)
  reasons.push({
    rule: `Prey by weight: ${school.name.toLowerCase()}${carrying ? `; ${carrying.rule}` : ''}`,
    inputs: [
      entryInput('Latest weight', `${weight.massG} g`, weight),
      factInput('Prey', `schools.rodentSize`, school.fact!),
      ...(carrying ? [carrying.input] : []),
      spreadInput(feederOf(almanac, prey).name, `feeders.${prey}.massG`, feederOf(almanac, prey).massG),
      factInput('Mouse before rat under', 'common.ratsFrom.value', almanac.common.ratsFrom!),
    ],
    change: 'A new weight, or the other school of rodent size',
  })
  return {
    value: { due, everyDays, portions: [{ prey, count: 1 }], note: smallestOf(almanac, prey, weight.massG) },
    reasons,
  }
}
