import type { Almanac, Feeder } from '../../almanac'
import type { Day } from '../../chance'
import { computedInput, factInput } from '../../judgement'
import { formatDay } from '../../units'
import type { Told } from './told'

export interface ChainEnds {
  feeder: Feeder
  recipe: NonNullable<Feeder['recipe']>
  supply: Extract<Feeder['supply'], { kind: 'batch' }>
  /** The day on which the chain breaks; null where it will have broken before the next culture day. */
  breaks: Day | null
  /** Tags of cultures from which some can still be started. */
  founders: readonly string[]
  /** The next culture day. */
  next: Day
  /** Chance that one of the house's own yields on it, 0..1. */
  yields: number
}

function sentences({ feeder, breaks, founders, next }: ChainEnds, today: Day): Pick<Told, 'text' | 'todo'> {
  const on = formatDay(next, today)
  if (breaks === null)
    return {
      text: `${feeder.name}: nothing of your own is sure to yield on ${on}, so that none can be started from it`,
      todo: 'Order a culture about to yield, or founders; look into those that grow.',
    }
  const from = founders.length ? `, from ${founders.join(' and ')}` : ''
  return {
    text: `${feeder.name}: the chain breaks about ${formatDay(breaks, today)}`,
    todo: `Start some on ${on}${from}: after that nothing of your own is there to start from.`,
  }
}

export const tellChain = (chain: ChainEnds, { common }: Almanac, today: Day): Told => ({
  ...sentences(chain, today),
  reasons: [
    {
      rule: 'A culture is founded from one that yields, for a while, and may fail: the chain holds while one of them does',
      inputs: [
        factInput('Founders of one', `feeders.${chain.feeder.id}.recipe.founders.value`, chain.recipe.founders),
        factInput('Yields for', `feeders.${chain.feeder.id}.supply.producingDays.value`, chain.supply.producingDays),
        factInput('Sure enough', 'common.chainSure.value', common.chainSure!),
        computedInput('One yields on the next culture day', `${Math.round(100 * chain.yields)} of 100`),
      ],
      change: 'A culture started, or seen to produce',
    },
  ],
})
