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

/** Fewer than usual ate when they were last looked at, and the time before: some starve beside the others. */
export function groupEatsAlarm(group: GroupState, { almanac, today }: SeasonContext): Alarm | null {
  const { groupEats, groupEatsDays } = almanac.common
  const looks = (group.seenEating ?? []).filter(l => l.of > 0 && today - l.day < groupEatsDays!.value).slice(-2)
  const few = looks.filter(l => l.ate < groupEats!.value * l.of)
  if (looks.length < 2 || few.length < 2) return null
  const last = looks.at(-1)!
  return {
    id: `groupEats:${group.id}:${last.entryId}`,
    level: 'watch',
    subject: { type: 'group', id: group.id },
    text: `${group.tag}: ${last.ate} of ${last.of} seen eating, and ${looks[0]!.ate} of ${looks[0]!.of} the time before`,
    todo: 'Spread the food, feed at another hour, and look for thin ones: take those apart. Count them, and weigh some.',
    reasons: [
      {
        rule: 'Few ate at two looks in a row: the small ones starve beside the large',
        inputs: [
          ...looks.map(l => entryInput(`Ate ${formatDay(l.day, today)}`, `${l.ate} of ${l.of}`, l)),
          factInput('Told under, of those that are there', 'common.groupEats.value', groupEats!),
          factInput('Looked back for', 'common.groupEatsDays.value', groupEatsDays!),
        ],
        change: 'A look at which more eat',
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
