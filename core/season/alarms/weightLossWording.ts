import type { Almanac } from '../../almanac'
import type { Day } from '../../chance'
import { entryInput, factInput } from '../../judgement'
import type { Weighing } from '../../subjects'
import { formatDistance } from '../../units'
import type { Told } from './told'

export interface WeightLoss {
  tag: string
  now: Weighing
  best: Weighing
  /** Share of the best weight that it lost. */
  lost: number
  harms: boolean
}

const ADVICE = {
  harm: 'Weigh again to be sure of it, have droppings tested, call the reptile vet.',
  watch: 'Weigh again in a week; look at droppings, warmth and who shares its place.',
}

export const tellWeightLoss = (
  { tag, now, best, lost, harms }: WeightLoss,
  { common: { lossLookedBack, lossWatch, lossHarm } }: Almanac,
  today: Day,
): Told => ({
  text: `${tag} weighs ${Math.round(lost * 100)} % less than at its best, ${formatDistance(best.day, today)}`,
  todo: harms ? ADVICE.harm : ADVICE.watch,
  reasons: [
    {
      rule: 'Of its best weight in the last half year; eating does not make up for it',
      inputs: [
        entryInput('Now', `${now.massG} g`, now),
        entryInput('Best', `${best.massG} g`, best),
        factInput('Looked back', 'common.lossLookedBack.value', lossLookedBack!),
        factInput('Watched from', 'common.lossWatch.value', lossWatch!),
        factInput('Harm from', 'common.lossHarm.value', lossHarm!),
      ],
      change: 'A later weight',
    },
  ],
})
