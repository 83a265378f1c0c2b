import { SEXES, type Sex } from '../sexes'
import type { GroupNumbers, GroupState } from './state'

/** All that belong to it, the missing too. */
export const inAll = ({ male, female, unknown }: GroupNumbers): number => male + female + unknown

/** Those that are there, as far as anybody has counted. */
export const hereOf = ({ numbers, missing }: Pick<GroupState, 'numbers' | 'missing'>): number =>
  Math.max(0, inAll(numbers) - (missing?.count ?? 0))

/** A number of animals by sex in words: 12 (3 ♂, 5 ♀). */
export function tellNumbers(group: Pick<GroupState, 'numbers' | 'missing'>): string {
  const { male, female } = group.numbers
  const sexes = [...(male ? [`${male} ♂`] : []), ...(female ? [`${female} ♀`] : [])]
  return `${hereOf(group)}${sexes.length ? ` (${sexes.join(', ')})` : ''}`
}

/**
 * Those that leave are taken off their sex; where no sex is said, off those of unknown sex.
 * @returns null where there are not so many: which sex they were must be said
 */
export function without(numbers: GroupNumbers, count: number, sex: Sex = 'unknown'): GroupNumbers | null {
  // of a group of one sex it is clear which they were
  const kinds = SEXES.filter(s => numbers[s] > 0)
  const from = kinds.length === 1 && sex === 'unknown' ? kinds[0]! : sex
  return numbers[from] >= count ? { ...numbers, [from]: numbers[from] - count } : null
}
