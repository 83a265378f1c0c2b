import { computedInput, entryInput } from '../../judgement'
import type { AnimalState } from '../../subjects'
import type { Alarm } from '../contracts'

/** Meals refused in a row. */
export function refusalAlarm(animal: AnimalState): Alarm | null {
  if (animal.refusals < 3 || (animal.cooled && !animal.warmed)) return null
  const [before, now] = [animal.weights.at(-2), animal.weights.at(-1)]
  const falling = before && now && now.massG < before.massG * 0.97
  return {
    id: `refuser:${animal.id}`,
    level: falling ? 'harm' : 'watch',
    subject: { type: 'animal', id: animal.id },
    text: `${animal.tag} refused ${animal.refusals} meals in a row${falling ? ' and loses weight' : ''}`,
    todo: falling
      ? 'Call the reptile vet; meanwhile quiet, dark and warm.'
      : 'Quiet and dark, smaller prey, overnight; then scent or other prey. Watch weight, not meals.',
    reasons: [
      {
        rule: 'Refusals are normal before a shed or out of season; with falling weight they alarm (common practice)',
        inputs: [
          computedInput('Refused in a row', `${animal.refusals}`),
          ...(now ? [entryInput('Latest weight', `${now.massG} g`, now)] : []),
          ...(before ? [entryInput('Before', `${before.massG} g`, before)] : []),
        ],
        change: 'One meal taken clears it',
      },
    ],
  }
}
