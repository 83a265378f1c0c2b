import { speciesOf, type Almanac } from '../../almanac'
import { climateAt, degreesAbove, endOf, hourOf, latelyOf } from '../../climate'
import type { HourlyLog } from '../../channels'
import { developmentOf, hoursUntil, timeConstant } from '../../incubation'
import { temperatureAt } from '../../places'
import type { ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { eggPhase } from '../eggs'
import { tellEggsCold, type EggsCold } from './eggColdWording'

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

/** For how many hours to now it has been so much colder than it is set to, as far back as is looked. */
function hoursCold(log: HourlyLog, setC: number, { eggsCold, eggsLately }: Almanac['common']): number {
  let hours = 0
  while (hours < eggsLately!.value && hourOf(log, endOf(log) - 1 - hours) < setC - eggsCold!.value) hours++
  return hours
}

/** How fast the box cools toward its room, from the hour in which it began to fall; null where it does not fall now. */
function coolingOf(log: HourlyLog, hours: number, roomC: number | null): number | null {
  const falling = Array.from({ length: hours + 1 }, (_, i) => hourOf(log, endOf(log) - 1 - hours + i)).filter(
    t => !Number.isNaN(t),
  )
  const now = hourOf(log, endOf(log) - 1)
  const cools = roomC !== null && falling.at(-1)! < falling[0]! && now < (falling.at(-2) ?? now)
  return cools ? timeConstant(falling, roomC) : null
}

function coldOf(placeId: string, log: HourlyLog, all: readonly ClutchState[], context: SeasonContext): EggsCold | null {
  const { house, almanac } = context
  // eggs in a cool pause lie cool on purpose
  const clutches = all.filter(c => !eggPhase(c, context)?.phase)
  const setC = temperatureAt(house.places, placeId) ?? clutches[0]?.tempC ?? null
  if (!clutches.length || setC === null) return null
  const hours = hoursCold(log, setC, almanac.common)
  if (hours < almanac.common.eggsColdFor!.value) return null
  const now = hourOf(log, endOf(log) - 1)
  const room = roomOf(context, placeId)
  const tau = coolingOf(log, hours, room)
  const standsAt = Math.max(
    ...clutches.map(c => developmentOf(speciesOf(almanac, c.speciesId).incubation!, almanac).baseC),
  )
  const until = (tempC: number) => (tau === null ? null : hoursUntil(now, room!, tau, tempC))
  return {
    name: house.places[placeId]?.name ?? placeId,
    now,
    setC,
    hours,
    room,
    timeConstant: tau,
    standsAt,
    standsIn: until(standsAt),
    diesIn: until(almanac.common.eggsColdKills!.value),
    tempUnit: context.settings.tempUnit,
    lost: clutches.map(c => ({ tag: c.tag, days: daysLost(c, log, hours, setC, context) })),
  }
}

/** Eggs that cool: the heat may be off. Whom it costs how much, and how long the box has. */
export function coldAlarm(
  placeId: string,
  log: HourlyLog,
  all: readonly ClutchState[],
  context: SeasonContext,
): Alarm[] {
  const cold = coldOf(placeId, log, all, context)
  if (!cold) return []
  const { common } = context.almanac
  const soon = cold.standsIn !== null && cold.standsIn < common.eggsHarm!.value
  return [
    {
      id: `eggCold:${placeId}`,
      level: cold.now <= cold.standsAt || soon ? 'harm' : 'watch',
      subject: { type: 'place', id: placeId },
      ...tellEggsCold(cold, common),
    },
  ]
}
