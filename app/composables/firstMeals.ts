import type { House } from '#core/subjects'
import type { Task } from '#core/season'

/** Fewer animals than this are simply fed. */
const FROM = 4

export interface FirstMeals {
  speciesId: string
  tasks: Task[]
}

/**
 * Meals of animals that came to the house without one written: what they ate before is not known, so it is asked once
 * for all of them instead of animal by animal.
 * @returns by species, the most first; empty where they are few
 */
export function firstMealsOf(tasks: readonly Task[], house: Pick<House, 'animals'>): FirstMeals[] {
  const bySpecies = new Map<string, Task[]>()
  let count = 0
  for (const task of tasks) {
    const animal = task.id.startsWith('feed:') ? house.animals[task.subject.id] : undefined
    if (!animal || animal.meals.length || animal.clutchId !== null || animal.warmed) continue
    bySpecies.set(animal.speciesId, [...(bySpecies.get(animal.speciesId) ?? []), task])
    count++
  }
  return count < FROM
    ? []
    : [...bySpecies]
        .map(([speciesId, list]) => ({ speciesId, tasks: list }))
        .sort((a, b) => b.tasks.length - a.tasks.length)
}
