import { speciesOf } from '../../almanac'
import { endOf, watchSpan } from '../../climate'
import type { HourlyLog } from '../../channels'
import type { ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { doneOf } from '../eggs'
import { tellNearHeat } from './eggHotWording'

/** Hours just under what kills: eggs live through some of them, and fewer the nearer they are to the hatch. */
export function nearHeatAlarm(
  placeId: string,
  log: HourlyLog,
  clutches: readonly ClutchState[],
  context: SeasonContext,
): Alarm[] {
  const { almanac, house, settings } = context
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
  const [worst] = near.toSorted((a, b) => a.from - b.from)
  if (!worst) return []
  const name = house.places[placeId]?.name ?? placeId
  const tags = near.map(n => n.clutch.tag).sort()
  return [
    {
      id: `eggNearHeat:${placeId}`,
      level: 'watch',
      subject: { type: 'place', id: placeId },
      ...tellNearHeat({ name, tags, ...worst, tempUnit: settings.tempUnit }, almanac),
    },
  ]
}
