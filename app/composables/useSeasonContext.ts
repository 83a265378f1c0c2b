import { SeasonMemory, type MealContext } from '#core/season'

/** The house as core functions take it. */
export function useSeasonContext(): ComputedRef<MealContext> {
  const house = useHouse()
  const memory = new SeasonMemory()
  return computed(() => ({
    house: house.house,
    almanac: house.almanac,
    settings: house.settings,
    today: house.today,
    prey: house.season?.prey ?? [],
    memory,
  }))
}
