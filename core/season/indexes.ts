import type { House, PairingState, WinterGroup } from '../subjects'
import type { Lane } from './contracts'

/** An index worked out once for a list or table that does not change any more. */
function indexed<Of extends object, Index>(make: (of: Of) => Index): (of: Of) => Index {
  const known = new WeakMap<Of, Index>()
  return of => {
    let index = known.get(of)
    if (index === undefined) known.set(of, (index = make(of)))
    return index
  }
}

/** Every pairing by its animals. */
const pairingsByAnimal = indexed((pairings: House['pairings']) => {
  const by = new Map<string, PairingState[]>()
  for (const pairing of Object.values(pairings))
    for (const id of [pairing.damId, pairing.sireId]) if (id) by.set(id, [...(by.get(id) ?? []), pairing])
  return by
})

/** Pairings that an animal is or was part of, in the order of the house. */
export const pairingsOf = (house: House, animalId: string): readonly PairingState[] =>
  pairingsByAnimal(house.pairings).get(animalId) ?? []

const groupsByAnimal = indexed((winters: House['winters']) => {
  const by = new Map<string, WinterGroup>()
  for (const group of Object.values(winters))
    if (!group.ended) for (const id of Object.keys(group.members)) if (!by.has(id)) by.set(id, group)
  return by
})

/** The open winter group of an animal. */
export const groupOf = (house: House, animalId: string): WinterGroup | undefined =>
  groupsByAnimal(house.winters).get(animalId)

const lanesById = indexed((lanes: readonly Lane[]) => new Map(lanes.map(l => [l.id, l])))

export const laneById = (lanes: readonly Lane[], id: string): Lane | undefined => lanesById(lanes).get(id)
