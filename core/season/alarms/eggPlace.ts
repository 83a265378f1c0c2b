import { speciesOf, type Fact } from '../../almanac'
import { eggLogAt, endOf, silentFor, watchSpan } from '../../climate'
import type { HourlyLog } from '../../channels'
import { eggsLeft, type ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { coldAlarm } from './eggCold'
import { offAlarm, swingAlarm } from './eggDrift'
import { nearHeatAlarm } from './eggHot'
import { phaseAlarm } from './eggPhase'
import { tellHeat, tellSilent, type EggPlaceRead } from './eggPlaceWording'

/** Places with a probe and eggs in them, with the lowest temperature that kills one of these. */
function placesOf({ house, almanac }: SeasonContext) {
  const places = new Map<string, { log: HourlyLog; clutches: ClutchState[]; kills: Fact; speciesId: string }>()
  for (const clutch of Object.values(house.clutches)) {
    const at = clutch.kind === 'eggs' && !clutch.ended && eggsLeft(clutch) > 0 ? eggLogAt(house, clutch.placeId) : null
    const kills = speciesOf(almanac, clutch.speciesId).incubation?.lethalAboveC
    if (!at || !kills) continue
    const known = places.get(at.placeId)
    const clutches = [...(known?.clutches ?? []), clutch]
    const strictest = known && known.kills.value <= kills.value ? known : { kills, speciesId: clutch.speciesId }
    places.set(at.placeId, { log: at.log, clutches, kills: strictest.kills, speciesId: strictest.speciesId })
  }
  return places
}

/**
 * Eggs that are read too warm, or no longer read at all. Heat kills within hours, and a typed temperature does not see
 * it.
 */
export function eggPlaceAlarms(context: SeasonContext): Alarm[] {
  const { house, almanac, settings } = context
  return [...placesOf(context)].flatMap(([placeId, { log, clutches, kills, speciesId }]): Alarm[] => {
    const now = endOf(log)
    const laid = Math.min(...clutches.map(c => c.startDay)) * 24
    const ways = { limits: { low: -Infinity, high: kills.value } }
    const lately = watchSpan(log, Math.max(log.from, now - Math.round(almanac.common.eggsLately!.value)), now, ways)
    const since = watchSpan(log, Math.max(log.from, laid), now, ways)
    const silent = silentFor(log, almanac.common.coldSilent!.value)
    const read: EggPlaceRead = {
      name: house.places[placeId]?.name ?? placeId,
      tags: clutches.map(c => c.tag).sort(),
      kills,
      speciesId,
      lately,
      hoursAbove: since.hoursAbove,
      tempUnit: settings.tempUnit,
    }
    const subject = { type: 'place' as const, id: placeId }
    const isHot = lately.hoursAbove > 0
    return [
      ...(isHot ? [{ id: `eggHeat:${placeId}`, level: 'harm' as const, subject, ...tellHeat(read, almanac) }] : []),
      ...(silent !== null
        ? [
            {
              id: `eggSilent:${placeId}`,
              level: silent >= 24 ? ('harm' as const) : ('watch' as const),
              subject,
              ...tellSilent(read, silent, almanac),
            },
          ]
        : []),
      ...phaseAlarm(placeId, log, clutches, context),
      ...coldAlarm(placeId, log, clutches, context),
      // heat that kills says it all
      ...(isHot
        ? []
        : [...nearHeatAlarm(placeId, log, clutches, context), ...offAlarm(placeId, log, clutches, context)]),
      ...swingAlarm(placeId, log, clutches, context),
    ]
  })
}
