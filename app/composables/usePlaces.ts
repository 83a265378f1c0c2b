import { formatReading } from '#core/channels'
import { residentsOf } from '#core/climate'
import { compareRoutes, routeTo } from '#core/places'
import { freeHomes, type SeriesView } from '#core/season'
import { inCold } from '#core/subjects/animal/winter'
import { eggsLeft } from '#core/subjects/clutch/eggs'
import type { Place } from '#core/subjects/place/state'
import { formatQuantity } from '#core/units'

/** One place as it stands now. */
export interface PlaceNow {
  place: Place
  /** Who lives there. */
  tags: string[]
  /** What else it holds, in words: eggs, cups, animals in the cold. */
  holds: string
  series: SeriesView[]
  level: 'harm' | 'watch' | null
  /** Jobs that are due there. */
  due: number
  /** Who comes back to it from the cold. */
  keptFor: string[]
  /** A tub in which nothing lives, and to which nothing comes back. */
  free: boolean
}

export interface RowNow {
  id: string
  name: string
  said: string
  places: PlaceNow[]
}

export interface RoomNow {
  place: Place
  said: string
  rows: RowNow[]
}

const many = (n: number, one: string, more = `${one}s`) => (n ? [`${n} ${n === 1 ? one : more}`] : [])

/** All places of the house as they stand, room by room. */
export function usePlaces() {
  const house = useHouse()

  const held = computed(() => {
    const counts = new Map<string, { eggs: number; cups: number; cold: number }>()
    const of = (id: string) => {
      const known = counts.get(id) ?? { eggs: 0, cups: 0, cold: 0 }
      counts.set(id, known)
      return known
    }
    for (const c of Object.values(house.house.clutches)) if (c.placeId && !c.ended) of(c.placeId).eggs += eggsLeft(c)
    for (const c of Object.values(house.house.cultures)) if (c.placeId && !c.finished && !c.failed) of(c.placeId).cups++
    for (const a of Object.values(house.house.animals))
      if (a.placeId && a.status === 'alive' && inCold(a)) of(a.placeId).cold++
    return counts
  })
  const views = computed(() => new Map(house.season?.places.map(v => [v.placeId, v]) ?? []))
  const free = computed(() => new Set(freeHomes(house.house).map(p => p.id)))
  const keptFor = computed(() => {
    const kept = new Map<string, string[]>()
    for (const a of Object.values(house.house.animals))
      if (a.status === 'alive' && a.homeId && inCold(a)) kept.set(a.homeId, [...(kept.get(a.homeId) ?? []), a.tag])
    return kept
  })
  const due = computed(() => {
    const counts = new Map<string, number>()
    for (const line of house.season?.care ?? [])
      for (const { placeId } of line.stops) counts.set(placeId, (counts.get(placeId) ?? 0) + 1)
    return counts
  })
  /** The level of alarms about a place: of its climate, its eggs, its cold. */
  const levels = computed(() => {
    const levels = new Map<string, 'harm' | 'watch'>()
    for (const { subject, level } of house.season?.alarms ?? [])
      if (subject?.type === 'place' && levels.get(subject.id) !== 'harm') levels.set(subject.id, level)
    return levels
  })

  function now(place: Place): PlaceNow {
    const tags = (residentsOf(house.house).get(place.id) ?? []).map(r => r.tag).sort()
    const holds = held.value.get(place.id)
    const words = holds
      ? [
          ...many(holds.eggs, 'egg'),
          ...many(holds.cups, 'culture'),
          ...(holds.cold ? [`${holds.cold} in the cold`] : []),
        ]
      : []
    return {
      place,
      tags,
      holds: words.join(', '),
      series: views.value.get(place.id)?.series ?? [],
      level: levels.value.get(place.id) ?? (place.found?.length ? 'watch' : null),
      due: due.value.get(place.id) ?? 0,
      keptFor: keptFor.value.get(place.id) ?? [],
      free: free.value.has(place.id),
    }
  }

  const sorted = computed(() =>
    Object.values(house.house.places)
      .map(place => ({ place, route: routeTo(house.house.places, place.id) }))
      .sort((a, b) => compareRoutes(a.route, b.route))
      .map(({ place }) => place),
  )
  const inside = computed(() => {
    const inside = new Map<string, Place[]>()
    for (const place of sorted.value)
      if (place.parentId) inside.set(place.parentId, [...(inside.get(place.parentId) ?? []), place])
    return inside
  })

  /** Rows of a room: what holds places is a row of its own; what stands in the room by itself is the first. */
  function rowsOf(room: Place): RowNow[] {
    const rows: RowNow[] = []
    const walk = (holder: Place, name: string) => {
      const all = inside.value.get(holder.id) ?? []
      const alone = all.filter(p => !inside.value.has(p.id))
      if (alone.length) {
        const places = alone.map(now)
        const free = places.filter(p => p.free).length
        rows.push({ id: holder.id, name, said: free ? `${free} of ${places.length} free` : '', places })
      }
      for (const p of all) if (inside.value.has(p.id)) walk(p, holder.id === room.id ? p.name : `${name} · ${p.name}`)
    }
    walk(room, room.name)
    return rows
  }

  /** What the room reads, else what it is set to, as the house writes it. */
  function saidOf(room: Place): string {
    const { tempUnit } = house.settings
    const series = views.value.get(room.id)?.series[0]
    if (series?.latest) return `reads ${formatReading(series.channel, series.latest.value, tempUnit)}`
    return room.tempC === null ? '' : `set ${formatQuantity(room.tempC, tempUnit)}`
  }

  const rooms = computed((): RoomNow[] =>
    sorted.value
      .filter(p => !p.parentId || !house.house.places[p.parentId])
      .map(place => ({
        place,
        said: saidOf(place),
        rows: inside.value.has(place.id)
          ? rowsOf(place)
          : [{ id: place.id, name: place.name, said: '', places: [now(place)] }],
      })),
  )
  const all = computed(() => sorted.value.map(now))
  return { rooms, all, sorted, now }
}
