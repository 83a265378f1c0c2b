import { feederOf, type Almanac, type Species } from '../../almanac'
import { derived } from '../../derived'
import { leastOwn, mostOfKind } from '../../feeding'
import type { HouseSettings } from '../../settings'
import type { EatersNeed } from '../contracts'
import { HORIZON_DAYS } from './horizon'

/** What those who eat a prey may be given instead, and how much of it. */
type Diet = Pick<EatersNeed, 'never' | 'mostOfOne' | 'leastOwn'>

/** The need of each prey by who may be given what instead. */
export class EatersByPrey {
  private readonly needs = new Map<string, Map<string, EatersNeed>>()
  private readonly keys = new WeakMap<readonly string[], string>()

  private keyOf(never: readonly string[]): string {
    let key = this.keys.get(never)
    if (key === undefined) this.keys.set(never, (key = [...never].sort().join()))
    return key
  }

  /** The need of a prey of those who may be given the same instead, to be added to. */
  need(prey: string, { never, mostOfOne, leastOwn }: Diet): EatersNeed {
    let alike = this.needs.get(prey)
    if (!alike) this.needs.set(prey, (alike = new Map()))
    const key = `${this.keyOf(never)} ${mostOfOne} ${leastOwn}`
    let need = alike.get(key)
    if (!need) {
      need = { never, mean: new Float64Array(HORIZON_DAYS), meals: 0, pieces: 0, mostOfOne, leastOwn }
      alike.set(key, need)
    }
    return need
  }

  addAll(others: EatersByPrey): void {
    for (const [prey, alike] of others.needs) {
      for (const { mean, meals, pieces, ...diet } of alike.values()) {
        const need = this.need(prey, diet)
        need.meals += meals
        need.pieces += pieces
        addDays(need.mean, mean)
      }
    }
  }

  /** Each prey that is eaten, with those who eat it. */
  byPrey(): [string, EatersNeed[]][] {
    return [...this.needs.keys()].map(prey => [prey, this.eatersOf(prey)])
  }

  /** In an order of its own, whatever order they were added in. */
  eatersOf(prey: string): EatersNeed[] {
    const alike = this.needs.get(prey) ?? new Map<string, EatersNeed>()
    return [...alike].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, need]) => need)
  }
}

/** Adds a row of days to another. */
export function addDays(target: Float64Array, row: ArrayLike<number>): void {
  for (let d = 0; d < row.length; d++) target[d]! += row[d]!
}

/** What a prey is of a whole meal of a species. */
interface OfMeal {
  /** The part of the meal that one piece is. */
  piece: number
  /** And that all of its pieces are. */
  all: number
}
const partsOfMeals = derived((_: Almanac) => derived((__: Species) => new Map<string, OfMeal>()))

/** By weight, on the steps that have it; one piece is a whole meal of what no step has. */
function ofMeal(almanac: Almanac, species: Species, prey: string): OfMeal {
  const known = partsOfMeals(almanac)(species)
  let part = known.get(prey)
  if (part === undefined) {
    const parts = species.ladder.flatMap(step => {
      const massG = step.meal.reduce((g, m) => g + m.count * feederOf(almanac, m.prey).massG.likely, 0)
      return step.meal
        .filter(m => m.prey === prey)
        .map(m => ({ count: m.count, piece: feederOf(almanac, m.prey).massG.likely / massG }))
    })
    const mean = (of: (p: (typeof parts)[number]) => number) =>
      parts.length ? parts.reduce((n, p) => n + of(p), 0) / parts.length : 1
    known.set(prey, (part = { piece: mean(p => p.piece), all: mean(p => p.count * p.piece) }))
  }
  return part
}

/** The part of a whole meal of this species that one piece of a prey is, by weight, on the steps that have it; else 1. */
export const mealsPerPiece = (almanac: Almanac, species: Species, prey: string): number =>
  ofMeal(almanac, species, prey).piece

const NONE: readonly string[] = []

/**
 * What a species may be given in place of a prey. Where it is given several kinds in turn, the most that is to be of one:
 * a meal that is of several already may be as it is.
 */
export function dietOf(
  almanac: Almanac,
  { schools }: Pick<HouseSettings, 'schools'>,
  species: Species,
  prey: string,
): Diet {
  const most = mostOfKind(almanac, schools, species)
  const least = leastOwn(species, prey)
  // to a hundredth, so that those who eat nearly alike are planned as one
  const here = most < 1 ? Number((most / ofMeal(almanac, species, prey).all).toFixed(2)) : 1
  return { never: species.never ?? NONE, mostOfOne: Math.min(1, Math.max(here, least)), leastOwn: least }
}
