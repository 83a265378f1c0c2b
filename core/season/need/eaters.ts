import { feederOf, type Almanac, type Species } from '../../almanac'
import { derived } from '../../derived'
import type { EatersNeed } from '../contracts'
import { HORIZON_DAYS } from './horizon'

/** The need of each prey by who may be given what instead. */
export class EatersByPrey {
  private readonly needs = new Map<string, Map<string, EatersNeed>>()
  private readonly keys = new WeakMap<readonly string[], string>()

  private keyOf(never: readonly string[]): string {
    let key = this.keys.get(never)
    if (key === undefined) this.keys.set(never, (key = [...never].sort().join()))
    return key
  }

  /** The need of a prey of those who are never given some others, to be added to. */
  need(prey: string, never: readonly string[]): EatersNeed {
    let byNever = this.needs.get(prey)
    if (!byNever) this.needs.set(prey, (byNever = new Map()))
    const key = this.keyOf(never)
    let need = byNever.get(key)
    if (!need) byNever.set(key, (need = { never, mean: new Float64Array(HORIZON_DAYS), meals: 0, pieces: 0 }))
    return need
  }

  addAll(others: EatersByPrey): void {
    for (const [prey, byNever] of others.needs) {
      for (const { never, mean, meals, pieces } of byNever.values()) {
        const need = this.need(prey, never)
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
    const byNever = this.needs.get(prey) ?? new Map<string, EatersNeed>()
    return [...byNever].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, need]) => need)
  }
}

/** Adds a row of days to another. */
export function addDays(target: Float64Array, row: ArrayLike<number>): void {
  for (let d = 0; d < row.length; d++) target[d]! += row[d]!
}

const pieceWorths = derived((_: Almanac) => derived((__: Species) => new Map<string, number>()))

/** The part of a whole meal of this species that one piece of a prey is, by weight, on the steps that have it; else 1. */
export function mealsPerPiece(almanac: Almanac, species: Species, prey: string): number {
  const known = pieceWorths(almanac)(species)
  let worth = known.get(prey)
  if (worth === undefined) {
    const shares = species.ladder.flatMap(step => {
      const massG = step.meal.reduce((g, m) => g + m.count * feederOf(almanac, m.prey).massG.likely, 0)
      return step.meal.filter(m => m.prey === prey).map(m => feederOf(almanac, m.prey).massG.likely / massG)
    })
    worth = shares.length ? shares.reduce((a, b) => a + b, 0) / shares.length : 1
    known.set(prey, worth)
  }
  return worth
}
