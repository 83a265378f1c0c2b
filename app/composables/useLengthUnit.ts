/** Whether lengths of a hand's breadth and more are written in cm or inches, as weights are in g or ounces. */
export function useLengthUnit() {
  const house = useHouse()
  return computed(() => (house.settings.massUnit === 'oz' ? ('in' as const) : ('cm' as const)))
}
