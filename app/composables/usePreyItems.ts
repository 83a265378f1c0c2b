import { isLiveRow } from '#core/almanac'

/** What can be fed, to choose from; whether it was alive is said of the meal. */
export function usePreyItems() {
  const house = useHouse()
  return computed(() =>
    Object.values(house.almanac.feeders)
      .filter(f => !f.retired && !isLiveRow(f.id))
      .map(f => ({ value: f.id, label: f.name })),
  )
}
