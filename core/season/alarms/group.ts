import { hereOf, type GroupState } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'
import { tellGroupEats, tellGroupLosses, tellMissing } from './groupWording'

const subjectOf = ({ id }: GroupState) => ({ type: 'group' as const, id })

/** Some were not found when the group was counted. */
export function missingAlarm(group: GroupState, { today }: SeasonContext): Alarm | null {
  const { missing } = group
  if (!missing) return null
  return {
    id: `missing:${group.id}:${missing.entryId}`,
    level: 'watch',
    subject: subjectOf(group),
    ...tellMissing({ tag: group.tag, missing, here: hereOf(group) }, today),
  }
}

/** Fewer than usual ate when they were last looked at, and the time before: some starve beside the others. */
export function groupEatsAlarm(group: GroupState, { almanac, today }: SeasonContext): Alarm | null {
  const { groupEats, groupEatsDays } = almanac.common
  const looks = (group.seenEating ?? []).filter(l => l.of > 0 && today - l.day < groupEatsDays!.value).slice(-2)
  const few = looks.filter(l => l.ate < groupEats!.value * l.of)
  const [before, last] = looks
  if (!before || !last || few.length < 2) return null
  return {
    id: `groupEats:${group.id}:${last.entryId}`,
    level: 'watch',
    subject: subjectOf(group),
    ...tellGroupEats({ tag: group.tag, before, last }, almanac, today),
  }
}

/** Several deaths within weeks: what one dies of in a group, others may have. */
export function groupLossAlarm(group: GroupState, { almanac, today }: SeasonContext): Alarm | null {
  const { groupLossDays: within, groupLossShare: share } = almanac.common
  const lost = group.lost.filter(l => today - l.day < within!.value)
  const count = lost.reduce((sum, l) => sum + l.count, 0)
  const before = hereOf(group) + count
  if (count < 2 || count < share!.value * before) return null
  return {
    id: `groupLosses:${group.id}:${lost.at(-1)!.entryId}`,
    level: 'harm',
    subject: subjectOf(group),
    ...tellGroupLosses({ tag: group.tag, lost, count, before }, almanac, today),
  }
}
