import { speciesOf, type Almanac } from '../../almanac'
import {
  CHANNELS,
  ZONES,
  partsOfSeries,
  seriesOf,
  type Channel,
  type HourlyLog,
  type Series,
  type Zone,
} from '../../channels'
import {
  conflicts,
  dailyOf,
  endOf,
  insideOf,
  limitsOf,
  residentsOf,
  roomCeiling,
  seriesTroubles,
  strictest,
  watchSpan,
  zoneBand,
  type Limits,
  type PlaceBand,
  type SeriesTrouble,
} from '../../climate'
import { computedInput, entryInput, factInput, type Reason } from '../../judgement'
import type { House, Measured, Place } from '../../subjects'
import { clockOf } from '../../units'
import type { SeasonContext } from '../context'
import type { PlaceTrouble, PlaceView, SeriesView } from '../contracts'
import { eachGuarded, subjectAs } from '../guard'
import { remembering } from '../remember'
import { calendarFor } from './calendar'
import { isLightAt, lightHoursOf } from './light'

/** Days of readings that are shown beside a place. */
const SHOWN_DAYS = 14
const HOUR_MS = 3_600_000
const DAY_MS = 86_400_000

/** Species that live under a row of readings: behind glass of their own in a room, or in the place itself. */
interface LivesThere {
  inPlace: string[]
  inRoom: string[]
}

/** Who lives under the readings of a place: there, or in what stands in it and has none of its own. */
function livesUnder(house: House, place: Place, series: Series): LivesThere {
  const residents = residentsOf(house)
  const inside = insideOf(house)
  const species = { inPlace: new Set<string>(), inRoom: new Set<string>() }
  const met = new Set<string>()
  const walk = (id: string, behindGlass: boolean) => {
    if (met.has(id)) return
    met.add(id)
    for (const a of residents.get(id) ?? []) species[behindGlass ? 'inRoom' : 'inPlace'].add(a.speciesId)
    for (const child of inside.get(id) ?? []) {
      const { kind } = house.places[child]!
      if (kind === 'incubator' || kind === 'cold' || house.climate[child]?.[series]) continue
      walk(child, behindGlass || place.kind === 'room')
    }
  }
  walk(place.id, false)
  return { inPlace: [...species.inPlace].sort(), inRoom: [...species.inRoom].sort() }
}

/** The band of a row of readings, by light or by night. */
function bandFor(
  { inPlace, inRoom }: LivesThere,
  almanac: Almanac,
  channel: Channel,
  zone: Zone,
  light: boolean,
): PlaceBand | null {
  const own = inPlace.flatMap(speciesId => {
    const band = zoneBand(speciesOf(almanac, speciesId), channel, zone, light)
    return band ? [{ speciesId, band }] : []
  })
  const around =
    channel === 'temperature' && zone === 'air'
      ? inRoom.flatMap(speciesId => {
          const high = roomCeiling(speciesOf(almanac, speciesId), light)
          return high ? [{ speciesId, band: { low: null, high } }] : []
        })
      : []
  return strictest([...own, ...around])
}

const finite = (limits: Limits | null) =>
  limits && {
    low: Number.isFinite(limits.low) ? limits.low : null,
    high: Number.isFinite(limits.high) ? limits.high : null,
  }

/** The UV index that is right at the basking spot of a place for who lives there; null where nothing is known. */
export function uvBandAt(house: House, place: Place, almanac: Almanac): ReturnType<typeof finite> {
  const who = livesUnder(house, place, seriesOf('uvIndex', 'spot'))
  return finite(limitsOf(bandFor(who, almanac, 'uvIndex', 'spot', true)))
}

const CLOCKS = Symbol('clocks')

/** Hour of the clock of an hour since 1970; kept by zone, since it remembers what it worked out. */
function clockFor(zone: string, { memory }: SeasonContext): (hour: number) => number {
  const clocks = memory?.room(CLOCKS, () => new Map<string, (hour: number) => number>()) ?? new Map()
  let at: ((hour: number) => number) | undefined = clocks.get(zone)
  if (!at) {
    const clock = clockOf(zone)
    clocks.set(zone, (at = hour => clock(hour * HOUR_MS)))
  }
  return at
}

/** The limits of each hour; while a place still warms or cools after a change of light, the wider of both. */
function limitsByHour(
  light: Limits | null,
  dark: Limits | null,
  isLight: (hour: number) => boolean,
  settles: number,
): (hour: number) => Limits | null {
  const wider = light && dark && { low: Math.min(light.low, dark.low), high: Math.max(light.high, dark.high) }
  return hour => {
    const now = isLight(hour)
    return now === isLight(hour - settles) ? (now ? light : dark) : wider
  }
}

function reasonsOf(
  band: { light: PlaceBand | null; dark: PlaceBand | null },
  log: HourlyLog | null,
  hand: Measured | null,
  who: LivesThere,
  context: SeasonContext,
  channel: Channel,
): Reason[] {
  const { almanac } = context
  const ends = (held: PlaceBand | null, when: string) =>
    (['low', 'high'] as const).flatMap(end => {
      const by = held?.[end]
      const { name } = by ? speciesOf(almanac, by.speciesId) : { name: '' }
      const says = `${name}, ${end === 'low' ? 'from' : 'to'}, ${when}`
      return by ? [factInput(says, `species.${by.speciesId}.${by.path}`, by.fact)] : []
    })
  const common = channel === 'temperature' ? (['bandTolerance', 'heatHarm'] as const) : (['dampFor', 'dryFor'] as const)
  const now = log ? endOf(log) : 0
  const day = log && watchSpan(log, now - 24, now)
  return [
    {
      rule: who.inRoom.length
        ? 'What a room may be at most for those who live in it behind glass: heat inside only adds to it'
        : 'The strictest band of the species that live there',
      inputs: [
        ...ends(band.light, 'by light'),
        ...(band.dark && JSON.stringify(band.dark) !== JSON.stringify(band.light) ? ends(band.dark, 'by night') : []),
      ],
      change: 'Own numbers in the Almanac, another hour of the lamps, or other animals in the place',
    },
    {
      rule: 'Hourly means of what is read; hours without a reading are told, not filled in',
      inputs: [
        ...(day ? [computedInput('Read in the last day', `${day.read} of ${day.hours} hours`)] : []),
        ...(hand ? [entryInput('Read by hand', `${hand.value}`, hand)] : []),
        ...common.map(key => factInput(COMMON_WORDS[key], `common.${key}.value`, almanac.common[key]!)),
      ],
    },
  ]
}

const COMMON_WORDS = {
  bandTolerance: 'May be outside for',
  heatHarm: 'Told at once, over the band by',
  dampFor: 'Too damp told after',
  dryFor: 'Too dry told after',
} as const

/** What a reading by hand says, where no probe has read since. */
function handTrouble(
  hand: Measured,
  limits: Limits | null,
  channel: Channel,
  common: Almanac['common'],
): SeriesTrouble | null {
  const side = limits && (hand.value > limits.high ? 'high' : hand.value < limits.low ? 'low' : null)
  if (!limits || !side) return null
  const limit = limits[side]
  const harms =
    channel === 'temperature' &&
    Math.abs(hand.value - limit) >= common[side === 'high' ? 'heatHarm' : 'coldHarm']!.value
  const since = Math.floor(hand.at / HOUR_MS)
  return { fault: side, level: harms ? 'harm' : 'watch', since, hours: 1, value: hand.value, limit }
}

/** An answer holds until the trouble is over; it does not hold for one that began later, or that has become harm. */
function answerOf(place: Place, id: string, trouble: SeriesTrouble): string | null {
  const answer = place.answered?.[id]
  return answer && answer.at >= trouble.since * HOUR_MS ? answer.why : null
}

function seriesView(place: Place, series: Series, context: SeasonContext): SeriesView | null {
  const { house, almanac, settings, today } = context
  const { common } = almanac
  const { channel, zone } = partsOfSeries(series)
  const log = house.climate[place.id]?.[series] ?? null
  const latestByHand = place.measured?.findLast(m => m.channel === channel && m.zone === zone) ?? null
  const hand = latestByHand && latestByHand.day > today - common.handFresh!.value ? latestByHand : null
  if (!log && !hand) return null
  const who = livesUnder(house, place, series)
  const band = {
    light: bandFor(who, almanac, channel, zone, true),
    dark: bandFor(who, almanac, channel, zone, false),
  }
  const [light, dark] = [limitsOf(band.light), limitsOf(band.dark)]
  const hours = lightHoursOf(house, almanac, place.id, today, settings.latitude)
  const clock = clockFor(settings.timeZone, context)
  const isLight = (hour: number) => isLightAt(hours, clock(hour))
  const limitsAt = limitsByHour(light, dark, isLight, common.lightSettles!.value)
  const now = log ? endOf(log) : 0
  const read = log ? watchSpan(log, now - 24 * 7, now).latest : null
  // the newer of the two speaks
  const handSpeaks = hand && (!read || hand.at >= (read.hour + 1) * HOUR_MS) ? hand : null
  const found: SeriesTrouble[] = log ? seriesTroubles(log, channel, zone, limitsAt, common) : []
  if (handSpeaks) {
    const told = handTrouble(handSpeaks, limitsAt(Math.floor(handSpeaks.at / HOUR_MS)), channel, common)
    if (told) found.unshift(told)
  }
  const troubles = found.map((trouble): PlaceTrouble => {
    const id = `place:${trouble.fault}${trouble.level === 'harm' ? ':harm' : ''}:${place.id}:${series}`
    return { ...trouble, id, byHand: handSpeaks !== null, answered: answerOf(place, id, trouble) }
  })
  const dayOf = calendarFor(settings.timeZone, context)
  return {
    channel,
    zone,
    latest: handSpeaks
      ? { at: handSpeaks.at, value: handSpeaks.value, byHand: true }
      : read && { at: read.hour * HOUR_MS, value: read.mean, byHand: false },
    light: finite(light),
    dark: finite(dark),
    conflict:
      [band.light, band.dark].flatMap(b => (b && conflicts(b) ? [[b.low!.speciesId, b.high!.speciesId]] : []))[0] ??
      null,
    days: log ? dailyOf(log, today - SHOWN_DAYS + 1, today, dayOf, limitsAt) : [],
    readShare: log ? watchSpan(log, Math.max(log.from, now - DAY_MS / HOUR_MS), now).read / 24 : 0,
    troubles,
    reasons: reasonsOf(band, log, hand, who, context, channel),
  }
}

const SERIES_ORDER = Object.keys(CHANNELS).flatMap(channel =>
  Object.keys(ZONES).map(zone => seriesOf(channel as Channel, zone as Zone)),
)

/** What lives in a place and in what stands in it, as a value: a view is made anew when it is another. */
function whoKey(house: House, placeId: string, met = new Set<string>()): string {
  if (met.has(placeId)) return ''
  met.add(placeId)
  const own = [...new Set((residentsOf(house).get(placeId) ?? []).map(a => a.speciesId))].sort().join()
  const below = (insideOf(house).get(placeId) ?? []).map(
    id => `${id}${house.climate[id] ? Object.keys(house.climate[id]).join() : ''}${whoKey(house, id, met)}`,
  )
  return `${own}(${below.join(';')})`
}

const views = remembering<Place, PlaceView | null>()

function placeView(place: Place, context: SeasonContext): PlaceView | null {
  const { house, almanac, settings, today } = context
  const known = new Set<Series>([
    ...(Object.keys(house.climate[place.id] ?? {}) as Series[]),
    ...(place.measured ?? []).map(m => seriesOf(m.channel, m.zone)),
  ])
  if (!known.size) return null
  const hours = lightHoursOf(house, almanac, place.id, today, settings.latitude)
  const key = [house.climate[place.id], almanac, settings.timeZone, today, hours.on, hours.off, whoKey(house, place.id)]
  return views(context, place, key, () => {
    const series = SERIES_ORDER.filter(s => known.has(s)).flatMap(s => seriesView(place, s, context) ?? [])
    return series.length ? { placeId: place.id, series } : null
  })
}

/** What is read of every place, against what those who live there need. Cold places are watched by their winter. */
export function placesOutlook(context: SeasonContext): PlaceView[] {
  const places = Object.values(context.house.places).filter(p => p.kind !== 'cold')
  return eachGuarded(context, 'its climate', places, subjectAs('place'), p => placeView(p, context)).filter(
    v => v !== null,
  )
}
