import { speciesOf } from '../../almanac'
import { climateAt, degreesAbove, endOf, hourOf, latelyOf } from '../../climate'
import type { HourlyLog } from '../../channels'
import { developmentOf, hoursUntil, timeConstant } from '../../incubation'
import { computedInput, factInput } from '../../judgement'
import { temperatureAt } from '../../places'
import type { ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { eggPhase } from '../eggs'
import { tellSome } from './tellSome'

/** What a room around a box lately was: what the box cools towards when its heat is off, °C. */
function roomOf({ house, almanac }: SeasonContext, placeId: string): number | null {
  const parentId = house.places[placeId]?.parentId ?? null
  const log = climateAt(house, parentId)?.log
  return (log && latelyOf(log, almanac.common.warmthLately!.value)) ?? temperatureAt(house.places, parentId)
}

/** Days of development that a clutch has lost against what its place is set to, over the last so many hours. */
function daysLost(
  clutch: ClutchState,
  log: HourlyLog,
  hours: number,
  setC: number,
  { almanac }: SeasonContext,
): number {
  const development = developmentOf(speciesOf(almanac, clutch.speciesId).incubation!, almanac)
  const whole = degreesAbove(setC, development)
  let lost = 0
  for (let hour = endOf(log) - hours; hour < endOf(log); hour++) {
    const read = hourOf(log, hour)
    if (whole > 0 && !Number.isNaN(read)) lost += 1 - degreesAbove(read, development) / whole
  }
  return Math.max(0, lost / 24)
}

/** Eggs that cool: the heat may be off. Whom it costs how much, and how long the box has. */
export function coldAlarm(
  placeId: string,
  log: HourlyLog,
  all: readonly ClutchState[],
  context: SeasonContext,
): Alarm[] {
  const { house, almanac } = context
  // eggs in a cool pause lie cool on purpose
  const clutches = all.filter(c => !eggPhase(c, context)?.phase)
  const setC = temperatureAt(house.places, placeId) ?? clutches[0]?.tempC ?? null
  const { eggsCold, eggsColdFor, eggsHarm, eggsColdKills, eggsLately } = almanac.common
  const [under, atLeast, harm, kills] = [eggsCold!, eggsColdFor!, eggsHarm!, eggsColdKills!]
  if (!clutches.length || setC === null) return []
  let hours = 0
  while (hours < eggsLately!.value && hourOf(log, endOf(log) - 1 - hours) < setC - under.value) hours++
  if (hours < atLeast.value) return []
  const now = hourOf(log, endOf(log) - 1)
  const roomC = roomOf(context, placeId)
  // from the hour in which it began to fall
  const falling = Array.from({ length: hours + 1 }, (_, i) => hourOf(log, endOf(log) - 1 - hours + i)).filter(
    t => !Number.isNaN(t),
  )
  const cools = roomC !== null && falling.at(-1)! < falling[0]! && now < (falling.at(-2) ?? now)
  const tau = cools ? timeConstant(falling, roomC) : null
  const stands = Math.max(
    ...clutches.map(c => developmentOf(speciesOf(almanac, c.speciesId).incubation!, almanac).baseC),
  )
  const left = tau === null ? null : hoursUntil(now, roomC!, tau, stands)
  const toDeath = tau === null ? null : hoursUntil(now, roomC!, tau, kills.value)
  const name = house.places[placeId]?.name ?? placeId
  const lost = clutches.map(c => `${c.tag} ${daysLost(c, log, hours, setC, context).toFixed(1)}`)
  const told = tellSome(lost)
  const until =
    now <= stands
      ? `: development stands still`
      : left === null || !Number.isFinite(left)
        ? ''
        : `, and falls: development stands still at ${stands.toFixed(1)} °C in about ${Math.max(1, Math.round(left))} hours`
  const deadly =
    now <= kills.value
      ? `; under ${kills.value} °C eggs die`
      : toDeath === null || !Number.isFinite(toDeath)
        ? ''
        : `, and they die from ${kills.value} °C, in about ${Math.max(1, Math.round(toDeath))} hours`
  return [
    {
      id: `eggCold:${placeId}`,
      level: now <= stands || (left !== null && left < harm.value) ? 'harm' : 'watch',
      subject: { type: 'place', id: placeId },
      text: `${name} is at ${now.toFixed(1)} °C and set to ${setC} °C, for ${hours >= eggsLately!.value ? `over ${hours}` : hours} hours${until}${deadly}. Lost so far, in days of development: ${told}`,
      todo: 'Look at plug, fuse and thermostat. Lid shut and a blanket round the box keep it warm; bring it back slowly, and do not turn the eggs.',
      reasons: [
        {
          rule: 'What the probe reads against what the place is set to; a box without heat cools toward its room by Newton’s law, as fast as its own readings say',
          inputs: [
            factInput('Told from, under what it is set to', 'common.eggsCold.value', under),
            factInput('For', 'common.eggsColdFor.value', atLeast),
            computedInput('Room', roomC === null ? 'not known' : `${roomC.toFixed(1)} °C`),
            computedInput('Time constant', tau === null ? 'not to be read yet' : `${tau.toFixed(1)} hours`),
            factInput('Harm when it stands still within', 'common.eggsHarm.value', harm),
            computedInput('Development stands still at', `${stands.toFixed(1)} °C`),
            factInput('Kills', 'common.eggsColdKills.value', kills),
          ],
          change: 'The next reading; another temperature set of the place',
        },
      ],
    },
  ]
}
