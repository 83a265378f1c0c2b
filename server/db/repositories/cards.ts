import type { Knex } from 'knex'
import type { AnimalCard, Place } from '#core/logbook'

interface AnimalRow {
  id: string
  tag: string
  name: string | null
  species_id: string
  sex: AnimalCard['sex']
  born_day: number | null
  place_id: string | null
  dam_id: string | null
  sire_id: string | null
  clutch_id: string | null
  founded_by: string | null
}

export async function allAnimals(db: Knex): Promise<AnimalCard[]> {
  // in the order in which they were added, as they stand in memory before a start
  const rows = await db<AnimalRow>('animals').orderByRaw('rowid')
  return rows.map(r => ({
    id: r.id,
    tag: r.tag,
    name: r.name,
    speciesId: r.species_id,
    sex: r.sex,
    bornDay: r.born_day,
    placeId: r.place_id,
    damId: r.dam_id,
    sireId: r.sire_id,
    clutchId: r.clutch_id,
    foundedBy: r.founded_by,
  }))
}

const ROWS_AT_ONCE = 80

export async function insertAnimals(db: Knex, animals: readonly AnimalCard[]): Promise<void> {
  await db.batchInsert(
    'animals',
    animals.map((a): AnimalRow => ({
      id: a.id,
      tag: a.tag,
      name: a.name,
      species_id: a.speciesId,
      sex: a.sex,
      born_day: a.bornDay,
      place_id: a.placeId,
      dam_id: a.damId,
      sire_id: a.sireId,
      clutch_id: a.clutchId,
      founded_by: a.foundedBy,
    })),
    ROWS_AT_ONCE,
  )
}

/** Cards whose founding entry was taken back leave with it; their tags are free again. */
export async function deleteAnimalsFoundedBy(db: Knex, entryId: string): Promise<void> {
  await db<AnimalRow>('animals').where({ founded_by: entryId }).delete()
}

interface PlaceRow {
  id: string
  name: string
  kind: Place['kind']
  parent_id: string | null
  walk_order: number
  temp_c: number | null
  capacity: number | null
}

const toPlaceRow = (p: Place): PlaceRow => ({
  id: p.id,
  name: p.name,
  kind: p.kind,
  parent_id: p.parentId,
  walk_order: p.order,
  temp_c: p.tempC,
  capacity: p.capacity,
})

export async function allPlaces(db: Knex): Promise<Place[]> {
  return (await db<PlaceRow>('places').orderByRaw('rowid')).map(r => ({
    id: r.id,
    name: r.name,
    kind: r.kind,
    parentId: r.parent_id,
    order: r.walk_order,
    tempC: r.temp_c,
    capacity: r.capacity,
  }))
}

export async function insertPlaces(db: Knex, places: readonly Place[]): Promise<void> {
  for (const place of places) await db<PlaceRow>('places').insert(toPlaceRow(place))
}

export async function updatePlace(db: Knex, place: Place): Promise<void> {
  await db<PlaceRow>('places').where({ id: place.id }).update(toPlaceRow(place))
}
