import type { Reason } from '../../judgement'
import { formatDistance } from '../../units'
import type { Told } from './told'

export const LABELS = { ended: 'Season ended' } as const

/** @param daysSince days since she laid */
export const tellWeighAfter = (daysSince: number, reasons: Reason[], today: number): Told => ({
  what: 'Weigh after laying',
  detail: `laid ${formatDistance(today - daysSince, today)}`,
  reasons,
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
