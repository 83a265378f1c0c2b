import { feederOf, speciesOf, type Almanac, type ColonyRates, type Incubation, type Supply } from '../almanac'
import type { Day } from '../chance'
import {
  climateAt,
  degreesAbove,
  eggLogAt,
  eachHour,
  endOf,
  goingOn,
  latelyOf,
  nearestLog,
  spellsApart,
  warmthAlong,
  warmthByWeek,
  type Development,
  type Spell,
  type Stretch,
  type Warmth,
} from '../climate'
import { developmentOf, sexTemperature } from '../incubation'
import { formatReading } from '../channels'
import { computedInput, computedTemp, type Input, type Reason } from '../judgement'
import type { HouseSettings } from '../settings'
import { temperatureAt } from '../places'
import { eggIncubation, type ClutchState, type CultureState, type House, type ToldWarmth } from '../subjects'
import { formatDay } from '../units'
import { cultureWay } from '../supply'
import { remembering, type Remembering } from './remember'

interface OfEggs extends Remembering {
  house: Pick<House, 'places' | 'climate' | 'clutches' | 'warmth'>
  almanac: Almanac
  today: Day
}
interface OfCultures extends Remembering {
  house: Pick<House, 'places' | 'climate' | 'cultures' | 'warmth'>
  almanac: Pick<Almanac, 'feeders' | 'common'>
}

/** Noon of the day on which something began, in hours since 1970: the hour is mostly not written. */
const beganAt = (day: number): number => day * 24 + 12

/** Finer than any keeper can set or read, and coarse enough that a forecast does not change by the hour. */
const stepped = (t: number): number => Math.round(t * 20) / 20

const orStepped = (t: number | null): number | null => (t === null ? null : stepped(t))

function told(warmth: Warmth, placeId: string | null): ToldWarmth {
  return { ...warmth, tempC: stepped(warmth.tempC), goesOnAtC: stepped(warmth.goesOnAtC), placeId }
}

const hourOfInstant = (at: string): number => Math.floor(Date.parse(at) / 3_600_000)

/** Stretches from the hour on which something began; where it was before that does not count. */
function sinceBegun(all: readonly Stretch[], from: number): Stretch[] {
  const last = all.findLastIndex(s => s.fromHour <= from)
  return all.slice(Math.max(0, last)).map(s => ({ ...s, fromHour: Math.max(s.fromHour, from) }))
}

interface Lying {
  stretches: Stretch[]
  nowHour: number
  /** The place of the last of them that is read. */
  placeId: string | null
}

/** Where the eggs developed, from the day on which they began to; null where nothing is read and nothing changed. */
function lyingOf(clutch: ClutchState, incubation: Incubation, { house, today }: OfEggs): Lying | null {
  const phases = incubation.phases?.length ?? 0
  const begun = phases ? clutch.phases.find(p => p.index === phases) : null
  if (begun === undefined) return null
  const from = beganAt(begun?.day ?? clutch.startDay)
  const usualC = incubation.usualTempC.value
  const all = clutch.stays.map((stay, i) => ({
    log: eggLogAt(house, stay.placeId)?.log ?? null,
    // where they lay before they came is not known: as where they lay first
    fromHour: i ? hourOfInstant(stay.at) : from,
    setC: stay.tempC ?? temperatureAt(house.places, stay.placeId) ?? usualC,
  }))
  const stretches = sinceBegun(all, from)
  const logs = stretches.flatMap(s => s.log ?? [])
  if (!logs.length && stretches.length < 2) return null
  const nowHour = logs.length ? Math.max(...logs.map(endOf)) : beganAt(today)
  return {
    stretches,
    nowHour: clutch.ended ? Math.min(nowHour, beganAt(clutch.ended.day)) : nowHour,
    placeId: eggLogAt(house, clutch.placeId)?.placeId ?? null,
  }
}

/** So many spells of another warmth stand in a working. */
const SPELLS_TOLD = 4
const roundedSpell = (s: Spell): Spell => ({
  ...s,
  meanC: stepped(s.meanC),
  won: Math.round(s.won * 100) / 100,
})

const known = remembering<ClutchState, ToldWarmth | null>()

/**
 * The warmth of eggs since they began to develop, by the readings of every place that they lay in; null where nothing
 * is read and they never moved, or nothing is known of their development. A window has no readings: it is told what
 * they come to (`house.warmth`).
 */
export function eggWarmth(clutch: ClutchState, context: OfEggs): ToldWarmth | null {
  const { house, almanac } = context
  if (house.warmth) return house.warmth[clutch.id] ?? null
  const species = speciesOf(almanac, clutch.speciesId)
  const incubation = eggIncubation(clutch, almanac)
  const lying = clutch.kind === 'eggs' && incubation ? lyingOf(clutch, incubation, context) : null
  if (!lying || !incubation) return null
  const { stretches, nowHour, placeId } = lying
  const dependsOn = [almanac, nowHour, placeId, ...stretches.flatMap(s => [s.log, s.fromHour, s.setC])]
  return known(context, clutch, dependsOn, () => {
    const development = developmentOf(incubation, almanac)
    const warmth = warmthAlong(stretches, nowHour, development)
    const spells = spellsApart(stretches, nowHour, almanac.common.eggsOff!.value, development).slice(-SPELLS_TOLD)
    const of = { ...told(warmth, placeId), ...(spells.length && { spells: spells.map(roundedSpell) }) }
    if (!species.sexByTemperature) return of
    const { sexFrom, sexTo } = almanac.common
    const { equivalentC, pastC, over } = sexTemperature(
      stretches,
      nowHour,
      { ...development, goesOnAtC: warmth.goesOnAtC },
      { from: sexFrom!.value, to: sexTo!.value },
      clutch.hatched[0] ? beganAt(clutch.hatched[0].day) : null,
    )
    return {
      ...of,
      sex: { tempC: orStepped(equivalentC), pastC: orStepped(pastC), over: Math.round(over * 100) / 100 },
    }
  })
}

interface Shelves {
  stretches: Stretch[]
  nowHour: number
  /** The place that is read. */
  placeId: string | null
}

/** The shelves on which a culture stood, one after the other; null where nothing is read and it never moved. */
function shelvesOf(
  { startDay, stoodIn = [], placeId }: CultureState,
  atC: number,
  house: OfCultures['house'],
): Shelves | null {
  const from = beganAt(startDay)
  const stretches = sinceBegun(
    [...stoodIn, { placeId }].map(({ placeId }, i) => ({
      log: climateAt(house, placeId)?.log ?? null,
      fromHour: i ? hourOfInstant(stoodIn[i - 1]!.until) : from,
      setC: temperatureAt(house.places, placeId) ?? atC,
    })),
    from,
  )
  const logs = stretches.flatMap(s => s.log ?? [])
  if (!logs.length && stretches.length < 2) return null
  // where nothing is read, it goes on from the last move as the place is set
  const nowHour = Math.max(stretches.at(-1)!.fromHour, ...logs.map(endOf))
  return { stretches, nowHour, placeId: climateAt(house, placeId)?.placeId ?? null }
}

/** Weeks that a colony stood in differ by at least so much, °C: it grows over months. */
const COLONY_STEP_C = 0.5
/** What it goes on at; finer, all that follows would be reckoned anew every hour. */
const COLONY_NOW_C = 0.2
/** What it was longer ago makes no difference any more. */
const COLONY_HOURS = 430 * 24

/** What a colony goes on at: what its place lately read, else what that is set to. */
function colonyNow({ stretches }: Shelves, { common }: Pick<Almanac, 'common'>): number {
  const { log, setC } = stretches.at(-1)!
  const lately = log && latelyOf(log, common.warmthLately!.value)
  return lately === null ? setC : stepped(Math.round(lately / COLONY_NOW_C) * COLONY_NOW_C)
}

/** Rates of a culture that is a colony of a kind of which it is known how it grows. */
function colonyRatesOf(culture: CultureState, almanac: OfCultures['almanac']): ColonyRates | null {
  const feeder = feederOf(almanac, culture.feederId)
  return cultureWay(feeder, culture)?.kind === 'colony' ? (feeder.colony ?? null) : null
}

const knownOfColony = remembering<CultureState, ToldWarmth | null>()

/** The warmth of a colony: what it stood at, week by week, and what it goes on at. */
function colonyWarmth(culture: CultureState, { atTempC }: ColonyRates, context: OfCultures): ToldWarmth | null {
  const { house, almanac } = context
  const shelves = shelvesOf(culture, atTempC.value, house)
  if (!shelves) return null
  const { nowHour, placeId } = shelves
  const stretches = sinceBegun(shelves.stretches, Math.max(shelves.stretches[0]!.fromHour, nowHour - COLONY_HOURS))
  const hours = almanac.common.warmthLately!.value
  const dependsOn = [atTempC, hours, nowHour, placeId, ...stretches.flatMap(s => [s.log, s.fromHour, s.setC])]
  return knownOfColony(context, culture, dependsOn, () => {
    let [sum, read, all] = [0, 0, 0]
    eachHour(stretches, nowHour, (tempC, has) => {
      all++
      if (has) [sum, read] = [sum + tempC, read + 1]
    })
    const goesOnAtC = colonyNow(shelves, almanac)
    const meanC = read ? stepped(sum / read) : null
    return {
      ...{ tempC: goesOnAtC, goesOnAtC, meanC, hours: all, read, placeId, done: 0 },
      stood: warmthByWeek(stretches, nowHour, COLONY_STEP_C),
    }
  })
}

/** How a cup comes to yield with warmth. */
function cupDevelopment(
  { baseTempC, atTempC, toProducing }: Extract<Supply, { kind: 'batch' }>,
  { common: { cupLinePast, warmthLately } }: Pick<Almanac, 'common'>,
): Development {
  const [baseC, atC] = [baseTempC.value, atTempC.value]
  return {
    baseC,
    bestC: atC + cupLinePast!.value,
    degreeDays: toProducing.likely * (atC - baseC),
    latelyHours: warmthLately!.value,
  }
}

/**
 * The warmth of a culture by the readings of every place that it stood in; null where nothing is read and it never
 * moved. A cup is counted at the one temperature at which it would be as far, a colony at what its place is now.
 */
export function cultureWarmth(culture: CultureState, context: OfCultures): ToldWarmth | null {
  const { house, almanac } = context
  if (house.warmth) return house.warmth[culture.id] ?? null
  const rates = colonyRatesOf(culture, almanac)
  if (rates) return colonyWarmth(culture, rates, context)
  const way = cultureWay(feederOf(almanac, culture.feederId), culture)
  if (way?.kind !== 'batch') return null
  const shelves = shelvesOf(culture, way.atTempC.value, house)
  if (!shelves) return null
  const { stretches, nowHour, placeId } = shelves
  return told(warmthAlong(stretches, nowHour, cupDevelopment(way, almanac)), placeId)
}

/** The temperature that eggs are counted at: by readings, else as it was written, else that of their place, °C. */
export const eggTempC = (clutch: ClutchState, context: OfEggs): number | null =>
  eggWarmth(clutch, context)?.tempC ?? clutch.tempC ?? temperatureAt(context.house.places, clutch.placeId)

/** The temperature that a culture is counted at: by readings, else that of its place, °C. */
export function cultureTempC(culture: CultureState, context: OfCultures): number | null {
  const { house, almanac } = context
  // of a colony it is asked often, and what it stood at before does not matter
  const rates = house.warmth ? null : colonyRatesOf(culture, almanac)
  const shelves = rates && shelvesOf(culture, rates.atTempC.value, house)
  const tempC = shelves ? colonyNow(shelves, almanac) : rates ? null : cultureWarmth(culture, context)?.tempC
  return tempC ?? temperatureAt(house.places, culture.placeId)
}

/**
 * What all would come to if places of cultures were warmer or cooler from today on: cups go on from where they are, and
 * colonies have stood at what was.
 * @param shiftC by place, °C; a place of which nothing is known is left out
 */
export function warmthShifted(
  shiftC: Readonly<Record<string, number>>,
  context: OfEggs & OfCultures,
): Record<string, ToldWarmth> {
  const { house, almanac, today } = context
  const warmth = { ...(house.warmth ?? warmthOfHouse(context)) }
  const unread: ToldWarmth = { tempC: 0, goesOnAtC: 0, meanC: null, hours: 0, read: 0, placeId: null, done: 0 }
  for (const [placeId, shift] of Object.entries(shiftC)) {
    const nowC = placeTempC(placeId, context)
    if (nowC === null) continue
    const goesOnAtC = nowC + shift
    const at = { tempC: goesOnAtC, goesOnAtC }
    for (const culture of Object.values(house.cultures)) {
      if (culture.placeId !== placeId || culture.finished || culture.failed) continue
      const was = cultureWarmth(culture, context)
      const way = cultureWay(feederOf(almanac, culture.feederId), culture)
      if (way?.kind === 'colony') {
        const stood = was?.stood ?? [{ fromDay: culture.startDay, tempC: nowC }]
        warmth[culture.id] = { ...(was ?? unread), ...at, stood: [...stood, { fromDay: today, tempC: goesOnAtC }] }
      }
      // what is past its end is as it was
      if (way?.kind !== 'batch' || was?.done === 1) continue
      const development = cupDevelopment(way, almanac)
      const hours = was?.hours ?? (today - culture.startDay) * 24
      const done = was ? was.done * development.degreeDays * 24 : hours * degreesAbove(nowC, development)
      warmth[culture.id] = { ...(was ?? unread), ...goingOn(hours, done, goesOnAtC, development) }
    }
    warmth[placeId] = { ...(warmth[placeId] ?? unread), ...at }
  }
  return warmth
}

/** What a place is now, by its readings of the last days, else what it is set to, °C. */
export function placeTempC(placeId: string | null, { house, almanac }: OfCultures): number | null {
  const told = house.warmth && placeId ? (house.warmth[placeId]?.goesOnAtC ?? null) : null
  const lately = house.warmth ? told : latelyOfPlace(house, placeId, almanac)?.goesOnAtC
  return lately ?? temperatureAt(house.places, placeId)
}

/** How damp the air of a place was by its readings of the last days, whole %; null where nothing is read. */
export function placeHumidityPct(placeId: string | null, { house, almanac }: OfCultures): number | null {
  if (house.warmth) return placeId ? (house.warmth[placeId]?.humidityPct ?? null) : null
  const near = nearestLog(house, placeId, 'humidity')
  const lately = near && latelyOf(near.log, almanac.common.warmthLately!.value)
  return lately === null ? null : Math.round(lately)
}

/** What the readings of the last days come to at a place. */
function latelyOfPlace(house: OfCultures['house'], placeId: string | null, { common }: Pick<Almanac, 'common'>) {
  const hours = common.warmthLately!.value
  const near = climateAt(house, placeId)
  const meanC = near && latelyOf(near.log, hours)
  return near && meanC !== null ? { placeId: near.placeId, meanC, goesOnAtC: stepped(meanC), hours } : null
}

/** How the readings come to the temperature that is counted with. */
/** What a place is kept at, as a number that a plan rests on. */
export const placeWarmth = (label: string, tempC: number | null): Input =>
  computedTemp(label, tempC, 'no temperature known, reference taken')

export function warmthReason(
  warmth: ToldWarmth,
  { house, settings }: { house: Pick<House, 'places'>; settings: Pick<HouseSettings, 'tempUnit'> },
): Reason {
  return {
    rule: 'Development added up over the readings, hours without one at what the place is set to; from now on at what the last days read. Then it is as one constant temperature',
    inputs: [
      computedInput(
        'Read at',
        warmth.placeId === null ? 'nowhere: as written' : (house.places[warmth.placeId]?.name ?? warmth.placeId),
      ),
      computedInput('Hours read', `${warmth.read} of ${warmth.hours}`),
      ...(warmth.meanC === null ? [] : [computedTemp('Mean of them', warmth.meanC)]),
      ...(warmth.spells ?? []).map(s =>
        computedInput(
          s.fromDay === s.toDay ? formatDay(s.fromDay) : `${formatDay(s.fromDay)} to ${formatDay(s.toDay)}`,
          `${formatReading('temperature', s.meanC, settings.tempUnit)}: ${s.won >= 0 ? `${s.won.toFixed(1)} days won` : `${(-s.won).toFixed(1)} days lost`}`,
        ),
      ),
      computedTemp('Goes on at', warmth.goesOnAtC),
      computedTemp('Counted as', warmth.tempC),
    ],
    change: 'Every hour that is read; another setting of the thermostat',
  }
}

/** What readings come to for cultures, and for the places that they stand in, by id. */
export function warmthOfCultures(context: OfCultures): Record<string, ToldWarmth> {
  const { house } = context
  const warmth: Record<string, ToldWarmth> = {}
  for (const culture of Object.values(house.cultures)) {
    const of = culture.finished || culture.failed ? null : cultureWarmth(culture, context)
    if (of) warmth[culture.id] = of
  }
  for (const { id } of Object.values(house.places)) {
    const lately = latelyOfPlace(house, id, context.almanac)
    if (!lately) continue
    const damp = placeHumidityPct(id, context)
    warmth[id] = {
      ...{ ...lately, tempC: lately.goesOnAtC, read: lately.hours, done: 0 },
      ...(damp !== null && { humidityPct: damp }),
    }
  }
  return warmth
}

/** What all readings come to: for a window, which has none of them. */
export function warmthOfHouse(context: OfEggs & OfCultures): Record<string, ToldWarmth> {
  const warmth = warmthOfCultures(context)
  for (const clutch of Object.values(context.house.clutches)) {
    // sex and pace follow from the warmth of an egg, long after it is out; which hours it came from is not asked any more
    const { spells, ...of } = eggWarmth(clutch, context) ?? {}
    if ('tempC' in of) warmth[clutch.id] = clutch.ended || !spells ? of : { ...of, spells }
  }
  return warmth
}
