import { computedInput, factInput } from '../../judgement'
import type { ClutchState } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'
import { lossesOf, tellLosses } from '../survival'

/** Days on which young of a clutch were lost, with tags or without. */
const lossDays = (clutch: ClutchState, { house }: SeasonContext): number[] => [
  ...(clutch.parted ?? []).filter(p => p.how === 'lost').map(p => p.day),
  ...Object.values(house.animals)
    .filter(a => a.clutchId === clutch.id && a.status === 'dead')
    .map(a => a.statusDay!),
]

/** More young of a clutch were lost than chance explains: what they share is looked at. */
export function lossesAlarm(clutch: ClutchState, context: SeasonContext): Alarm | null {
  const { almanac, today } = context
  const { lossesFar, lossesLately, lossesEarly, lossesAlike, survivalShrink } = almanac.common
  const losses = lossesOf(clutch, context)
  if (!losses || losses.lost < 2 || losses.chance >= lossesFar!.value) return null
  const last = Math.max(...lossDays(clutch, context))
  if (today - last > lossesLately!.value) return null
  return {
    id: `losses:${clutch.id}:${losses.lost}`,
    level: 'harm',
    subject: { type: 'clutch', id: clutch.id },
    text: `${clutch.tag}: ${tellLosses(losses, almanac)}`,
    todo: 'What do they share? Water, warmth, damp, prey too large, a mate that bites. Each apart, weighed; the last dead one to the reptile vet, kept cool, not frozen.',
    reasons: [
      {
        rule: 'So many losses would hardly happen, were this clutch as others are (binomial with clutches that differ, by the rate of the species and of the other clutches of the house)',
        inputs: [
          computedInput('Lost', `${losses.lost} of ${losses.of}`),
          computedInput('Last one', `${formatDay(last, today)}, ${formatDistance(last, today)}`),
          computedInput('Usual by now', losses.usual.toFixed(1)),
          computedInput(
            'Chance of so many',
            losses.chance < 0.001 ? 'under 1 in 1,000' : `${(100 * losses.chance).toFixed(1)} %`,
          ),
          factInput('At once, as many as in', 'common.lossesEarly.value', lossesEarly!),
          factInput('How alike clutches are', 'common.lossesAlike.value', lossesAlike!),
          factInput('Told under', 'common.lossesFar.value', lossesFar!),
          factInput('The usual weighs as', 'common.survivalShrink.value', survivalShrink!),
        ],
        change: `No further loss for ${lossesLately!.value} days`,
      },
    ],
  }
}
