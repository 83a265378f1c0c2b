import { animalsOf, type ClutchState } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'
import { lossesOf } from '../survival'
import { tellLossesOf } from './lossesWording'

/** Days on which young of a clutch were lost, with tags or without. */
const lossDays = (clutch: ClutchState, { house }: SeasonContext): number[] => [
  ...(clutch.parted ?? []).filter(p => p.how === 'lost').map(p => p.day),
  ...animalsOf(house)
    .filter(a => a.clutchId === clutch.id && a.status === 'dead')
    .map(a => a.statusDay!),
]

/** More young of a clutch were lost than chance explains: what they share is looked at. */
export function lossesAlarm(clutch: ClutchState, context: SeasonContext): Alarm | null {
  const { almanac, today } = context
  const { lossesFar, lossesLately } = almanac.common
  const losses = lossesOf(clutch, context)
  if (!losses || losses.lost < 2 || losses.chance >= lossesFar!.value) return null
  const last = Math.max(...lossDays(clutch, context))
  if (today - last > lossesLately!.value) return null
  return {
    id: `losses:${clutch.id}:${losses.lost}`,
    level: 'harm',
    subject: { type: 'clutch', id: clutch.id },
    ...tellLossesOf({ tag: clutch.tag, losses, last }, almanac, today),
  }
}
