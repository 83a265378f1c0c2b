import { speciesOf } from '../../almanac'
import { DAY_READ, degreesAbove, endOf, watchSpan } from '../../climate'
import { formatDifference, formatReading, type HourlyLog } from '../../channels'
import { developmentOf } from '../../incubation'
import { computedInput, computedTemp, factInput } from '../../judgement'
import { temperatureAt } from '../../places'
import type { ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { eggPhase } from '../eggs'
import { tellSome } from './tellSome'

/** A day that was warmer than what is set, and by how much it moves each clutch: a thermostat that drifts. */
export function offAlarm(
  placeId: string,
  log: HourlyLog,
  all: readonly ClutchState[],
  context: SeasonContext,
): Alarm[] {
  const { house, almanac, settings } = context
  const shown = (tempC: number) => formatReading('temperature', tempC, settings.tempUnit)
  const clutches = all.filter(c => !eggPhase(c, context)?.phase)
  const place = house.places[placeId]
  const setC = temperatureAt(house.places, placeId)
  const off = almanac.common.eggsOff!
  const day = watchSpan(log, endOf(log) - 24, endOf(log))
  const id = `eggOff:${placeId}`
  // a day that was colder is told by the hour, as a heat that may be off
  if (
    !place ||
    place.answered?.[id] ||
    setC === null ||
    !clutches.length ||
    day.read < DAY_READ ||
    day.mean! - setC < off.value
  )
    return []
  const gains = clutches.map(c => {
    const development = developmentOf(speciesOf(almanac, c.speciesId).incubation!, almanac)
    const whole = degreesAbove(setC, development)
    return `${c.tag} ${whole > 0 ? (degreesAbove(day.mean!, development) / whole - 1).toFixed(2) : '0'}`
  })
  const told = tellSome(gains)
  return [
    {
      id,
      level: 'watch',
      subject: { type: 'place', id: placeId },
      text: `${place.name} read ${shown(day.mean!)} over the last day and is set to ${shown(setC)}. Each such day brings the hatch forward, in days: ${told}`,
      todo: 'Check it with a second thermometer, then the thermostat. Dates and sexes count with what is read; where the setting was changed, write it in Places.',
      answerable: true,
      reasons: [
        {
          rule: 'Mean of the last 24 hours against what the place is set to',
          inputs: [
            computedInput('Mean', `${shown(day.mean!)} of ${day.read} hours`),
            computedTemp('Set to', setC),
            factInput('Told from', 'common.eggsOff.value', off),
          ],
          change: 'The next readings; another temperature set of the place',
        },
      ],
    },
  ]
}

/** A day whose warmest hour is far from its coldest: the thermostat hunts, or the lid stands open. */
export function swingAlarm(
  placeId: string,
  log: HourlyLog,
  clutches: readonly ClutchState[],
  { house, almanac, settings: { tempUnit } }: SeasonContext,
): Alarm[] {
  const shown = (tempC: number) => formatReading('temperature', tempC, tempUnit)
  const place = house.places[placeId]
  const most = almanac.common.eggsSwing!
  const day = watchSpan(log, endOf(log) - 24, endOf(log))
  const id = `eggSwing:${placeId}`
  if (!place || place.answered?.[id] || day.read < DAY_READ || day.highest! - day.lowest! <= most.value) return []
  return [
    {
      id,
      level: 'watch',
      subject: { type: 'place', id: placeId },
      text: `${place.name} went from ${shown(day.lowest!)} to ${shown(day.highest!)} within a day; in it ${tellSome(clutches.map(c => c.tag).sort())}`,
      todo: 'Look at the thermostat, its probe and the lid. Where a cooler night is meant, answer this.',
      answerable: true,
      reasons: [
        {
          rule: 'Warmest against coldest of the last 24 hours',
          inputs: [
            computedInput('Apart', formatDifference('temperature', day.highest! - day.lowest!, tempUnit)),
            factInput('Told from', 'common.eggsSwing.value', most),
          ],
          change: 'A steady day',
        },
      ],
    },
  ]
}
