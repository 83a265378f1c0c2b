import type { AnimalState } from '../../subjects'
import { sexOf } from '../breeding'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'

/** What was seen of its sex does not go together. */
export function sexAlarm(animal: AnimalState, context: SeasonContext): Alarm | null {
  const { value, reasons } = sexOf(animal, context)
  const [said] = value.contradictions
  return said
    ? {
        id: `sex:${animal.id}`,
        level: 'watch',
        subject: { type: 'animal', id: animal.id },
        text: `${animal.tag}: ${said}`,
        todo: 'Look again, and check the tag; a swap of two animals is the usual cause.',
        reasons,
      }
    : null
}
