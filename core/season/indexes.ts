import { derived } from '../derived'
import type { House, PairingState, WinterGroup } from '../subjects'
import type { Lane } from './contracts'

/** Every pairing by its animals. */
const pairingsByAnimal = derived((pairings: House['pairings']) => {
  const by = new Map<string, PairingState[]>()
  for (const pairing of Object.values(pairings))
    for (const id of [pairing.damId, pairing.sireId]) if (id) by.set(id, [...(by.get(id) ?? []), pairing])
  return by
})

/** Pairings that an animal is or was part of, in the order of the house. */
export const pairingsOf = (house: House, animalId: string): readonly PairingState[] =>
  pairingsByAnimal(house.pairings).get(animalId) ?? []

const groupsByAnimal = derived((winters: House['winters']) => {
  const by = new Map<string, WinterGroup>()
  for (const group of Object.values(winters))
    if (!group.ended) for (const id of Object.keys(group.members)) if (!by.has(id)) by.set(id, group)
  return by
})

/** The open winter group of an animal. */
export const groupOf = (house: House, animalId: string): WinterGroup | undefined =>
  groupsByAnimal(house.winters).get(animalId)

const lanesById = derived((lanes: readonly Lane[]) => new Map(lanes.map(l => [l.id, l])))

const lanesBySubject = derived((lanes: readonly Lane[]) => new Map(lanes.toReversed().map(l => [l.subject.id, l])))

/** The first lane that is about something. */
export const laneOf = (lanes: readonly Lane[], subjectId: string): Lane | undefined =>
  lanesBySubject(lanes).get(subjectId)

export const laneById = (lanes: readonly Lane[], id: string): Lane | undefined => lanesById(lanes).get(id)
