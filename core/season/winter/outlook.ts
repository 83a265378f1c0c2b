import { speciesOf } from '../../almanac'
import {
  bandOf,
  bandOfCold,
  expectedLoss,
  hasWinter,
  judgeEligibility,
  limitsOfBand,
  programmeOf,
  recoveryOf,
  sharedBand,
  troubleOf,
  usualPerDay,
  wokenOn,
} from '../../brumation'
import { climateAt, coldPlaceOf, dailyOf, endOf, watchSpan, type SpanWatch } from '../../climate'
import { cumulative, summarise, type Day } from '../../chance'
import { computedInput, computedTemp, factInput, type Reason } from '../../judgement'
import { animalsOf, inCold, livingAnimals, type AnimalState, type WinterGroup } from '../../subjects'
import { temperatureAt } from '../../places'
import type { SeasonContext } from '../context'
import { eachGuarded, guarded, subjectAs } from '../guard'
import { groupOf } from '../indexes'
import { calendarFor } from '../places'
import { remembering } from '../remember'
import { warmUpDayOf } from '../../settings'
import type { ColdAnimal, ColdPlaceView, Lane, RecoveringAnimal, WinterGroupView, WinterOutlook } from '../contracts'
import { coldOf, readinessOf, winterDeps } from './animalWinter'

/** Days of readings that are looked through: a whole winter. */
const WATCH_DAYS = 150
const USUAL_STEPS = 8

function usualBand(
  animal: AnimalState,
  wakeDay: Day,
  context: SeasonContext,
  fromDay: Day,
  startG: number,
): ColdAnimal['usual'] {
  const species = speciesOf(context.almanac, animal.speciesId)
  if (!hasWinter(species)) return []
  const { house } = context
  const log = climateAt(house, animal.placeId)?.log
  const assumedC = temperatureAt(house.places, animal.placeId) ?? species.cold.holdC.value
  const span = Math.max(1, wakeDay - fromDay)
  return Array.from({ length: USUAL_STEPS + 1 }, (_, i) => {
    const days = Math.round((span * i) / USUAL_STEPS)
    const burnt = expectedLoss(species.cold, startG, log, fromDay, fromDay + days, assumedC).share
    return {
      day: fromDay + days,
      low: burnt,
      high: Math.max(burnt + usualPerDay(species.cold) * days, species.cold.watchLoss.value * (days / span)),
    }
  })
}

function coldAnimal(animal: AnimalState, context: SeasonContext): ColdAnimal | null {
  const judged = coldOf(animal, context)
  if (!judged) return null
  const { line, programme, verdict } = judged
  const species = speciesOf(context.almanac, animal.speciesId)
  if (!hasWinter(species)) return null
  const { today } = context
  const until = Math.max(programme.wakeDay, today)
  let limitDay: Day | null = null
  if (line.outOn) {
    for (let day = today; day <= until && limitDay === null; day++)
      if (cumulative(line.outOn, day) >= 0.5) limitDay = day
  }
  return {
    animalId: animal.id,
    tag: animal.tag,
    speciesId: animal.speciesId,
    placeId: animal.placeId,
    coldPlaceId: coldPlaceOf(context.house, animal.placeId),
    groupId: groupOf(context.house, animal.id)?.id ?? null,
    kind: programme.kind,
    cooledDay: animal.cooled!.day,
    wakeDay: programme.wakeDay,
    points: line.points,
    startLate: line.start?.late ?? true,
    lost: line.lost,
    slopePerWeek: line.trend ? line.trend.slope * 7 : null,
    band: bandOf(line, until),
    usual: line.start ? usualBand(animal, programme.wakeDay, context, line.start.day, line.start.massG) : [],
    atWake: line.atWake,
    limits: { watch: species.cold.watchLoss.value, takeOut: species.cold.takeOutLoss.value },
    watchOn: line.watchOn && summarise(line.watchOn),
    outOn: line.outOn && summarise(line.outOn),
    limitDay,
    metabolicShare: line.metabolicShare,
    waterShare: line.waterShare,
    verdict,
  }
}

const coldAnimals = remembering<AnimalState, ColdAnimal | null>()

const gravity = { takeOut: 0, offerWater: 1, weighAgain: 2, carryOn: 3 } as const

function byTrouble(a: ColdAnimal, b: ColdAnimal): number {
  const far = Number.MAX_SAFE_INTEGER
  return (
    gravity[a.verdict.value.action] - gravity[b.verdict.value.action] ||
    (a.limitDay ?? far) - (b.limitDay ?? far) ||
    (b.atWake?.high ?? 0) - (a.atWake?.high ?? 0) ||
    (a.tag < b.tag ? -1 : 1)
  )
}

/** Band of those that lie in a place, with the almanac rows it comes from, and how its readings are counted. */
function placeReasons(
  speciesIds: readonly string[],
  watch: SpanWatch | null,
  holdC: number | null,
  context: SeasonContext,
): Reason[] {
  const bands = speciesIds.flatMap(id => {
    const { name, cold } = speciesOf(context.almanac, id)
    return (['floorC', 'lowC', 'holdC', 'highC', 'ceilingC'] as const).map(key =>
      factInput(`${name}, ${BAND_WORDS[key]}`, `species.${id}.cold.${key}.value`, cold![key]),
    )
  })
  return [
    {
      rule: 'The tightest band of the species that lie there',
      inputs: bands,
      change: 'Own numbers in the Almanac, or other animals in the place',
    },
    ...(watch
      ? [
          {
            rule: 'Hourly means of its probes from five days after the first of them was cooled; hours without a reading are told, not filled in. Degree-hours: each hour’s mean above the hold, added up',
            inputs: [
              computedInput('Hours read', `${watch.read} of ${watch.hours}`),
              ...(holdC === null ? [] : [computedTemp('Hold', holdC)]),
              computedInput('Degree-hours above it', `${Math.round(watch.hoursTimesAbove)}`),
            ],
          },
        ]
      : []),
  ]
}

const BAND_WORDS = {
  floorC: 'harmed below',
  lowC: 'hold from',
  holdC: 'hold',
  highC: 'hold to',
  ceilingC: 'not long over',
} as const

function coldPlaces(cold: readonly ColdAnimal[], context: SeasonContext): ColdPlaceView[] {
  const { house, almanac, settings, today } = context
  const dayOf = calendarFor(settings.timeZone, context)
  const held = new Map<string, ColdAnimal[]>()
  for (const place of Object.values(house.places)) if (place.kind === 'cold') held.set(place.id, [])
  for (const c of cold) {
    if (c.coldPlaceId === null || c.kind === 'dormancy') continue
    const list = held.get(c.coldPlaceId)
    if (list) list.push(c)
    else held.set(c.coldPlaceId, [c])
  }
  return [...held].map(([placeId, list]): ColdPlaceView => {
    const place = house.places[placeId]!
    const log = house.climate[placeId]?.['temperature:air']
    const speciesIds = [...new Set(list.map(c => c.speciesId))]
    const bands = speciesIds.map(id => bandOfCold(speciesOf(almanac, id).cold!))
    const band = sharedBand(bands)
    const now = log ? endOf(log) : 0
    // watched from five days after the first of them was cooled: before that it was still falling
    const from = log
      ? Math.max(
          log.from,
          now - WATCH_DAYS * 24,
          list.length ? (Math.min(...list.map(c => c.cooledDay)) + 5) * 24 : now - 48,
        )
      : 0
    const watch = log && band ? watchSpan(log, from, now, limitsOfBand(band)) : null
    return {
      placeId,
      name: place.name,
      capacity: place.capacity,
      setC: place.tempC,
      animalIds: list.map(c => c.animalId),
      band,
      watch,
      reasons: placeReasons(speciesIds, watch, band?.holdC ?? null, context),
      days: log ? dailyOf(log, Math.max(Math.floor(log.from / 24), today - WATCH_DAYS), today, dayOf) : [],
      troubles: log && band ? troubleOf(log, band, context.almanac.common) : [],
    }
  })
}

function groupView(
  group: WinterGroup,
  gravid: ReadonlyMap<string, string>,
  context: SeasonContext,
): WinterGroupView | null {
  const { house, almanac, settings, today } = context
  const species = speciesOf(almanac, group.speciesId)
  if (!hasWinter(species)) return null
  const ways = { almanac, schools: settings.schools }
  const planned = programmeOf(species, ways, group.coolDay, group.ways, group.tag)
  const lies = Object.keys(group.members).some(id => house.animals[id] && inCold(house.animals[id]))
  const allWakeOn = warmUpDayOf(settings, today)
  const programme = lies && allWakeOn !== null ? wokenOn(planned, allWakeOn) : planned
  return {
    groupId: group.id,
    tag: group.tag,
    speciesId: group.speciesId,
    placeId: group.placeId,
    programme,
    members: Object.keys(group.members)
      .map(id => house.animals[id])
      .filter(a => a !== undefined)
      .map(animal => {
        const state =
          animal.status !== 'alive'
            ? ('gone' as const)
            : inCold(animal)
              ? ('cold' as const)
              : animal.warmed && animal.warmed.day >= group.coolDay
                ? ('warmed' as const)
                : ('awake' as const)
        return {
          animalId: animal.id,
          tag: animal.tag,
          state,
          eligibility:
            state === 'awake'
              ? judgeEligibility(species, animal, gravid.has(animal.id), Math.max(group.coolDay, today), today, ways)
              : null,
        }
      })
      .sort((a, b) => (a.tag < b.tag ? -1 : 1)),
  }
}

/**
 * Females that carry, with the middle day on which each is expected to lay or give birth; null when that is not known.
 */
function carriers(lanes: readonly Lane[], context: SeasonContext): [damId: string, day: Day | null][] {
  return lanes
    .filter(l => l.kind === 'pair' && l.stage === 'gravid')
    .map(l => {
      const birth = l.events.find(e => (e.event === 'laid' || e.event === 'born') && !e.observed)
      return [context.house.pairings[l.subject.id]!.damId, birth ? (summarise(birth.dist)?.median ?? null) : null]
    })
}

/** When those that carry are expected to lay or give birth. */
export const birthsExpected = (lanes: readonly Lane[], context: SeasonContext): Map<string, Day> =>
  new Map(carriers(lanes, context).filter((c): c is [string, Day] => c[1] !== null))

/** Females that carry, by the lanes of the season. */
export function gravidIn(lanes: readonly Lane[], context: SeasonContext): Map<string, 'gravid' | 'late'> {
  return new Map(
    carriers(lanes, context).map(([id, day]) => [
      id,
      day !== null && day - context.today <= context.almanac.common.lastMonth!.value ? 'late' : 'gravid',
    ]),
  )
}

function recovering(animal: AnimalState, context: SeasonContext): RecoveringAnimal | null {
  const { today } = context
  if (!animal.warmed || inCold(animal) || today - animal.warmed.day > context.almanac.common.recoveringFor!.value)
    return null
  const readiness = readinessOf(animal, context)
  if (!readiness) return null
  return {
    animalId: animal.id,
    tag: animal.tag,
    speciesId: animal.speciesId,
    warmedDay: animal.warmed.day,
    recovery: recoveryOf(animal, animal.winters.at(-1)!, context.almanac.common),
    readiness: {
      dist: readiness.dist,
      since: readiness.since?.day ?? null,
      waitsFor: readiness.waitsFor,
      schoolName: readiness.schoolName,
      reasons: readiness.reasons,
    },
  }
}

/** The winter of the house: who is in trouble, who is next, who comes back, and what the cold places do. */
export function winterOutlook(lanes: readonly Lane[], context: SeasonContext): WinterOutlook {
  const cold = eachGuarded(
    context,
    'its winter',
    animalsOf(context.house).filter(a => inCold(a)),
    subjectAs('animal'),
    a =>
      coldAnimals(context, a, [coldPlaceOf(context.house, a.placeId), ...winterDeps(a, context)], () =>
        coldAnimal(a, context),
      ),
  ).sort(byTrouble)
  const gravid = gravidIn(lanes, context)
  const when = (r: RecoveringAnimal) =>
    r.readiness.since ?? summarise(r.readiness.dist)?.median ?? Number.MAX_SAFE_INTEGER
  return {
    cold,
    places: guarded(context, 'the watch over cold places', null, () => coldPlaces(cold, context)) ?? [],
    groups: eachGuarded(
      context,
      'its programme',
      Object.values(context.house.winters).filter(g => !g.ended),
      subjectAs('winter'),
      g => groupView(g, gravid, context),
    ).sort((a, b) => a.programme.coolDay - b.programme.coolDay || (a.tag < b.tag ? -1 : 1)),
    recovering: eachGuarded(context, 'its recovery', livingAnimals(context.house), subjectAs('animal'), a =>
      recovering(a, context),
    ).sort((a, b) => when(a) - when(b) || (a.tag < b.tag ? -1 : 1)),
  }
}
