import { computedInput, entryInput, factInput } from '../../judgement'
import { hereOf, type GroupState } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'

/** Some were not found when the group was counted. */
export function missingAlarm(group: GroupState, { today }: SeasonContext): Alarm | null {
  const { missing } = group
  if (!missing) return null
  return {
    id: `missing:${group.id}:${missing.entryId}`,
    level: 'watch',
    subject: { type: 'group', id: group.id },
    text: `${group.tag}: ${missing.count} not found when counted ${formatDistance(missing.day, today)}`,
    todo: 'Look under bark, in the moss and the overflow, and round the lid: dead, eaten or out? Count again, or write them as lost.',
    reasons: [
      {
        rule: 'Counted fewer than are known of the group',
        inputs: [
          entryInput('Counted', formatDay(missing.day, today), missing),
          computedInput('There', `${hereOf(group)}`),
          computedInput('Not found', `${missing.count}`),
        ],
        change: 'A new count, or a loss that is written',
      },
    ],
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
    subject: { type: 'group', id: group.id },
    text: `${group.tag} lost ${count} of ${before} in ${within!.value} days`,
    todo: 'Water, warmth and food first; those that look unwell out and apart, with own tools. The dead go to the reptile vet, kept cool and moist, not frozen.',
    reasons: [
      {
        rule: 'Losses of a group are looked at together: what one dies of, others may have',
        inputs: [
          ...lost.map(l =>
            entryInput(`Lost ${l.count}`, `${formatDay(l.day, today)}${l.cause ? `, ${l.cause}` : ''}`, l),
          ),
          factInput('Looked at together within', 'common.groupLossDays.value', within!),
          factInput('Alarming from', 'common.groupLossShare.value', share!),
        ],
        change: 'Days without a further loss',
      },
    ],
  }
}
