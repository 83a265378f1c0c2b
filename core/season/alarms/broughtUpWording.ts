import type { Almanac } from '../../almanac'
import type { Day } from '../../chance'
import type { FeedingPause } from '../../feeding'
import { entryInput, factInput } from '../../judgement'
import type { Observed } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import type { Told } from './told'

export interface BroughtUp {
  tag: string
  /** What came up last, and until when nothing is fed. */
  pause: FeedingPause
  /** How often within the weeks that are looked at together. */
  times: readonly Observed[]
}

const VET = 'To the reptile vet, with what came up kept cool; apart from the others, own tools.'
const CAUSES = 'Was the prey large, the place cool, was it handled after the meal?'

export function tellBroughtUp({ tag, pause, times }: BroughtUp, { common }: Almanac, today: Day): Told {
  const within = common.broughtUpAgain!
  const often = times.length > 1
  const nth = times.length === 2 ? 'second' : `${times.length}th`
  const again = often ? `, the ${nth} time in ${Math.round(within.value / 7)} weeks` : ''
  return {
    text: `${tag} brought up its meal ${formatDistance(pause.upset.day, today)}${again}`,
    todo: often
      ? VET
      : `No food until ${formatDay(pause.until, today)}, then a small meal; water, warmth and quiet. ${CAUSES}`,
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
