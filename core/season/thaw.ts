import { feederOf, speciesOf } from '../almanac'
import type { Day } from '../chance'
import { nextMeal } from '../feeding'
import { livingAnimals } from '../subjects'
import type { SeasonContext } from './context'
import { nextOfferOf, refusalOf } from './eating'
import { gravidIn, mealWinterOf } from './winter'
import type { Lane } from './contracts'

/** What is made ready the evening before: dead prey to thaw, and prey that is caught live. */
export interface MadeReady {
  prey: string
  count: number
  live: boolean
  /** Tags of whom it is for. */
  for: string[]
}

/**
 * Rodents for the meals that are due on a day.
 * @param fedBefore animals that are fed before it, and so are not due then
 */
export function madeReadyFor(
  day: Day,
  lanes: readonly Lane[],
  context: SeasonContext,
  fedBefore: ReadonlySet<string> = new Set(),
): MadeReady[] {
  const { house, almanac, settings } = context
  const gravid = gravidIn(lanes, context)
  const ready = new Map<string, MadeReady>()
  for (const animal of livingAnimals(house)) {
    if (fedBefore.has(animal.id)) continue
    const species = speciesOf(almanac, animal.speciesId)
    if (species.eats !== 'rodents') continue
    const carries = gravid.get(animal.id) ?? false
    const meal = nextMeal(almanac, settings, species, animal, day, carries, mealWinterOf(animal, context))
    if (!meal || meal.value.due > day) continue
    const { tried, said } = nextOfferOf(animal, refusalOf(animal, carries, context), context)
    // who refuses is left alone between tries
    if (tried && tried.day > day) continue
    const live = said.state === 'live'
    for (const { prey, count } of meal.value.portions) {
      const key = `${prey}:${live}`
      const row = ready.get(key) ?? { prey, count: 0, live, for: [] }
      row.count += count
      row.for.push(animal.tag)
      ready.set(key, row)
    }
  }
  return [...ready.values()].sort(
    (a, b) =>
      Number(a.live) - Number(b.live) ||
      feederOf(almanac, a.prey).massG.likely - feederOf(almanac, b.prey).massG.likely,
  )
}
