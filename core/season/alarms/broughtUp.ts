import { feedingPause } from '../../feeding'
import type { AnimalState } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'
import { tellBroughtUp } from './broughtUpWording'

/** A meal that came up: nothing is fed for a while, and the second within weeks is for the vet. */
export function broughtUpAlarm(animal: AnimalState, { almanac, today }: SeasonContext): Alarm | null {
  const pause = feedingPause(animal, almanac.common)
  if (!pause) return null
  const since = pause.upset.day - almanac.common.broughtUpAgain!.value
  const times = animal.broughtUp!.filter(b => b.day > since)
  return {
    id: `broughtUp:${animal.id}`,
    level: times.length > 1 ? 'harm' : 'watch',
    subject: { type: 'animal', id: animal.id },
    ...tellBroughtUp({ tag: animal.tag, pause, times }, almanac, today),
  }
}
