import { comparableWeights, inCold, type AnimalState } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'
import { pairingsOf } from '../indexes'
import { tellWeightLoss } from './weightLossWording'

/** An animal that eats and yet loses: of its best weight of the last half year. */
export function weightLossAlarm(animal: AnimalState, context: SeasonContext): Alarm | null {
  const { house, almanac, today } = context
  const { lossLookedBack, lossWatch, lossHarm, refusalTold } = almanac.common
  // one that is told to refuse is told with what it lost
  if (inCold(animal) || animal.refusals >= refusalTold!.value) return null
  const now = animal.weights.at(-1)
  const since = today - lossLookedBack!.value
  const recent = comparableWeights(animal).filter(w => now && w.day >= since && w.day < now.day)
  if (!now || !recent.length || now.day < since) return null
  const best = recent.reduce((a, w) => (w.massG > a.massG ? w : a))
  const lost = 1 - now.massG / best.massG
  // a female that laid or gave birth since is lighter by her clutch; after the cold the recovery speaks
  const bore = pairingsOf(house, animal.id).some(
    p => p.damId === animal.id && (p.seen.laid ?? p.seen.born ?? []).some(o => o.day >= best.day),
  )
  const wintered = animal.warmed !== null && animal.warmed.day >= best.day
  if (bore || wintered || lost < lossWatch!.value) return null
  const harms = lost >= lossHarm!.value
  return {
    id: `loss:${animal.id}`,
    level: harms ? 'harm' : 'watch',
    subject: { type: 'animal', id: animal.id },
    ...tellWeightLoss({ tag: animal.tag, now, best, lost, harms }, almanac, today),
  }
}
