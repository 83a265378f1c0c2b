import { speciesOf, type Species } from '../almanac'
import type { Day } from '../chance'
import { derived } from '../derived'
import { mostOfKind, nextMeal, preyInTurn, type Gravid, type MealWinter, type NextMeal, type Portion } from '../feeding'
import type { Judgement } from '../judgement'
import type { AnimalState, Meal } from '../subjects'
import type { SeasonContext } from './context'
import type { PreyOutlook } from './contracts'

/** With what there is and what is eaten, which decides whose turn it is. */
export type MealContext = SeasonContext & { prey: readonly PreyOutlook[] }

/**
 * Pieces of each prey that are there on a day beyond what those want who eat it by the ladder, as long as nothing more is
 * started. @param ahead days from today
 */
const beyondOn = derived((prey: readonly PreyOutlook[]) => {
  const known = new Map<number, ReadonlyMap<string, number>>()
  return (ahead: number): ReadonlyMap<string, number> => {
    let there = known.get(ahead)
    if (!there) {
      const left = ({ stock, running, mean }: PreyOutlook) => {
        let pieces = stock
        for (let d = 0; d <= ahead; d++) pieces += (running[d] ?? 0) - (mean[d] ?? 0)
        return Math.floor(pieces)
      }
      known.set(ahead, (there = new Map(prey.map(p => [p.prey, left(p)]))))
    }
    return there
  }
})

const keys = derived((prey: readonly PreyOutlook[]) => [...beyondOn(prey)(0)].join(';'))

/** What of it decides the meals of a species; nothing where one prey is given as long as there is enough of it. */
export const thereKey = (species: Species, { almanac, settings, prey }: MealContext): string =>
  mostOfKind(almanac, settings.schools, species) < 1 ? keys(prey) : ''

/**
 * Whose turn it is on a day, today or later, by what was eaten until then and what is there beyond what its own eaters
 * want; null where one prey is given as long as there is enough of it.
 * @param times how many eat it: so many times is to be there of another kind
 */
export function turnOn(
  day: Day,
  meals: readonly Pick<Meal, 'day' | 'prey' | 'taken'>[],
  portions: readonly Portion[],
  species: Species,
  times: number,
  { almanac, settings, today, prey }: MealContext,
): Judgement<Portion[]> | null {
  if (mostOfKind(almanac, settings.schools, species) >= 1) return null
  const there = beyondOn(prey)(day - today)
  const isThere = (id: string, count: number) => (there.get(id) ?? 0) >= count * times
  return preyInTurn(almanac, settings, species, meals, portions, day, isThere)
}

/**
 * The next meal of an animal, or of one of a group: when it is due of the kind whose turn it is, where several are given
 * in turn; who refuses is offered what it knows.
 * @param times how many of them eat it: so many times is to be there of another kind
 */
export function mealNow(
  of: AnimalState,
  context: MealContext,
  { gravid, winter, times = 1 }: { gravid?: Gravid; winter?: MealWinter; times?: number } = {},
): Judgement<NextMeal> | null {
  const { almanac, settings, today } = context
  const species = speciesOf(almanac, of.speciesId)
  const meal = nextMeal(almanac, settings, species, of, today, gravid, winter)
  if (!meal || meal.value.due > today || of.refusals) return meal
  const turn = turnOn(today, of.meals, meal.value.portions, species, times, context)
  return turn ? { value: { ...meal.value, portions: turn.value }, reasons: [...meal.reasons, ...turn.reasons] } : meal
}
