import type { Day } from '../../chance'
import { entryInput } from '../../judgement'
import { inCold, SIGN_WORDS, type AnimalState, type Sign } from '../../subjects'
import { formatDistance } from '../../units'
import type { Alarm } from '../contracts'

/** Signs that do not wait. */
const URGENT = ['prolapse', 'straining']

/** A look that found something stands until a later one finds it well. */
export function unwellAlarm(animal: AnimalState, today: Day): Alarm | null {
  const { unwell } = animal
  // in the cold the judgement of the cold speaks
  if (!unwell || inCold(animal)) return null
  const signs = unwell.signs.map(s => SIGN_WORDS[s as Sign] ?? s).join(', ')
  const urgent = unwell.signs.some(s => URGENT.includes(s))
  return {
    id: `unwell:${animal.id}`,
    level: 'harm',
    subject: { type: 'animal', id: animal.id },
    text: `${animal.tag} was found not well ${formatDistance(unwell.day, today)}${signs ? `: ${signs}` : ''}`,
    todo: urgent
      ? 'To the reptile vet today: this does not wait. Apart, warm, quiet and clean until then; nothing is pushed back or pulled.'
      : 'Look again today, apart from the others, washed hands after; noisy breath, discharge and injuries are for the reptile vet.',
    reasons: [
      {
        rule: 'A look that found something stands until another finds it well',
        inputs: [entryInput('Looked at', signs || 'not well', unwell)],
        change: 'A look that finds it well',
      },
    ],
  }
}
