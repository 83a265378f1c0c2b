import type { Override } from '../almanac'
import type { House } from '../log'

/** The house's own numbers, in the order of their paths. */
export function ownNumbers(house: Pick<House, 'numbers'>): Override[] {
  return Object.values(house.numbers)
    .flatMap(({ path, value, note }) => (value === null ? [] : [{ path, value, ...(note !== undefined && { note }) }]))
    .sort((a, b) => (a.path < b.path ? -1 : 1))
}
