import { speciesOf, type BreedingEvent, type Species } from '../almanac'
import {
  certain,
  conditionUnwritten,
  lastOf,
  neverHappens,
  pert,
  shift,
  summarise,
  variance,
  type Day,
  type DayDist,
} from '../chance'
import { incubationTime } from '../eggs'
import { computedInput, entryInput, factInput, settingInput, spreadInput, type Reason } from '../judgement'
import {
  eggsLeft,
  tadpolesLeft,
  youngInGroup,
  type AnimalState,
  type ClutchState,
  type Observed,
  type PairingState,
} from '../subjects'
import { cyclesOf, unwrittenRates, type UnwrittenRates } from '../learning'
import { expectedCount, type MouthSource, type YoungCount } from '../nursery'
import { temperatureAt } from '../places'
import {
  chainOf,
  forecastChain,
  laterLayings,
  observedInCycle,
  ovulationFromFollicles,
  type EventForecast,
} from '../pairing'
import { formatDay } from '../units'
import type { SeasonContext } from './context'
import { eachGuarded, subjectAs } from './guard'
import { remembering } from './remember'
import type { HouseSettings } from '../settings'
import type { Lane, Stage } from './contracts'
import { inCold, programmeFor, readinessOf, wakingOf, winterDeps } from './winter'

type Given = { dist: DayDist; reasons: Reason[]; measured?: boolean }

/** A warm-up longer ago than this belongs to the season before. */
const WARMED_COUNTS_DAYS = 200

/**
 * The waking that still lies before a pair of a species that is cooled, though no winter is written: by the plan of its
 * group, else by the time of year at which such species are woken where the house stands. Null for one that is awake.
 */
function wakingAhead(dam: AnimalState, pairing: PairingState, species: Species, context: SeasonContext): Given | null {
  const { today, almanac, settings } = context
  if (species.winter !== 'brumation' || (dam.warmed && today - dam.warmed.day < WARMED_COUNTS_DAYS)) return null
  const programme = programmeFor(dam, context)
  if (programme && programme.wakeDay >= today) return { dist: certain(programme.wakeDay), reasons: programme.reasons }
  const { wakeEarliest, wakeLikely, wakeLatest } = almanac.common
  const south = (settings.latitude ?? 1) < 0
  const wake = nextWaking(
    { earliest: wakeEarliest!.value, likely: wakeLikely!.value, latest: wakeLatest!.value },
    pairing.startDay,
    south,
  )
  // set in spring or summer it is awake, and this season is its own
  if (wake.start - pairing.startDay > SEASON_DAYS) return null
  const dist = conditionUnwritten(wake, today, almanac.common.unwrittenWarmUp!.value)
  return {
    dist,
    reasons: [
      {
        rule: `No winter is planned or written, so it is taken to be woken when such species usually are, ${south ? 'south' : 'north'} of the equator`,
        inputs: [
          factInput('Earliest', 'common.wakeEarliest.value', wakeEarliest!),
          factInput('Likely', 'common.wakeLikely.value', wakeLikely!),
          factInput('Latest', 'common.wakeLatest.value', wakeLatest!),
          ...(settings.latitude === null
            ? [computedInput('Latitude', 'not set: taken as north')]
            : [settingInput('Latitude', `${settings.latitude}°`, 'latitude')]),
        ],
        change: 'A winter planned for it, its cooling and warm-up written, or the latitude in Settings',
      },
    ],
  }
}

/** A pair set longer before the next waking than this breeds before it. */
const SEASON_DAYS = 210

/** The next waking after a day, by days of the year. */
function nextWaking(days: { earliest: number; likely: number; latest: number }, after: Day, south: boolean): DayDist {
  const year = new Date(after * 86_400_000).getUTCFullYear()
  for (let y = year - 1; ; y++) {
    const from = Date.UTC(y, 0, 0) / 86_400_000 + (south ? 183 : 0)
    if (from + days.latest > after) return shift(pert(days), from)
  }
}

/** When a female's season starts: seen, planned, or by the species' usual weeks of cold. */
function warmUpOf(dam: AnimalState, pairing: PairingState, species: Species, context: SeasonContext): Given {
  if (inCold(dam)) return wakingOf(dam, species, context)
  const { today } = context
  const ahead = wakingAhead(dam, pairing, species, context)
  if (ahead) return ahead
  const start = dam.warmed?.day ?? pairing.startDay
  return {
    dist: certain(start),
    reasons: [
      {
        rule: dam.warmed ? 'Warmed up' : 'Awake since the pair was set',
        inputs: dam.warmed
          ? [entryInput('Warmed up', formatDay(start, today), dam.warmed)]
          : [computedInput('Pair set', formatDay(start, today))],
      },
    ],
  }
}

/** When both of a pair are ready after the cold; seen, when every condition of both was seen. Null when none was in it. */
function readyOf(
  dam: AnimalState,
  sire: AnimalState | null,
  context: SeasonContext,
): (Given & { since: Observed | null }) | null {
  const both = [dam, sire]
    .filter(a => a !== null)
    .map(animal => ({ animal, readiness: readinessOf(animal, context) }))
    .filter(x => x.readiness !== null)
  if (!both.some(x => x.animal === dam)) return null
  const reasons = both.flatMap(x => x.readiness!.reasons.map(r => ({ ...r, rule: `${x.animal.tag}: ${r.rule}` })))
  const seen = both.map(x => x.readiness!.since)
  const since = seen.every(s => s !== null) ? seen.reduce((a, s) => (s.day > a.day ? s : a)) : null
  return { dist: lastOf(both.map(x => x.readiness!.dist)), reasons, since }
}

function incubationOf(species: Species, tempC: number | null, settings: HouseSettings) {
  return species.incubation
    ? incubationTime(
        species.id,
        species.incubation,
        (tempC ?? species.incubation.usualTempC.value) + settings.incubationShiftC,
      )
    : null
}

function throughRate(species: Species, candled: boolean): { each: number; reasons: Reason['inputs'] } {
  const path = `species.${species.id}`
  const parts = [
    ...(candled ? [] : [{ fact: species.fertility, label: 'Good eggs', key: 'fertility' }]),
    { fact: species.hatchRate, label: 'Hatch of good eggs', key: 'hatchRate' },
    ...(species.larvalSurvival
      ? [{ fact: species.larvalSurvival, label: 'Tadpoles that turn', key: 'larvalSurvival' }]
      : []),
  ]
  return {
    each: parts.reduce((p, x) => p * x.fact.value, 1),
    reasons: parts.map(x => factInput(x.label, `${path}.${x.key}.value`, x.fact)),
  }
}

function stageOfPair(dam: AnimalState, observed: Partial<Record<BreedingEvent, Observed>>): Stage {
  if (inCold(dam)) return 'cooling'
  return observed.copulation || observed.ovulation || observed.preLayShed || observed.postOvulationShed
    ? 'gravid'
    : 'pairing'
}

function expectedYoung(species: Species): { count: YoungCount; reason: Reason } {
  const through = throughRate(species, false)
  const count: YoungCount = { kind: 'eggs', eggs: species.clutchSize, each: through.each }
  return {
    count,
    reason: {
      rule: 'Clutch size of the species times what comes through',
      inputs: [spreadInput('Clutch size', `species.${species.id}.clutchSize`, species.clutchSize), ...through.reasons],
      change: 'Recording the laying puts the true number in',
    },
  }
}

/** A clutch follows on the one before: as its laying day is that day and a clock, so far the two are late together. */
function followsOn(
  source: MouthSource | undefined,
  laid: DayDist | undefined,
  opens: DayDist,
): Pick<MouthSource, 'after'> {
  if (!source || !laid) return {}
  const both = Math.sqrt(variance(source.opens) * variance(opens))
  return { after: { id: source.id, correlation: both > 0 ? Math.min(0.99, variance(laid) / both) : 0 } }
}

/** Chance of 'never' from which a further clutch is no longer waited for. */
const SEASON_OVER = 0.95

function pairLane(
  pairing: PairingState,
  unwritten: UnwrittenRates,
  context: SeasonContext,
): { lane: Lane; mouths: MouthSource[] } | null {
  const { house, almanac, today } = context
  const dam = house.animals[pairing.damId]
  if (!dam || dam.status !== 'alive' || pairing.ended) return null
  const species = speciesOf(almanac, pairing.speciesId)
  const sire = pairing.sireId ? house.animals[pairing.sireId] : null
  const id = `pairing:${pairing.id}`
  const birth: BreedingEvent = species.mode === 'live' ? 'born' : 'laid'
  const births = pairing.seen[birth] ?? []
  const observed = observedInCycle(pairing, species)
  if (
    pairing.clutchIds.length === 0 &&
    dam.warmed &&
    species.winter !== 'none' &&
    dam.warmed.day <= (observed.copulation?.day ?? today)
  )
    observed.warmUp = dam.warmed
  const ready = births.length === 0 && !observed.copulation ? readyOf(dam, sire ?? null, context) : null
  if (ready?.since && observed.warmUp) observed.ready = ready.since
  const limit = species.nextClutch?.perSeason.latest ?? 1
  const done = births.length
  const title = `${dam.tag} × ${sire?.tag ?? 'unknown'}`
  const base = {
    id,
    kind: 'pair' as const,
    subject: { type: 'pairing' as const, id: pairing.id },
    title,
    speciesId: species.id,
    placeId: dam.placeId,
  }

  const next =
    done > 0 ? laterLayings(species, certain(births.at(-1)!.day), done, today, unwritten.of(birth))[0] : undefined
  // a season is over once no further clutch is likely; signs seen after the last laying open another cycle all the same
  if (done > 0 && !Object.keys(observed).length && (done >= limit || !next || next.dist.never > SEASON_OVER)) {
    return {
      lane: {
        ...base,
        stage: 'pairing',
        events: births.map(b => seenEvent(birth, b, today)),
        later: [],
        young: {
          value: 0,
          reasons: [
            {
              rule: 'No further clutch is likely in this season',
              inputs: [computedInput('Clutches or litters seen', `${done}`)],
              change: 'A lock or a shed recorded now opens another',
            },
          ],
        },
      },
      mouths: [],
    }
  }

  const incubation = incubationOf(species, null, context.settings)
  const given: Partial<Record<BreedingEvent, Given>> = {}
  if (done === 0)
    given[chainOf(species)[0]!] =
      species.winter === 'none'
        ? {
            dist: certain(pairing.startDay),
            reasons: [
              {
                rule: 'Together since the pair was set',
                inputs: [computedInput('Pair set', formatDay(pairing.startDay, today))],
              },
            ],
          }
        : warmUpOf(dam, pairing, species, context)
  if (ready && !observed.ready) given.ready = ready
  if (done > 0 && !Object.keys(observed).length) {
    given[birth] = { dist: next!.dist, reasons: next!.reasons }
  }
  const growth =
    species.mating && !observed.ovulation
      ? ovulationFromFollicles(
          { ...species, mating: species.mating },
          pairing,
          births.at(-1)?.day ?? pairing.startDay - 1,
          today,
        )
      : null
  if (growth) given.ovulation = { ...growth, measured: true }
  const chain = forecastChain({
    species,
    observed,
    given,
    incubation,
    today,
    unwritten: unwritten.of,
    ...(dam.lastCheck && { notBy: { [birth]: dam.lastCheck.day } }),
  })
  // a start that was only assumed, and is past, is nothing to look at
  const events = [
    ...births.map(b => seenEvent(birth, b, today)),
    ...chain.filter(e => e.observed || !given[e.event] || e.event === birth || isAhead(e, today)),
  ]
  const laying = events.find(e => e.event === birth && !e.observed)
  const later =
    laying && species.nextClutch ? laterLayings(species, laying.dist, done + 1, today, unwritten.of(birth)) : []
  const young = expectedYoung(species)

  const opens = events.find(e => e.event === 'firstMeal' && !e.observed)?.dist ?? neverHappens()
  const mouths: MouthSource[] = opens.p.length
    ? [
        {
          id: `${id}:${done + 1}`,
          laneId: id,
          label: `${title}, ${birth === 'born' ? 'litter' : 'clutch'} ${done + 1}`,
          speciesId: species.id,
          opens,
          count: young.count,
        },
      ]
    : []
  let before = laying?.dist
  for (const l of later) {
    const after = forecastChain({
      species,
      observed: {},
      given: { [birth]: { dist: l.dist, reasons: l.reasons } },
      incubation,
      today,
      unwritten: unwritten.of,
    })
    const first = after.find(e => e.event === 'firstMeal')?.dist
    if (first?.p.length && first.never < 0.97)
      mouths.push({
        id: `${id}:${l.number}`,
        laneId: id,
        label: `${title}, clutch ${l.number}`,
        speciesId: species.id,
        opens: first,
        count: young.count,
        ...followsOn(mouths.at(-1), before, first),
      })
    before = l.dist
  }
  return {
    lane: {
      ...base,
      stage: stageOfPair(dam, observed),
      events,
      later: later.map(l => ({ event: birth, number: l.number, dist: l.dist, reasons: l.reasons })),
      young: { value: expectedCount(young.count), reasons: [young.reason] },
      ...(incubation?.caution && { caution: incubation.caution }),
    },
    mouths,
  }
}

function seenEvent(event: BreedingEvent, observed: Observed, today: Day): EventForecast {
  return {
    event,
    observed,
    dist: certain(observed.day),
    reasons: [
      {
        rule: 'Seen and written in the logbook',
        inputs: [entryInput('Seen', formatDay(observed.day, today), observed)],
      },
    ],
  }
}

/** Eggs left so long after the first hatched do not follow. [memory] */
export const LAST_HATCH_DAYS = 14

const birthEvent = { eggs: 'laid', litter: 'born', spawn: 'laid' } as const

function clutchLane(
  clutch: ClutchState,
  unwritten: UnwrittenRates,
  context: SeasonContext,
): { lane: Lane; mouths: MouthSource[] } | null {
  const { house, almanac, settings, today } = context
  const species = speciesOf(almanac, clutch.speciesId)
  const eggs = clutch.kind === 'litter' ? 0 : eggsLeft(clutch)
  const tadpoles = tadpolesLeft(clutch)
  const young = youngInGroup(clutch)
  if (clutch.ended || eggs + tadpoles + young === 0) return null
  const id = `clutch:${clutch.id}`
  const laidEvent = birthEvent[clutch.kind]
  const tempC = clutch.tempC ?? temperatureAt(house.places, clutch.placeId)
  const incubation = clutch.kind === 'eggs' ? incubationOf(species, tempC, settings) : null
  const observed: Partial<Record<BreedingEvent, Observed>> = {
    [laidEvent]: { day: clutch.startDay, entryId: clutch.id },
  }
  // a box that was looked into had nothing hatched that was not written
  const notBy = clutch.lastCheck ? { hatched: clutch.lastCheck.day } : {}
  const hatch = clutch.hatched[0]
  if (hatch && clutch.kind !== 'litter') observed.hatched = { day: hatch.day, entryId: hatch.entryId }
  const turned = clutch.metamorphosed[0]
  if (turned) observed.metamorphosed = { day: turned.day, entryId: turned.entryId }
  if (clutch.firstFed && young > 0) observed.firstMeal = clutch.firstFed
  const events = forecastChain({ species, observed, given: {}, incubation, today, unwritten: unwritten.of, notBy })

  const title = clutch.tag
  const mouths: MouthSource[] = []
  const reasons: Reason[] = []
  const openOf = (list: EventForecast[]) => list.find(e => e.event === 'firstMeal')?.dist
  if (young > 0) {
    // young already out eat from their first meal on; counted as they are
    const opens = openOf(events)
    mouths.push({
      id: `${id}:young`,
      laneId: id,
      label: title,
      speciesId: species.id,
      opens: opens?.p.length ? opens : certain(today),
      count: { kind: 'known', count: young },
    })
    reasons.push({
      rule: 'Hatched or born, less losses, sales and those tagged',
      inputs: [computedInput('Alive in the group', `${young}`)],
    })
  }
  if (tadpoles > 0) {
    const { dist } = turned
      ? { dist: certain(today + 7) }
      : {
          dist:
            openOf(
              forecastChain({
                species,
                observed: { ...observed, firstMeal: undefined },
                given: {},
                incubation,
                today,
                unwritten: unwritten.of,
              }),
            ) ?? neverHappens(),
        }
    const rate = species.larvalSurvival!
    mouths.push({
      id: `${id}:tadpoles`,
      laneId: id,
      label: `${title}, tadpoles`,
      speciesId: species.id,
      opens: dist,
      count: { kind: 'eggs', eggs: { earliest: tadpoles, likely: tadpoles, latest: tadpoles }, each: rate.value },
    })
    reasons.push({
      rule: 'Tadpoles alive times those that usually turn',
      inputs: [
        computedInput('Tadpoles', `${tadpoles}`),
        factInput('Tadpoles that turn', `species.${species.id}.larvalSurvival.value`, rate),
      ],
    })
  }
  const unhatched = clutch.good !== null ? Math.min(clutch.good, eggs) : eggs
  if (unhatched > 0 && (!hatch || today - hatch.day < LAST_HATCH_DAYS)) {
    const through = throughRate(species, clutch.good !== null)
    const chain = forecastChain({
      species,
      observed: { [laidEvent]: observed[laidEvent]! },
      given: {},
      incubation,
      today,
      unwritten: unwritten.of,
      notBy,
    })
    const opens = openOf(chain)
    if (opens?.p.length)
      mouths.push({
        id: `${id}:eggs`,
        laneId: id,
        label: title,
        speciesId: species.id,
        opens,
        count: {
          kind: 'eggs',
          eggs: { earliest: unhatched, likely: unhatched, latest: unhatched },
          each: through.each,
        },
      })
    reasons.push({
      rule:
        clutch.good !== null
          ? 'Good eggs by candling times their usual hatch'
          : 'Eggs times the species’ fertility and hatch',
      inputs: [computedInput('Eggs', `${unhatched}`), ...through.reasons],
      change: 'Candling replaces the species’ fertility by what was seen',
    })
  }
  const stage: Stage = young > 0 || tadpoles > 0 ? 'hatchling' : 'egg'
  return {
    lane: {
      id,
      kind: clutch.kind,
      subject: { type: 'clutch', id: clutch.id },
      title,
      speciesId: species.id,
      stage,
      placeId: clutch.placeId,
      events,
      later: [],
      young: { value: mouths.reduce((n, m) => n + expectedCount(m.count), 0), reasons },
      ...(incubation?.caution && { caution: incubation.caution }),
    },
    mouths,
  }
}

/** Whether an event is expected, and more likely still to come than past and unwritten. */
export const isAhead = (event: EventForecast, today: Day): boolean =>
  !event.observed && event.dist.p.length > 0 && summarise(event.dist)!.median >= today

/** Day of the next thing expected in a lane: what one reads it for. */
export function nextEventDay(lane: Lane, today: Day): Day {
  const next = lane.events.find(e => isAhead(e, today))
  return next ? summarise(next.dist)!.median : Number.MAX_SAFE_INTEGER
}

type MadeLane = { lane: Lane; mouths: MouthSource[] } | null

const LAST_MOUTHS = Symbol('mouths told last')

function sameMouths(a: MouthSource, b: MouthSource): boolean {
  const { opens: one, ...rest } = a
  const { opens: other, ...others } = b
  return (
    one.start === other.start &&
    one.never === other.never &&
    one.p.length === other.p.length &&
    one.p.every((p, i) => p === other.p[i]) &&
    JSON.stringify(rest) === JSON.stringify(others)
  )
}

/** Mouths that say what they said before stay the same objects, so that a weight written of a parent does not draw its young anew. */
function withKnownMouths(of: PairingState | ClutchState, made: MadeLane, { memory }: SeasonContext): MadeLane {
  if (!made || !memory) return made
  const lastMouths = memory.room(LAST_MOUTHS, () => new WeakMap<PairingState | ClutchState, MouthSource[]>())
  const before = lastMouths.get(of)
  const mouths = made.mouths.map(mouth => {
    const known = before?.find(b => b.id === mouth.id)
    return known && sameMouths(known, mouth) ? known : mouth
  })
  lastMouths.set(of, mouths)
  return { ...made, mouths }
}

const pairLanes = remembering<PairingState, MadeLane>()
const clutchLanes = remembering<ClutchState, MadeLane>()

function parentDeps(id: string | null, context: SeasonContext): unknown[] {
  const animal = id ? context.house.animals[id] : undefined
  return animal ? [animal, ...winterDeps(animal, context)] : [null]
}

/** Lanes of every open pair and every clutch with something alive, soonest event first, and the mouths they will bring. */
export function lanesOf(context: SeasonContext): { lanes: Lane[]; mouths: MouthSource[] } {
  const { house, almanac, settings, today } = context
  const unwritten = unwrittenRates(
    eachGuarded(context, 'its forecast', Object.values(house.pairings), subjectAs('pairing'), cyclesOf).flat(),
    almanac,
  )
  const all = [
    ...eachGuarded(context, 'its forecast', Object.values(house.pairings), subjectAs('pairing'), p =>
      pairLanes(
        context,
        p,
        [...parentDeps(p.damId, context), ...parentDeps(p.sireId, context), almanac, settings, today, unwritten.key],
        () => withKnownMouths(p, pairLane(p, unwritten, context), context),
      ),
    ),
    ...eachGuarded(context, 'its forecast', Object.values(house.clutches), subjectAs('clutch'), c =>
      clutchLanes(context, c, [temperatureAt(house.places, c.placeId), almanac, settings, today, unwritten.key], () =>
        withKnownMouths(c, clutchLane(c, unwritten, context), context),
      ),
    ),
  ]
  const lanes = all.map(m => m.lane)
  const when = new Map(lanes.map(l => [l.id, nextEventDay(l, today)]))
  lanes.sort((a, b) => when.get(a.id)! - when.get(b.id)! || (a.title < b.title ? -1 : 1))
  return { lanes, mouths: all.flatMap(m => m.mouths) }
}
