import type { Almanac } from '../../almanac'
import type { Day } from '../../chance'
import { computedInput, entryInput, factInput } from '../../judgement'
import type { GroupState } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import type { Told } from './told'

export interface Missing {
  tag: string
  missing: NonNullable<GroupState['missing']>
  /** How many are known to be there. */
  here: number
}

export const tellMissing = ({ tag, missing, here }: Missing, today: Day): Told => ({
  text: `${tag}: ${missing.count} not found when counted ${formatDistance(missing.day, today)}`,
  todo: 'Look under bark, in the moss and the overflow, and round the lid: dead, eaten or out? Count again, or write them as lost.',
  reasons: [
    {
      rule: 'Counted fewer than are known of the group',
      inputs: [
        entryInput('Counted', formatDay(missing.day, today), missing),
        computedInput('There', `${here}`),
        computedInput('Not found', `${missing.count}`),
      ],
      change: 'A new count, or a loss that is written',
    },
  ],
})

type Look = NonNullable<GroupState['seenEating']>[number]

/** Two looks in a row at which few ate. */
export interface FewEat {
  tag: string
  before: Look
  last: Look
}

export const tellGroupEats = ({ tag, before, last }: FewEat, { common }: Almanac, today: Day): Told => ({
  text: `${tag}: ${last.ate} of ${last.of} seen eating, and ${before.ate} of ${before.of} the time before`,
  todo: 'Spread the food, feed at another hour, and look for thin ones: take those apart. Count them, and weigh some.',
  reasons: [
    {
      rule: 'Few ate at two looks in a row: the small ones starve beside the large',
      inputs: [
        ...[before, last].map(l => entryInput(`Ate ${formatDay(l.day, today)}`, `${l.ate} of ${l.of}`, l)),
        factInput('Told under, of those that are there', 'common.groupEats.value', common.groupEats!),
        factInput('Looked back for', 'common.groupEatsDays.value', common.groupEatsDays!),
      ],
      change: 'A look at which more eat',
    },
  ],
})

export interface GroupLosses {
  tag: string
  /** Losses that are looked at together. */
  lost: GroupState['lost']
  count: number
  /** How many there were before them. */
  before: number
}

export const tellGroupLosses = (
  { tag, lost, count, before }: GroupLosses,
  { common: { groupLossDays, groupLossShare } }: Almanac,
  today: Day,
): Told => ({
  text: `${tag} lost ${count} of ${before} in ${groupLossDays!.value} days`,
  todo: 'Water, warmth and food first; those that look unwell out and apart, with own tools. The dead go to the reptile vet, kept cool and moist, not frozen.',
  reasons: [
    {
      rule: 'Losses of a group are looked at together: what one dies of, others may have',
      inputs: [
        ...lost.map(l =>
          entryInput(`Lost ${l.count}`, `${formatDay(l.day, today)}${l.cause ? `, ${l.cause}` : ''}`, l),
        ),
        factInput('Looked at together within', 'common.groupLossDays.value', groupLossDays!),
        factInput('Alarming from', 'common.groupLossShare.value', groupLossShare!),
      ],
      change: 'Days without a further loss',
    },
  ],
})
