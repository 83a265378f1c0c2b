import { speciesOf } from '../../almanac'
import { CHANNELS, ZONES } from '../../channels'
import { insideOf, residentsOf } from '../../climate'
import { judgeLampAt, tellLamp } from '../../light'
import type { House } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Alarm, PlaceTrouble, PlaceView, SeriesView } from '../contracts'

/** What a value reads as: `31.4 °C`, `72 %`, `UV index 3.1`. */
function shown({ channel }: SeriesView, value: number): string {
  const { unit } = CHANNELS[channel]
  if (channel === 'uvIndex') return `UV index ${value.toFixed(1)}`
  return channel === 'humidity' ? `${Math.round(value)} ${unit}` : `${value.toFixed(1)} ${unit}`
}

/** Where in the place: nothing for its air, since that is what a place without further words is. */
const spotOf = ({ zone }: SeriesView): string => (zone === 'air' ? '' : `, ${ZONES[zone]},`)

const lasts = (hours: number): string => (hours < 48 ? `${hours} h` : `${Math.round(hours / 24)} days`)

type Words = (series: SeriesView, trouble: PlaceTrouble, name: string) => { text: string; todo: string }

function outside(series: SeriesView, t: PlaceTrouble, name: string, side: 'over' | 'under'): string {
  const read = t.byHand ? 'was read at' : `has been ${side} its band for ${lasts(t.hours)}, at`
  return `${name}${spotOf(series)} ${read} ${shown(series, t.value!)}; it should be ${side === 'over' ? 'at most' : 'at least'} ${shown(series, t.limit!)}`
}

const TODO = {
  temperature: {
    high: 'Heat off or lamp up, air in; look at each animal, and check with a second thermometer. Heat kills within hours.',
    low: 'Look at lamp, mat and thermostat, and check with a second thermometer. Feed nothing large until it is warm.',
  },
  humidity: {
    high: 'Air it, mist less, take wet bedding out: noisy breath follows damp that lasts.',
    low: 'Mist, fill the damp hide, look for a draught: sheds stick, and toes are lost.',
  },
  uvIndex: {
    high: 'Raise the lamp, or give shade: eyes and skin burn. Measure again at the spot.',
    low: 'Lower the lamp or replace it, and measure again at the spot: too little brings bone disease.',
  },
} as const

const WORDS: Record<PlaceTrouble['fault'], Words> = {
  high: (s, t, name) => ({ text: outside(s, t, name, 'over'), todo: TODO[s.channel].high }),
  low: (s, t, name) => ({ text: outside(s, t, name, 'under'), todo: TODO[s.channel].low }),
  silent: (s, t, name) => ({
    text: `${name}${spotOf(s)} has sent no ${CHANNELS[s.channel].label.toLowerCase()} for ${lasts(t.hours)}${t.value === null ? '' : `; last ${shown(s, t.value)}`}`,
    todo: 'Look at the probe, its battery and the plug; until then read a second thermometer.',
  }),
  stuck: (s, t, name) => ({
    text: `${name}${spotOf(s)} has read exactly ${shown(s, t.value!)} for a day: the probe is stuck`,
    todo: 'Warm the probe in the hand: it must rise. What it says counts for nothing until then.',
  }),
  jump: (s, t, name) => ({
    text: `${name}${spotOf(s)} ${t.value! > 0 ? 'rose' : 'fell'} by ${Math.abs(t.value!).toFixed(0)} °C within an hour`,
    todo: 'Has the probe fallen, or is a door open? Look, and put it back where it was.',
  }),
  apart: (s, t, name) => ({
    text: `The probes of ${name}${spotOf(s)} differ by ${s.channel === 'humidity' ? `${Math.round(t.value!)} %` : `${t.value!.toFixed(1)} °C`} over a day: one of them is wrong`,
    todo: 'Put both side by side for an hour, with a third if there is one, and take the wrong one out.',
  }),
}

/** Tags of those who live in a place and in what stands in it. */
function tagsIn(house: House, placeId: string, met = new Set<string>()): string[] {
  if (met.has(placeId)) return []
  met.add(placeId)
  const own = (residentsOf(house).get(placeId) ?? []).map(a => a.tag)
  return [...own, ...(insideOf(house).get(placeId) ?? []).flatMap(id => tagsIn(house, id, met))]
}

/** Who is endangered, as many as one reads. */
function whoLives(house: House, placeId: string): string {
  const tags = tagsIn(house, placeId).sort()
  if (!tags.length) return ''
  return `; in it ${tags.length > 6 ? `${tags.slice(0, 6).join(', ')} and ${tags.length - 6} more` : tags.join(', ')}`
}

/** What is wrong with a place, harm apart; what the keeper has answered is silent until it is over. */
export function placeAlarms(view: PlaceView, { house, almanac, today }: SeasonContext): Alarm[] {
  const place = house.places[view.placeId]
  if (!place) return []
  const subject = { type: 'place' as const, id: place.id }
  return view.series.flatMap(series => {
    const troubles = series.troubles
      // eggs have their own alarm of silence, and without eggs it is no matter
      .filter(t => t.answered === null && !(t.fault === 'silent' && place.kind === 'incubator'))
      .map((t): Alarm => {
        const { text, todo: usual } = WORDS[t.fault](series, t, place.name)
        const lamp = series.channel === 'uvIndex' ? judgeLampAt(house, place, series.light) : null
        const todo = lamp?.readDay ? tellLamp(lamp, today) : usual
        const who = t.fault === 'high' || t.fault === 'low' ? whoLives(house, place.id) : ''
        return { id: t.id, level: t.level, subject, text: text + who, todo, reasons: series.reasons, answerable: true }
      })
    if (!series.conflict) return troubles
    const [needs, bears] = series.conflict.map(id => speciesOf(almanac, id).name)
    return [
      ...troubles,
      {
        id: `place:conflict:${place.id}:${series.channel}:${series.zone}`,
        level: 'watch' as const,
        subject,
        text: `${place.name}${spotOf(series)} cannot suit all who live there: what ${needs} need is too much for ${bears}`,
        todo: 'Give one of them another place, or set own bands in the Almanac.',
        reasons: series.reasons,
      },
    ]
  })
}
