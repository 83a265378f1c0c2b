import type { Alarm, ColdAnimal } from '../contracts'
import { lowerFirst } from '../../units'

/** One in the cold that is in trouble. */
export function coldAlarm({ animalId, tag, verdict }: ColdAnimal): Alarm | null {
  const { action, text } = verdict.value
  if (action !== 'takeOut' && action !== 'offerWater') return null
  return {
    id: `cold:${animalId}`,
    level: action === 'takeOut' ? 'harm' : 'watch',
    subject: { type: 'animal', id: animalId },
    text: `${tag}, in the cold: ${lowerFirst(text)}`,
    todo:
      action === 'takeOut'
        ? 'Take it out and warm it today; a loss this quick is mostly water or illness, so see the vet.'
        : 'Offer water, raise humidity, look at breath and skin, weigh again in a week.',
    reasons: verdict.reasons,
  }
}
