import { speciesOf, type Species } from '../almanac'
import { derived } from '../derived'
import { mostOfKind, nextMeal, preyInTurn, type Gravid, type MealWinter, type NextMeal } from '../feeding'
import type { Judgement } from '../judgement'
import type { AnimalState } from '../subjects'
import type { SeasonContext } from './context'
import type { PreyOutlook } from './contracts'

/** With what there is and what is eaten, which decides whose turn it is. */
export type MealContext = SeasonContext & { prey: readonly PreyOutlook[] }

/** Pieces of each prey that are there today beyond what those want who eat it by the ladder. */
const thereBeyond = derived(
  (prey: readonly PreyOutlook[]): ReadonlyMap<string, number> =>
    new Map(prey.map(p => [p.prey, Math.floor(p.stock + (p.running[0] ?? 0) - (p.mean[0] ?? 0))])),
)

const keys = derived((prey: readonly PreyOutlook[]) => [...thereBeyond(prey)].join(';'))

/** What of it decides the meals of a species; nothing where one prey is given as long as there is enough of it. */
export const thereKey = (species: Species, { almanac, settings, prey }: MealContext): string =>
  mostOfKind(almanac, settings.schools, species) < 1 ? keys(prey) : ''

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
  const { almanac, settings, today, prey } = context
  const species = speciesOf(almanac, of.speciesId)
  const meal = nextMeal(almanac, settings, species, of, today, gravid, winter)
  if (!meal || meal.value.due > today || of.refusals) return meal
  const there = thereBeyond(prey)
  const turn = preyInTurn(
    almanac,
    settings,
    species,
    of.meals,
    meal.value.portions,
    today,
    (id, count) => (there.get(id) ?? 0) >= count * times,
  )
  return turn ? { value: { ...meal.value, portions: turn.value }, reasons: [...meal.reasons, ...turn.reasons] } : meal
}
