import { SeasonMemory, type SeasonContext } from '#core/season'

/** The house as core functions take it. */
export function useSeasonContext(): ComputedRef<SeasonContext> {
  const house = useHouse()
  const memory = new SeasonMemory()
  return computed(() => ({
    house: house.house,
    almanac: house.almanac,
    settings: house.settings,
    today: house.today,
    memory,
  }))
}
