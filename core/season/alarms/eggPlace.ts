import { speciesOf, type Fact } from '../../almanac'
import { climateAt, degreesAbove, eggLogAt, endOf, hourOf, latelyOf, watchSpan } from '../../climate'
import type { HourlyLog } from '../../channels'
import { developmentOf, hoursUntil, timeConstant } from '../../incubation'
import { computedInput, factInput, type Reason } from '../../judgement'
import { temperatureAt } from '../../places'
import { eggsLeft, type ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { eggPhase } from '../eggs'

/** Readings of so many hours say what goes on. */
const LATELY_HOURS = 48
/** Tags that are told before the rest is counted. */
const TAGS_TOLD = 6

const tagsOf = (clutches: readonly ClutchState[]): string => {
  const who = clutches.map(c => c.tag).sort()
  return who.length > TAGS_TOLD
    ? `${who.slice(0, TAGS_TOLD).join(', ')} and ${who.length - TAGS_TOLD} more`
    : who.join(', ')
}

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
function coldAlarm(placeId: string, log: HourlyLog, all: readonly ClutchState[], context: SeasonContext): Alarm[] {
  const { house, almanac } = context
  // eggs in a cool pause lie cool on purpose
  const clutches = all.filter(c => !eggPhase(c, context)?.phase)
  const setC = temperatureAt(house.places, placeId) ?? clutches[0]?.tempC ?? null
  const [under, atLeast] = [almanac.common.eggsCold!, almanac.common.eggsColdFor!]
  if (!clutches.length || setC === null) return []
  let hours = 0
  while (hours < LATELY_HOURS && hourOf(log, endOf(log) - 1 - hours) < setC - under.value) hours++
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
  const name = house.places[placeId]?.name ?? placeId
  const lost = clutches.map(c => `${c.tag} ${daysLost(c, log, hours, setC, context).toFixed(1)}`)
  const told =
    lost.length > TAGS_TOLD
      ? `${lost.slice(0, TAGS_TOLD).join(', ')} and ${lost.length - TAGS_TOLD} more`
      : lost.join(', ')
  const until =
    now <= stands
      ? `: development stands still`
      : left === null || !Number.isFinite(left)
        ? ''
        : `, and falls: development stands still at ${stands.toFixed(1)} °C in about ${Math.max(1, Math.round(left))} hours`
  return [
    {
      id: `eggCold:${placeId}`,
      level: now <= stands || (left !== null && left < 12) ? 'harm' : 'watch',
      subject: { type: 'place', id: placeId },
      text: `${name} is at ${now.toFixed(1)} °C and set to ${setC} °C, for ${hours === LATELY_HOURS ? `over ${hours}` : hours} hours${until}. Lost so far, in days of development: ${told}`,
      todo: 'Look at plug, fuse and thermostat. Lid shut and a blanket round the box keep it warm; bring it back slowly, and do not turn the eggs.',
      reasons: [
        {
          rule: 'What the probe reads against what the place is set to; a box without heat cools toward its room by Newton’s law, as fast as its own readings say',
          inputs: [
            factInput('Told from, under what it is set to', 'common.eggsCold.value', under),
            factInput('For', 'common.eggsColdFor.value', atLeast),
            computedInput('Room', roomC === null ? 'not known' : `${roomC.toFixed(1)} °C`),
            computedInput('Time constant', tau === null ? 'not to be read yet' : `${tau.toFixed(1)} hours`),
            computedInput('Development stands still at', `${stands.toFixed(1)} °C`),
          ],
          change: 'The next reading; another temperature set of the place',
        },
      ],
    },
  ]
}

/** Eggs that are to lie cool before they develop, and did not for a day. */
function phaseAlarm(
  placeId: string,
  log: HourlyLog,
  clutches: readonly ClutchState[],
  context: SeasonContext,
): Alarm[] {
  const { house } = context
  const day = watchSpan(log, endOf(log) - 24, endOf(log))
  if (day.read < 12) return []
  return clutches.flatMap((clutch): Alarm[] => {
    const standing = eggPhase(clutch, context)
    const phase = standing?.phase
    if (!phase || (day.mean! >= phase.lowC.value && day.mean! <= phase.highC.value)) return []
    const path = `species.${clutch.speciesId}.incubation.phases.${standing.index}`
    return [
      {
        id: `eggPhase:${clutch.id}`,
        level: 'watch',
        subject: { type: 'clutch', id: clutch.id },
        text: `${clutch.tag} is in its ${phase.name.toLowerCase()} and lay at ${day.mean!.toFixed(1)} °C over the last day, ${day.mean! > phase.highC.value ? 'over' : 'under'} ${phase.lowC.value}–${phase.highC.value} °C`,
        todo: `Move it in ${house.places[placeId]?.name ?? 'its place'} or out of it; where the phase is over, write that the next began.`,
        reasons: [
          {
            rule: 'Mean of the last 24 hours against what the phase asks for',
            inputs: [
              factInput('At least', `${path}.lowC`, phase.lowC),
              factInput('At most', `${path}.highC`, phase.highC),
              computedInput('Mean', `${day.mean!.toFixed(1)} °C`),
            ],
            change: 'Another place, or the next phase',
          },
        ],
      },
    ]
  })
}

/** A day that was warmer than what is set, and by how much it moves each clutch: a thermostat that drifts. */
function offAlarm(placeId: string, log: HourlyLog, all: readonly ClutchState[], context: SeasonContext): Alarm[] {
  const { house, almanac } = context
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
    day.read < 12 ||
    day.mean! - setC < off.value
  )
    return []
  const gains = clutches.map(c => {
    const development = developmentOf(speciesOf(almanac, c.speciesId).incubation!, almanac)
    const whole = degreesAbove(setC, development)
    return `${c.tag} ${whole > 0 ? (degreesAbove(day.mean!, development) / whole - 1).toFixed(2) : '0'}`
  })
  const told =
    gains.length > TAGS_TOLD
      ? `${gains.slice(0, TAGS_TOLD).join(', ')} and ${gains.length - TAGS_TOLD} more`
      : gains.join(', ')
  return [
    {
      id,
      level: 'watch',
      subject: { type: 'place', id: placeId },
      text: `${place.name} read ${day.mean!.toFixed(1)} °C over the last day and is set to ${setC} °C. Each such day brings the hatch forward, in days: ${told}`,
      todo: 'Check it with a second thermometer, then the thermostat. Dates and sexes count with what is read; where the setting was changed, write it in Places.',
      answerable: true,
      reasons: [
        {
          rule: 'Mean of the last 24 hours against what the place is set to',
          inputs: [
            computedInput('Mean', `${day.mean!.toFixed(1)} °C of ${day.read} hours`),
            computedInput('Set to', `${setC} °C`),
            factInput('Told from', 'common.eggsOff.value', off),
          ],
          change: 'The next readings; another temperature set of the place',
        },
      ],
    },
  ]
}

/** A day whose warmest hour is far from its coldest: the thermostat hunts, or the lid stands open. */
function swingAlarm(
  placeId: string,
  log: HourlyLog,
  clutches: readonly ClutchState[],
  { house, almanac }: SeasonContext,
): Alarm[] {
  const place = house.places[placeId]
  const most = almanac.common.eggsSwing!
  const day = watchSpan(log, endOf(log) - 24, endOf(log))
  const id = `eggSwing:${placeId}`
  if (!place || place.answered?.[id] || day.read < 12 || day.highest! - day.lowest! <= most.value) return []
  return [
    {
      id,
      level: 'watch',
      subject: { type: 'place', id: placeId },
      text: `${place.name} went from ${day.lowest!.toFixed(1)} to ${day.highest!.toFixed(1)} °C within a day; in it ${tagsOf(clutches)}`,
      todo: 'Look at the thermostat, its probe and the lid. Where a cooler night is meant, answer this.',
      answerable: true,
      reasons: [
        {
          rule: 'Warmest against coldest of the last 24 hours',
          inputs: [
            computedInput('Apart', `${(day.highest! - day.lowest!).toFixed(1)} °C`),
            factInput('Told from', 'common.eggsSwing.value', most),
          ],
          change: 'A steady day',
        },
      ],
    },
  ]
}

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
  const { house, almanac } = context
  return [...placesOf(context)].flatMap(([placeId, { log, clutches, kills, speciesId }]): Alarm[] => {
    const now = endOf(log)
    const laid = Math.min(...clutches.map(c => c.startDay)) * 24
    const limit = kills.value
    const ways = { limits: { low: -Infinity, high: limit } }
    const lately = watchSpan(log, Math.max(log.from, now - LATELY_HOURS), now, ways)
    const since = watchSpan(log, Math.max(log.from, laid), now, ways)
    const name = house.places[placeId]?.name ?? placeId
    const eggs = tagsOf(clutches)
    const reasons: Reason[] = [
      {
        rule: 'What the probe of the eggs read in the last two days, against what kills the most tender of them',
        inputs: [
          factInput('Kills above', `species.${speciesId}.incubation.lethalAboveC.value`, kills),
          computedInput('Highest', lately.highest === null ? 'nothing read' : `${lately.highest.toFixed(1)} °C`),
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
        text: `${name} was over ${limit} °C for ${lately.hoursAbove} of the last ${lately.hours} hours, up to ${lately.highest!.toFixed(1)} °C: eggs die of that; in it ${eggs}`,
        todo: 'Cool it now: lid off, heat off, check the thermostat against a second thermometer. Candle in a week.',
        reasons,
      })
    if (lately.silentHours >= almanac.common.coldSilent!.value)
      made.push({
        id: `eggSilent:${placeId}`,
        level: lately.silentHours >= 24 ? 'harm' : 'watch',
        subject: { type: 'place', id: placeId },
        text: `${name} sends no reading since ${watchSpan(log, log.from, now).silentHours} hours; in it ${eggs}`,
        todo: 'Look at the probe, its battery and the plug, and at a second thermometer: a cold incubator is silent too.',
        reasons,
      })
    return [
      ...made,
      ...phaseAlarm(placeId, log, clutches, context),
      ...coldAlarm(placeId, log, clutches, context),
      ...(made.some(a => a.id === `eggHeat:${placeId}`) ? [] : offAlarm(placeId, log, clutches, context)),
      ...swingAlarm(placeId, log, clutches, context),
    ]
  })
}
