import { feederOf, speciesOf } from '../almanac'
import type { Day } from '../chance'
import { nextMeal, type Gravid } from '../feeding'
import { compareRoutes, routeTo } from '../places'
import {
  hereOf,
  inCold,
  livingAnimals,
  oneOf,
  tellOffer,
  tellWays,
  waysUp,
  type AnimalState,
  type Meal,
} from '../subjects'
import type { SeasonContext } from './context'
import type { Lane } from './contracts'
import { nextOfferOf, refusalOf } from './eating'
import { tellPortion } from './tasks'
import { turnOn, type MealContext } from './mealNow'
import { gravidIn, mealWinterOf } from './winter'

export interface HelperMeal {
  what: string
  days: Day[]
}

/** What somebody else must know of one animal to look after it for some days. */
export interface HelperLine {
  of: { type: 'animal' | 'group'; id: string }
  tag: string
  species: string
  /** Where it stands, from the room down. */
  place: readonly string[]
  /** What is minded before its door is opened; empty where nothing is. */
  mind: string
  /** What is given, and the days on which it is. */
  meals: HelperMeal[]
  /** Why it is not fed, where it is not. */
  unfed: string | null
  never: string
  cautions: readonly string[]
}

export interface HelperCard {
  from: Day
  to: Day
  lines: HelperLine[]
  /** Prey that is eaten in all, by its name. */
  prey: string[]
}

/** What to look for, and what then: of all animals. */
export const HELPER_LOOKS: readonly (readonly [look: string, then: string])[] = [
  [
    'Water bowl empty, dirty, or with the animal long in it',
    'Fresh water. Long in it: too warm, or mites; write it down.',
  ],
  ['Lamp or heat off, or a place much warmer or colder than its sign', 'Call. Do not open a hot place and leave it.'],
  ['Open mouth, bubbles, swollen eyes or belly, lying on its back', 'Call, and the reptile vet if nobody answers.'],
  ['An animal is not where it should be', 'Close the room, look low and warm, call.'],
  ['A bite, or poison in the eyes', 'Wash for minutes; to a doctor. Venomous animals are not yours: do not open.'],
]

/** Why nothing is due, in words. */
function whyUnfed(animal: AnimalState, context: SeasonContext): string {
  if (inCold(animal)) return 'in the cold: not fed'
  return mealWinterOf(animal, context).fastFrom !== undefined ? 'fasts before its winter: not fed' : 'nothing is due'
}

/**
 * Meals from today to a day, as if each that is due is offered on its day and eaten, and what is had of each prey; for so
 * many alike.
 */
function mealsUntil(
  animal: AnimalState,
  gravid: Gravid,
  times: number,
  to: Day,
  context: MealContext,
): { meals: HelperMeal[]; eaten: Map<string, number> } {
  const { almanac, settings, today } = context
  const meals = new Map<string, Day[]>()
  const eaten = new Map<string, number>()
  const species = speciesOf(almanac, animal.speciesId)
  const winter = mealWinterOf(animal, context)
  const meal = nextMeal(almanac, settings, species, animal, today, gravid, winter)?.value
  if (!meal) return { meals: [], eaten }
  const { tried, said } = nextOfferOf(animal, refusalOf(animal, gravid, context), context)
  const taken: Pick<Meal, 'day' | 'prey' | 'taken'>[] = [...animal.meals]
  for (
    let day = Math.max(today, meal.due, tried?.day ?? 0);
    day <= to;
    day += Math.max(1, Math.round(meal.everyDays))
  ) {
    if (winter.fastFrom !== undefined && day > winter.fastFrom && day < winter.fastUntil!) break
    // who refuses is offered what it knows
    const turn = animal.refusals ? null : turnOn(day, taken, meal.portions, species, times, context)
    const portions = turn?.value ?? meal.portions
    taken.push(...portions.map(({ prey, count }) => ({ day, prey, taken: count })))
    const all = portions.map(p => ({ ...p, count: Math.ceil(p.count * times) }))
    for (const { prey, count } of all) eaten.set(prey, (eaten.get(prey) ?? 0) + count)
    const what = [all.map(p => tellPortion(almanac, p)).join(' and '), tellOffer(said)].filter(Boolean).join(', ')
    meals.set(what, [...(meals.get(what) ?? []), day])
  }
  return { meals: [...meals].map(([what, days]) => ({ what, days })), eaten }
}

/**
 * The card for who looks after some animals for some days, in the order in which one walks.
 * @param placeId only who lives there, or in what stands in it; null for all of the house
 * @param days from today on, 1 to 60
 * @param lanes of the season, which tell who is gravid
 */
export function helperCard(
  placeId: string | null,
  days: number,
  lanes: readonly Lane[],
  context: MealContext,
): HelperCard {
  const { house, almanac, today } = context
  const gravid = gravidIn(lanes, context)
  const to = today + days - 1
  const isInside = (id: string | null): boolean =>
    placeId === null || [...waysUp(house.places, id)].some(p => p.id === placeId)
  const all = [
    ...livingAnimals(house).map(a => ({ type: 'animal' as const, one: a, times: 1, called: a.tag })),
    ...Object.values(house.groups)
      .filter(g => hereOf(g) > 0)
      .map(g => ({
        type: 'group' as const,
        one: oneOf(g),
        times: hereOf(g),
        called: `${g.tag}, ${hereOf(g)} together`,
      })),
  ]
    .filter(a => isInside(a.one.placeId))
    .map(a => ({ ...a, route: routeTo(house.places, a.one.placeId) }))
    .sort((a, b) => compareRoutes(a.route, b.route) || (a.called < b.called ? -1 : 1))
  const eaten = new Map<string, number>()
  const lines = all.map(({ type, one, times, called, route }): HelperLine => {
    const species = speciesOf(almanac, one.speciesId)
    const { meals, eaten: own } = mealsUntil(one, gravid.get(one.id) ?? false, times, to, context)
    for (const [prey, count] of own) eaten.set(prey, (eaten.get(prey) ?? 0) + count)
    return {
      of: { type, id: one.id },
      tag: called,
      species: species.name,
      place: route.names,
      mind: one.ways ? tellWays(one.ways) : '',
      meals,
      unfed: meals.length ? null : whyUnfed(one, context),
      never: (species.never ?? []).map(id => almanac.feeders[id]?.many ?? id).join(', '),
      cautions: species.cautions,
    }
  })
  const prey = [...eaten]
    .filter(([, count]) => count > 0)
    .sort(([a], [b]) => feederOf(almanac, a).massG.likely - feederOf(almanac, b).massG.likely)
    .map(([id, count]) => tellPortion(almanac, { prey: id, count }))
  return { from: today, to, lines, prey }
}
