import { entryInput, factInput } from '../../judgement'
import { comparableWeights, inCold, type AnimalState } from '../../subjects'
import { formatDistance } from '../../units'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'
import { pairingsOf } from '../indexes'

/** An animal that eats and yet loses: of its best weight of the last half year. */
export function weightLossAlarm(animal: AnimalState, context: SeasonContext): Alarm | null {
  const { house, almanac, today } = context
  if (inCold(animal) || animal.refusals >= 3) return null
  const now = animal.weights.at(-1)
  const lookedBack = almanac.common.lossLookedBack!
  const since = today - lookedBack.value
  const recent = comparableWeights(animal).filter(w => now && w.day >= since && w.day < now.day)
  if (!now || !recent.length || now.day < since) return null
  const best = recent.reduce((a, w) => (w.massG > a.massG ? w : a))
  const lost = 1 - now.massG / best.massG
  // a female that laid or gave birth since is lighter by her clutch; after the cold the recovery speaks
  const bore = pairingsOf(house, animal.id).some(
    p => p.damId === animal.id && (p.seen.laid ?? p.seen.born ?? []).some(o => o.day >= best.day),
  )
  const wintered = animal.warmed !== null && animal.warmed.day >= best.day
  const watch = almanac.common.lossWatch!
  const harm = almanac.common.lossHarm!
  if (bore || wintered || lost < watch.value) return null
  return {
    id: `loss:${animal.id}`,
    level: lost >= harm.value ? 'harm' : 'watch',
    subject: { type: 'animal', id: animal.id },
    text: `${animal.tag} weighs ${Math.round(lost * 100)} % less than at its best, ${formatDistance(best.day, today)}`,
    todo:
      lost >= harm.value
        ? 'Weigh again to be sure of it, have droppings tested, call the reptile vet.'
        : 'Weigh again in a week; look at droppings, warmth and who shares its place.',
    reasons: [
      {
        rule: 'Of its best weight in the last half year; eating does not make up for it',
        inputs: [
          entryInput('Now', `${now.massG} g`, now),
          entryInput('Best', `${best.massG} g`, best),
          factInput('Looked back', 'common.lossLookedBack.value', lookedBack),
          factInput('Watched from', 'common.lossWatch.value', watch),
          factInput('Harm from', 'common.lossHarm.value', harm),
        ],
        change: 'A later weight',
      },
    ],
  }
}
