import type { Almanac } from '../../almanac'
import { computedInput, entryInput, factInput } from '../../judgement'
import type { AnimalState } from '../../subjects'
import { formatDay, formatDistance, formatQuantity, type TempUnit } from '../../units'
import type { Told } from './told'

export const LABELS = { moved: 'Moved, well' } as const

export interface WarmingStep {
  /** Days after it was taken out of the cold. */
  after: number
  /** To about so many °C; null is full warmth. */
  toC: number | null
}

export interface Warming {
  step: WarmingStep
  warmed: NonNullable<AnimalState['warmed']>
  warmedDay: number
  /** Days to full warmth. */
  days: number
}

export const tellWarming = (
  { step: { toC }, warmed, warmedDay, days }: Warming,
  { common }: Almanac,
  tempUnit: TempUnit,
  today: number,
): Told => ({
  what: toC === null ? 'Move to full warmth, with its basking place' : `Move to about ${formatQuantity(toC, tempUnit)}`,
  detail: `warmed up ${formatDistance(warmedDay, today)}`,
  reasons: [
    {
      rule: 'Warmed in steps: a cool room, a warm one, then full warmth',
      inputs: [
        entryInput('Warmed up', formatDay(warmedDay, today), warmed),
        factInput('First at', 'common.warmFirstC.value', common.warmFirstC!),
        factInput('For', 'common.warmThenAfter.value', common.warmThenAfter!),
        factInput('Then at', 'common.warmThenC.value', common.warmThenC!),
        computedInput('Full warmth after', `${days} days`),
      ],
      change: 'Another school of warming up in Settings or in the group',
    },
  ],
})
