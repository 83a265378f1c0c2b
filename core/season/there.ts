import type { Species } from '../almanac'
import { derived } from '../derived'
import { mostOfKind } from '../feeding'
import type { SeasonContext } from './context'
import type { PreyOutlook } from './contracts'

/** Pieces of each prey that are there today beyond what those want who eat it by the ladder. */
const thereBeyond = derived(
  (prey: readonly PreyOutlook[]): ReadonlyMap<string, number> =>
    new Map(prey.map(p => [p.prey, Math.floor(p.stock + (p.running[0] ?? 0) - (p.mean[0] ?? 0))])),
)

/** Whether so many pieces of a prey are there beyond what its own eaters want today. */
export const isThere =
  ({ prey }: { prey: readonly PreyOutlook[] }) =>
  (id: string, count: number): boolean =>
    (thereBeyond(prey).get(id) ?? 0) >= count

const keys = derived((prey: readonly PreyOutlook[]) => [...thereBeyond(prey)].join(';'))

/** What of it decides the meals of a species; nothing where one prey is given as long as there is enough of it. */
export const thereKey = (
  species: Species,
  { almanac, settings, prey }: SeasonContext & { prey: readonly PreyOutlook[] },
): string => (mostOfKind(almanac, settings.schools, species) < 1 ? keys(prey) : '')
