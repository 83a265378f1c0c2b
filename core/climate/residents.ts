import { derived } from '../derived'
import { awakeByPlace, hereOf, tadpolesLeft, youngInGroup, type House } from '../subjects'

/** What lives in a place: an animal, a group without tags, or the young of a clutch that have no tags yet. */
export interface Resident {
  tag: string
  speciesId: string
  /** Of a group or a clutch: how many. */
  count?: number
}

/** Who lives in each place, by its id; those in the cold are watched by their winter. */
export const residentsOf = derived((house: House): ReadonlyMap<string, readonly Resident[]> => {
  const residents = new Map<string, Resident[]>(
    [...awakeByPlace(house)].map(([placeId, animals]) => [
      placeId,
      animals.map(({ tag, speciesId }) => ({ tag, speciesId })),
    ]),
  )
  const add = (placeId: string, { tag, speciesId }: Resident, count: number) =>
    residents.set(placeId, [...(residents.get(placeId) ?? []), { tag, speciesId, count }])
  for (const group of Object.values(house.groups))
    if (group.placeId && hereOf(group)) add(group.placeId, group, hereOf(group))
  for (const clutch of Object.values(house.clutches)) {
    const count = youngInGroup(clutch) + tadpolesLeft(clutch)
    const lives = !clutch.ended && count > 0
    // young do not stay in an incubator: where they are is not written yet
    const isHome = clutch.placeId && house.places[clutch.placeId]?.kind !== 'incubator'
    if (lives && isHome) add(clutch.placeId!, clutch, count)
  }
  return residents
})

/** The places that stand in each, by its id. */
export const insideOf = derived((house: House): ReadonlyMap<string, readonly string[]> => {
  const inside = new Map<string, string[]>()
  for (const { id, parentId } of Object.values(house.places)) {
    if (!parentId) continue
    const list = inside.get(parentId)
    if (list) list.push(id)
    else inside.set(parentId, [id])
  }
  return inside
})
