import { speciesOf } from '../../almanac'
import { endOf, watchSpan } from '../../climate'
import { formatReading, type HourlyLog } from '../../channels'
import { computedTemp, factInput } from '../../judgement'
import type { ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { doneOf } from '../eggs'
import { tellSome } from './tellSome'

/** Hours just under what kills: eggs live through some of them, and fewer the nearer they are to the hatch. */
export function nearHeatAlarm(
  placeId: string,
  log: HourlyLog,
  clutches: readonly ClutchState[],
  context: SeasonContext,
): Alarm[] {
  const { almanac, house, settings } = context
  const shown = (tempC: number) => formatReading('temperature', tempC, settings.tempUnit)
  const { eggsNearHot, eggsNearHotLate, eggsNearHotFor, eggsLateThird, eggsLately } = almanac.common
  const now = endOf(log)
  const near = clutches.flatMap(clutch => {
    const kills = speciesOf(almanac, clutch.speciesId).incubation!.lethalAboveC
    const late = (doneOf(clutch, context) ?? 0) >= eggsLateThird!.value
    const from = kills.value - (late ? eggsNearHotLate! : eggsNearHot!).value
    const span = watchSpan(log, Math.max(log.from, now - Math.round(eggsLately!.value), clutch.startDay * 24), now, {
      limits: { low: -Infinity, high: from },
    })
    return span.hoursAbove >= eggsNearHotFor!.value ? [{ clutch, late, from, kills, span }] : []
  })
  if (!near.length) return []
  const [worst] = near.toSorted((a, b) => a.from - b.from)
  const { clutch, late, from, kills, span } = worst!
  return [
    {
      id: `eggNearHeat:${placeId}`,
      level: 'watch',
      subject: { type: 'place', id: placeId },
      text: `${house.places[placeId]?.name ?? placeId} was over ${shown(from)} for ${span.hoursAbove} of the last ${span.hours} hours; eggs die over ${shown(kills.value)}${late ? `, and ${clutch.tag} is in the last third, in which eggs bear less` : ''}. In it ${tellSome(near.map(n => n.clutch.tag).sort())}`,
      todo: 'Set it lower, or find what warms it. Give the box air: warm eggs that are nearly ready need more of it.',
      reasons: [
        {
          rule: 'Hours of the last two days near what kills; nearer to the hatch from a lower warmth',
          inputs: [
            factInput('Kills above', `species.${clutch.speciesId}.incubation.lethalAboveC.value`, kills),
            factInput('Near it, under that by', 'common.eggsNearHot.value', eggsNearHot!),
            factInput('Near it, in the last third', 'common.eggsNearHotLate.value', eggsNearHotLate!),
            factInput('Which begins at, of development', 'common.eggsLateThird.value', eggsLateThird!),
            factInput('Told after', 'common.eggsNearHotFor.value', eggsNearHotFor!),
            computedTemp('Highest', span.highest, 'nothing read'),
          ],
          change: 'Two cooler days; the clutch moved',
        },
      ],
    },
  ]
}
