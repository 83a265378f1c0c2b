/** Every place with what it stands in, to choose from. */
export function usePlaceItems() {
  const house = useHouse()
  return computed(() =>
    Object.keys(house.house.places)
      .map(id => ({ value: id, label: house.placeName(id) }))
      .sort((a, b) => (a.label < b.label ? -1 : 1)),
  )
}
