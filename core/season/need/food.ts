import { derived } from '../../derived'
import { speciesOf, type Almanac, type Species } from '../../almanac'
import { mouthProfile } from '../../feeding'
import {
  groupProfile,
  presence,
  presenceOfCounted,
  type FoodByAge,
  type FoodRow,
  type MouthSource,
} from '../../nursery'
import type { HouseSettings } from '../../settings'
import { HORIZON_DAYS } from './horizon'

/** Foods of an almanac and settings by species and survival: profiles are long, and the same for all alike. */
const foodsOf = derived((_: Almanac) => derived((__: HouseSettings) => new Map<string, FoodByAge>()))

function speciesFood(
  species: Species,
  survival90: number | undefined,
  almanac: Almanac,
  settings: HouseSettings,
): FoodByAge {
  const { keptDays } = species
  const kept = {
    keptDays,
    survival90: { ...species.survival90, ...(survival90 !== undefined && { value: survival90 }) },
  }
  const days = HORIZON_DAYS + 400
  const profile = mouthProfile(almanac, settings, species, days)
  const byAge = new Map<number, Map<string, FoodRow>>()
  return age => {
    let rows = byAge.get(age)
    if (!rows) {
      rows = groupProfile(
        profile,
        age > 0 ? presenceOfCounted(kept, days, age, almanac.common) : presence(kept, days, almanac.common),
      )
      byAge.set(age, rows)
    }
    return rows
  }
}

/** Food per young of a source by days since its first meal, losses and sales taken off. */
export function foodOfSource(
  { speciesId, survival90 }: Pick<MouthSource, 'speciesId' | 'survival90'>,
  almanac: Almanac,
  settings: HouseSettings,
): FoodByAge {
  const foods = foodsOf(almanac)(settings)
  const key = `${speciesId}:${survival90 ?? ''}`
  let food = foods.get(key)
  if (!food) foods.set(key, (food = speciesFood(speciesOf(almanac, speciesId), survival90, almanac, settings)))
  return food
}
