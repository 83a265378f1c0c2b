import type { Almanac } from '../../almanac'
import type { Day } from '../../chance'
import { computedInput, factInput } from '../../judgement'
import { formatDay, formatDistance } from '../../units'
import type { Losses } from '../survivalFindings'
import { lossesReasons, tellLosses } from '../survivalWording'
import type { Told } from './told'

export interface LossesOfClutch {
  tag: string
  losses: Losses
  /** Day of the last one. */
  last: Day
}

export const tellLossesOf = ({ tag, losses, last }: LossesOfClutch, almanac: Almanac, today: Day): Told => ({
  text: `${tag}: ${tellLosses(losses, almanac)}`,
  todo: 'What do they share? Water, warmth, damp, prey too large, a mate that bites. Each apart, weighed; the last dead one to the reptile vet, kept cool, not frozen.',
  reasons: [
    ...lossesReasons(losses, almanac),
    {
      rule: 'Told while the last loss is fresh',
      inputs: [
        computedInput('Last one', `${formatDay(last, today)}, ${formatDistance(last, today)}`),
        factInput('For', 'common.lossesLately.value', almanac.common.lossesLately!),
      ],
    },
  ],
})
