import { feedingPause } from '../../feeding'
import { entryInput, factInput } from '../../judgement'
import type { AnimalState } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'

/** A meal that came up: nothing is fed for a while, and the second within weeks is for the vet. */
export function broughtUpAlarm(animal: AnimalState, { almanac, today }: SeasonContext): Alarm | null {
  const { common } = almanac
  const pause = feedingPause(animal, common)
  if (!pause) return null
  const within = common.broughtUpAgain!
  const times = animal.broughtUp!.filter(b => b.day > pause.upset.day - within.value)
  const often = times.length > 1
  return {
    id: `broughtUp:${animal.id}`,
    level: often ? 'harm' : 'watch',
    subject: { type: 'animal', id: animal.id },
    text: `${animal.tag} brought up its meal ${formatDistance(pause.upset.day, today)}${often ? `, the ${times.length === 2 ? 'second' : `${times.length}th`} time in ${Math.round(within.value / 7)} weeks` : ''}`,
    todo: often
      ? 'To the reptile vet, with what came up kept cool; apart from the others, own tools.'
      : `No food until ${formatDay(pause.until, today)}, then a small meal; water, warmth and quiet. Was the prey large, the place cool, was it handled after the meal?`,
    reasons: [
      {
        rule: 'What came up has burnt the gullet and emptied the gut: it rests before the next, small meal',
        inputs: [
          ...times.map(b => entryInput('Brought up', formatDay(b.day, today), b)),
          factInput('No food for', 'common.broughtUpPause.value', common.broughtUpPause!),
          factInput('For the vet, where it comes again within', 'common.broughtUpAgain.value', within),
        ],
        change: 'A meal that stays down',
      },
    ],
  }
}
