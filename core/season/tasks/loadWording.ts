import type { Fact } from '../../almanac'
import { factInput, type Reason } from '../../judgement'
import { formatDistance } from '../../units'
import type { Told } from './told'

export const LABELS = { ended: 'Season ended' } as const

/** @param daysSince days since she laid, and for how many she is asked to be weighed */
export const tellWeighAfter = (
  [daysSince, within]: [number, Fact],
  reasons: readonly Reason[],
  today: number,
): Told => ({
  what: 'Weigh after laying',
  detail: `laid ${formatDistance(today - daysSince, today)}`,
  reasons: [
    ...reasons,
    {
      rule: 'What a clutch cost her is read from her weight after it',
      inputs: [factInput('Asked for within', 'common.weighAfterLaying.value', within)],
      change: 'A weight recorded today',
    },
  ],
})

/** Why a season is ended, as it is written. */
export const endedWhy = (verdict: string): string => `rest: ${verdict}`.slice(0, 300)

/** @param verdict what the judgement of her load says */
export const tellRest = (verdict: string, reasons: Reason[]): Told => ({
  what: 'Let her rest: end the season',
  detail: verdict,
  caution: 'No male any more this season. Straining or a swollen vent is for the reptile vet.',
  reasons,
})
