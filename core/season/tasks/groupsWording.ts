import type { Almanac, Fact, Species } from '../../almanac'
import type { Portion } from '../../feeding'
import { computedInput, entryInput, factInput, spreadInput, type Reason } from '../../judgement'
import { hereOf, inAll, tellNumbers, type GroupState } from '../../subjects'
import { formatDistance } from '../../units'
import { tellPortion } from './feedingWording'
import type { Told } from './told'

export const LABELS = {
  fed: 'Fed',
  lostSome: 'Lost some',
  lost: 'Lost',
  counted: 'Counted',
  howMany: 'How many are there',
  nothing: 'Nothing',
  slug: 'A slug',
  eggs: 'Eggs',
} as const

export const tellGroupMeal = (
  group: GroupState,
  portions: readonly Portion[],
  reasons: readonly Reason[],
  almanac: Almanac,
): Told => ({
  what: `Feed all ${hereOf(group)}: ${portions.map(p => tellPortion(almanac, p)).join(' and ')}`,
  detail: group.meals.length ? undefined : 'no meal written yet',
  caution: 'Spread it, so that the small ones get theirs; take out what is left, insects nibble sleepers.',
  reasons: [
    {
      rule: 'A group eats as one of it does, times those that are there',
      inputs: [computedInput('Mouths', tellNumbers(group))],
      change: 'A count, or somebody who joins or leaves',
    },
    ...reasons,
  ],
})

export const tellCount = ({ numbers, lastCounted: last }: GroupState, every: Fact, today: number): Told => ({
  what: `Count them: ${inAll(numbers)} are known`,
  detail: last ? `counted ${formatDistance(last.day, today)}` : 'not counted yet',
  reasons: [
    {
      rule: 'Who has no tag is missed only by counting',
      inputs: [
        factInput('Counted every', 'common.groupCountedEvery.value', every),
        ...(last ? [entryInput('Last count', formatDistance(last.day, today), last)] : []),
      ],
      change: 'A count',
    },
  ],
})

export interface Nest {
  species: Species
  every: Fact
  /** The day of the last laying. */
  last: number
}

export const tellNest = ({ lastNest }: GroupState, { species, every, last }: Nest, today: number): Told => ({
  what: 'Look for eggs: damp spot under the hide, leaves, lid and pieces',
  detail: `last laid ${formatDistance(last, today)}`,
  caution: 'Do not turn them: mark the top. Glued eggs come out with the piece they are on.',
  reasons: [
    {
      rule: 'It laid, and another clutch may follow until so long after',
      inputs: [
        factInput('Looked through every', 'common.nestEvery.value', every),
        spreadInput('To the next laying', `species.${species.id}.nextClutch.days`, species.nextClutch!.days),
        ...(lastNest ? [entryInput('Last look', formatDistance(lastNest.day, today), lastNest)] : []),
      ],
      change: 'A look, or a laying',
    },
  ],
})
