import type { Fact, Feeder } from '../../almanac'
import type { Day } from '../../chance'
import { entryInput, factInput } from '../../judgement'
import type { Observed } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import type { Told } from './told'

export interface FailedCulture {
  tag: string
  feeder: Feeder
  failed: Observed
  /** Days for which it is told. */
  told: Fact
}

export const tellFailed = ({ tag, feeder, failed, told }: FailedCulture, today: Day): Told => ({
  text: `${tag} (${feeder.name.toLowerCase()}) failed ${formatDistance(failed.day, today)}`,
  todo: 'Clear it away from the others; the plan already counts without it.',
  reasons: [
    {
      rule: 'A failed culture gives nothing',
      inputs: [
        entryInput('Failed', formatDay(failed.day, today), failed),
        factInput('Told for', 'common.failedTold.value', told),
      ],
    },
  ],
})
