import type { Alarm, ColdAnimal } from '../contracts'
import { tellCold } from './coldWording'

/** One in the cold that is in trouble. */
export function coldAlarm({ animalId, tag, verdict }: ColdAnimal): Alarm | null {
  const { action, text } = verdict.value
  if (action !== 'takeOut' && action !== 'offerWater') return null
  return {
    id: `cold:${animalId}`,
    level: action === 'takeOut' ? 'harm' : 'watch',
    subject: { type: 'animal', id: animalId },
    ...tellCold({ tag, action, verdict: text }),
    reasons: verdict.reasons,
  }
}
