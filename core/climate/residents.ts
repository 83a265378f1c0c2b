import { derived } from '../derived'
import type { AnimalState, House } from '../subjects'

/** Animals by the place they live in; those in the cold are watched by their winter. */
export const residentsOf = derived((house: House): ReadonlyMap<string, readonly AnimalState[]> => {
  const residents = new Map<string, AnimalState[]>()
  for (const animal of Object.values(house.animals)) {
    if (animal.status !== 'alive' || !animal.placeId || (animal.cooled && !animal.warmed)) continue
    const list = residents.get(animal.placeId)
    if (list) list.push(animal)
    else residents.set(animal.placeId, [animal])
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
