import { speciesOf } from '../../almanac'
import { insideOf, residentsOf } from '../../climate'
import { judgeLampAt, tellLamp } from '../../light'
import type { House, Place } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Alarm, PlaceTrouble, PlaceView, SeriesView } from '../contracts'
import { TROUBLE_WORDS, whereOf } from './placeWords'
import { tellSome } from './tellSome'

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
  return `; in it ${tellSome(tags)}`
}

function troubleAlarm(place: Place, series: SeriesView, trouble: PlaceTrouble, context: SeasonContext): Alarm {
  const { house, settings, today } = context
  const told = { trouble, series, name: place.name, tempUnit: settings.tempUnit }
  const { text, advice } = TROUBLE_WORDS[trouble.fault](told)
  // the meter knows more of a lamp than a rule does
  const lamp = series.channel === 'uvIndex' ? judgeLampAt(house, place, series.light, context.almanac.common) : null
  const isOutside = trouble.fault === 'high' || trouble.fault === 'low'
  return {
    id: trouble.id,
    level: trouble.level,
    subject: { type: 'place', id: place.id },
    text: isOutside ? text + whoLives(house, place.id) : text,
    todo: lamp?.readDay ? tellLamp(lamp, today, context.almanac.common) : advice,
    reasons: series.reasons,
    answerable: true,
  }
}

function conflictAlarm(place: Place, series: SeriesView, { almanac }: SeasonContext): Alarm[] {
  if (!series.conflict) return []
  const [needs, bears] = series.conflict.map(id => speciesOf(almanac, id).name)
  return [
    {
      id: `place:conflict:${place.id}:${series.channel}:${series.zone}`,
      level: 'watch',
      subject: { type: 'place', id: place.id },
      text: `${whereOf(place.name, series)} cannot suit all who live there: what ${needs} need is too much for ${bears}`,
      todo: 'Give one of them another place, or set own bands in the Almanac.',
      reasons: series.reasons,
    },
  ]
}

/** What is wrong with a place; what the keeper has answered is silent until it is over. */
export function placeAlarms(view: PlaceView, context: SeasonContext): Alarm[] {
  const place = context.house.places[view.placeId]
  if (!place) return []
  // eggs have their own alarm of silence, and without eggs it is no matter
  const isTold = (t: PlaceTrouble) => t.answered === null && !(t.fault === 'silent' && place.kind === 'incubator')
  return view.series.flatMap(series => [
    ...series.troubles.filter(isTold).map(t => troubleAlarm(place, series, t, context)),
    ...conflictAlarm(place, series, context),
  ])
}
