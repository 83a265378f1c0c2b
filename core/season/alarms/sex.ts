import type { AnimalState } from '../../subjects'
import { sexOf } from '../breeding'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'
import { tellSexDoubted } from './sexWording'

/** What was seen of its sex does not go together. */
export function sexAlarm(animal: AnimalState, context: SeasonContext): Alarm | null {
  const { value, reasons } = sexOf(animal, context)
  const [contradiction] = value.contradictions
  if (!contradiction) return null
  return {
    id: `sex:${animal.id}`,
    level: 'watch',
    subject: { type: 'animal', id: animal.id },
    ...tellSexDoubted(animal.tag, contradiction),
    reasons,
  }
}
