import type { DaySummary } from '../../chance'
import type { Reason } from '../../judgement'
import { formatRange } from '../../units'
import type { Told } from './told'

export const LABELS = {
  gaveBirth: 'Gave birth',
  laid: 'Laid',
  notYet: 'Not yet',
  liveYoung: 'Live young',
  eggs: 'Eggs',
} as const

export const tellGravid = (sought: 'young' | 'spawn' | 'eggs', when: DaySummary, reasons: Reason[]): Told => ({
  what: `Look for ${sought}`,
  detail: formatRange(when),
  caution:
    sought === 'young'
      ? 'Straining without young for hours is an emergency: call the reptile vet.'
      : 'Straining without eggs, or swelling at the vent: call the reptile vet.',
  reasons,
})
