import { speciesOf, type Fact } from '../../almanac'
import { eggLogAt, endOf, silentFor, watchSpan } from '../../climate'
import { formatReading, type HourlyLog } from '../../channels'
import { computedInput, computedTemp, factInput, type Reason } from '../../judgement'
import { eggsLeft, type ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { coldAlarm } from './eggCold'
import { offAlarm, swingAlarm } from './eggDrift'
import { nearHeatAlarm } from './eggHot'
import { phaseAlarm } from './eggPhase'
import { tellSome } from './tellSome'

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
  const shown = (tempC: number) => formatReading('temperature', tempC, settings.tempUnit)
  return [...placesOf(context)].flatMap(([placeId, { log, clutches, kills, speciesId }]): Alarm[] => {
    const now = endOf(log)
    const laid = Math.min(...clutches.map(c => c.startDay)) * 24
    const limit = kills.value
    const ways = { limits: { low: -Infinity, high: limit } }
    const lately = watchSpan(log, Math.max(log.from, now - Math.round(almanac.common.eggsLately!.value)), now, ways)
    const since = watchSpan(log, Math.max(log.from, laid), now, ways)
    const name = house.places[placeId]?.name ?? placeId
    const eggs = tellSome(clutches.map(c => c.tag).sort())
    const reasons: Reason[] = [
      {
        rule: 'What the probe of the eggs read in the last two days, against what kills the most tender of them',
        inputs: [
          factInput('Kills above', `species.${speciesId}.incubation.lethalAboveC.value`, kills),
          computedTemp('Highest', lately.highest, 'nothing read'),
          computedInput('Hours above, since the first was laid', `${since.hoursAbove}`),
          factInput('Silence told after', 'common.coldSilent.value', almanac.common.coldSilent!),
        ],
        change: 'The probe moved, the clutch moved, another limit set in the Almanac',
      },
    ]
    const made: Alarm[] = []
    if (lately.hoursAbove > 0)
      made.push({
        id: `eggHeat:${placeId}`,
        level: 'harm',
        subject: { type: 'place', id: placeId },
        text: `${name} was over ${shown(limit)} for ${lately.hoursAbove} of the last ${lately.hours} hours, up to ${shown(lately.highest!)}: eggs die of that; in it ${eggs}`,
        todo: 'Cool it now: lid off, heat off, check the thermostat against a second thermometer. Candle in a week.',
        reasons,
      })
    const silent = silentFor(log, almanac.common.coldSilent!.value)
    if (silent !== null)
      made.push({
        id: `eggSilent:${placeId}`,
        level: silent >= 24 ? 'harm' : 'watch',
        subject: { type: 'place', id: placeId },
        text: `${name} sends no reading since ${silent} hours; in it ${eggs}`,
        todo: 'Look at the probe, its battery and the plug, and at a second thermometer: a cold incubator is silent too.',
        reasons,
      })
    return [
      ...made,
      ...phaseAlarm(placeId, log, clutches, context),
      ...coldAlarm(placeId, log, clutches, context),
      // heat that kills says it all
      ...(lately.hoursAbove > 0
        ? []
        : [...nearHeatAlarm(placeId, log, clutches, context), ...offAlarm(placeId, log, clutches, context)]),
      ...swingAlarm(placeId, log, clutches, context),
    ]
  })
}
