import { speciesOf } from '../../almanac'
import { insideOf, residentsOf } from '../../climate'
import { judgeLampAt, tellLamp } from '../../light'
import type { House, Place } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Alarm, PlaceTrouble, PlaceView, SeriesView } from '../contracts'
import { tellConflict, tellTrouble } from './placeWording'

/** Tags of those who live in a place and in what stands in it. */
function tagsIn(house: House, placeId: string, met = new Set<string>()): string[] {
  if (met.has(placeId)) return []
  met.add(placeId)
  const own = (residentsOf(house).get(placeId) ?? []).map(a => a.tag)
  return [...own, ...(insideOf(house).get(placeId) ?? []).flatMap(id => tagsIn(house, id, met))]
}

function troubleAlarm(place: Place, series: SeriesView, trouble: PlaceTrouble, context: SeasonContext): Alarm {
  const { house, settings, today } = context
  // the meter knows more of a lamp than a rule does
  const lamp = series.channel === 'uvIndex' ? judgeLampAt(house, place, series.light, context.almanac.common) : null
  const isOutside = trouble.fault === 'high' || trouble.fault === 'low'
  // who is endangered
  const tags = isOutside ? tagsIn(house, place.id).sort() : []
  const told = tellTrouble({ trouble, series, name: place.name, tags, tempUnit: settings.tempUnit })
  return {
    id: trouble.id,
    level: trouble.level,
    subject: { type: 'place', id: place.id },
    ...told,
    ...(lamp?.readDay && { todo: tellLamp(lamp, today, context.almanac.common) }),
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
      ...tellConflict({ name: place.name, series, needs: needs!, bears: bears! }),
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
