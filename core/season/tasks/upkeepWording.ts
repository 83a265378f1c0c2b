import { feederOf, type Almanac } from '../../almanac'
import { computedInput, entryInput, factInput, type Reason } from '../../judgement'
import { formatDay, formatDistance } from '../../units'
import type { UpkeepDue } from '../upkeep'
import type { Told } from './told'

export const LABELS = { done: 'Done' } as const

/** Tags of the cultures it is done for, or which feeders. */
export function tagOf(list: readonly UpkeepDue[], almanac: Almanac): string {
  const tags = list.flatMap(one => one.tags)
  if (tags.length) return tags.join(', ')
  return list.length === 1 ? feederOf(almanac, list[0]!.prey).name : `${list.length} feeders`
}

const upkeepAt = ({ prey, job }: UpkeepDue, almanac: Almanac): number =>
  feederOf(almanac, prey).upkeep!.findIndex(u => u.id === job.id)

const reasonOf = (one: UpkeepDue, almanac: Almanac, today: number): Reason => ({
  rule: `${feederOf(almanac, one.prey).name}: ${one.job.what.toLowerCase()}, so often while it is kept`,
  inputs: [
    one.own
      ? computedInput('Every', `${one.everyDays} days, as the house says`)
      : factInput('Every', `feeders.${one.prey}.upkeep.${upkeepAt(one, almanac)}.everyDays.value`, one.job.everyDays),
    one.last ? entryInput('Last', formatDay(one.last.day, today), one.last) : computedInput('Last', 'never written'),
  ],
  change: 'Its rhythm, on Feeders under upkeep',
})

/** @param list the same job for one feeder and more */
export function tellUpkeep(list: readonly UpkeepDue[], almanac: Almanac, today: number): Told {
  const isNamed = list.length > 1 || list.some(one => one.tags.length)
  const feeders = isNamed ? list.map(one => feederOf(almanac, one.prey).many).join(', ') : ''
  const late = list.filter(one => one.late).map(one => one.due)
  const since = late.length ? `late: due ${formatDistance(Math.min(...late), today)}` : ''
  return {
    what: list[0]!.job.what,
    detail: [feeders, since].filter(Boolean).join('; '),
    reasons: list.map(one => reasonOf(one, almanac, today)),
  }
}
