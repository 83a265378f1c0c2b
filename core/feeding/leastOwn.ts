import type { Species } from '../almanac'
import { derived } from '../derived'

/** By prey, the most that any step of the ladder asks for. */
const leastOf = derived((ladder: Species['ladder']): ReadonlyMap<string, number> => {
  const least = new Map<string, number>()
  for (const { meal } of ladder)
    for (const { prey, least: asked } of meal) if (asked) least.set(prey, Math.max(asked, least.get(prey) ?? 0))
  return least
})

/**
 * The part of what a species eats of a prey that is to be that prey itself, whatever may stand for it.
 * @returns 0..1: 0 where all of it may be replaced, 1 where none
 */
export const leastOwn = ({ ladder }: Pick<Species, 'ladder'>, prey: string): number => leastOf(ladder).get(prey) ?? 0
