import type { Day } from '../../chance'
import { entryInput } from '../../judgement'
import { SIGN_WORDS, type AnimalState, type Sign } from '../../subjects'
import { formatDistance } from '../../units'
import type { Told } from './told'

export interface Unwell {
  tag: string
  unwell: NonNullable<AnimalState['unwell']>
  /** It does not wait. */
  urgent: boolean
}

const TODAY =
  'To the reptile vet today: this does not wait. Apart, warm, quiet and clean until then; nothing is pushed back or pulled.'
const LOOK_AGAIN =
  'Look again today, apart from the others, washed hands after; noisy breath, discharge and injuries are for the reptile vet.'

export function tellUnwell({ tag, unwell, urgent }: Unwell, today: Day): Told {
  const signs = unwell.signs.map(s => SIGN_WORDS[s as Sign] ?? s).join(', ')
  return {
    text: `${tag} was found not well ${formatDistance(unwell.day, today)}${signs ? `: ${signs}` : ''}`,
    todo: urgent ? TODAY : LOOK_AGAIN,
    reasons: [
      {
        rule: 'A look that found something stands until another finds it well',
        inputs: [entryInput('Looked at', signs || 'not well', unwell)],
        change: 'A look that finds it well',
      },
    ],
  }
}
