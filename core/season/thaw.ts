import { feederOf, speciesOf } from '../almanac'
import type { Day } from '../chance'
import { nextMeal } from '../feeding'
import type { SeasonContext } from './context'
import { offerOf } from './eating'
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

/** Rodents for the meals that fall due on a day and are not due before it. */
export function madeReadyFor(day: Day, lanes: readonly Lane[], context: SeasonContext): MadeReady[] {
  const { house, almanac, settings } = context
  const gravid = gravidIn(lanes, context)
  const ready = new Map<string, MadeReady>()
  for (const animal of Object.values(house.animals)) {
    if (animal.status !== 'alive') continue
    const species = speciesOf(almanac, animal.speciesId)
    if (species.eats !== 'rodents') continue
    const carries = gravid.get(animal.id) ?? false
    const meal = nextMeal(almanac, settings, species, animal, day, carries, mealWinterOf(animal, context))
    if (!meal || meal.value.due > day) continue
    const live = offerOf(animal, context)?.value.state === 'live'
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
