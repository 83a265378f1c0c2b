import type { Day } from '../../chance'
import { inCold, type AnimalState } from '../../subjects'
import type { Alarm } from '../contracts'
import { tellUnwell } from './unwellWording'

/** Signs that do not wait. */
const URGENT = ['prolapse', 'straining']

/** A look that found something stands until a later one finds it well. */
export function unwellAlarm(animal: AnimalState, today: Day): Alarm | null {
  const { unwell } = animal
  // in the cold the judgement of the cold speaks
  if (!unwell || inCold(animal)) return null
  const urgent = unwell.signs.some(s => URGENT.includes(s))
  return {
    id: `unwell:${animal.id}`,
    level: 'harm',
    subject: { type: 'animal', id: animal.id },
    ...tellUnwell({ tag: animal.tag, unwell, urgent }, today),
  }
}
