/** In which lengths of a hand's breadth and more are written. */
export function useLengthUnit() {
  const house = useHouse()
  return computed(() => lengthUnitOf(house.settings))
}
