import { derived } from '../../derived'
import {
  inbreeding,
  kinshipsOf,
  lineHealth,
  pedigreeOf,
  type Ancestry,
  type Inbreeding,
  type LineHealth,
  type Pedigree,
} from '../../pedigree'
import type { AnimalState, House } from '../../subjects'

export interface HouseKin {
  animals: ReadonlyMap<string, Ancestry>
  pedigree: Pedigree
  known: Inbreeding
}

export function ancestryOf(a: AnimalState): Ancestry {
  return { id: a.id, tag: a.tag, damId: a.damId, sires: a.sires, clonal: a.clonal, clutchId: a.clutchId }
}

/** The pedigree of a house with everyone's inbreeding. */
export const kinOf = derived((house: House): HouseKin => {
  const list = Object.values(house.animals).map(ancestryOf)
  const pedigree = pedigreeOf(list)
  return { animals: new Map(list.map(a => [a.id, a])), pedigree, known: inbreeding(pedigree) }
})

/** Inbreeding of one animal, 0..1. */
export const inbreedingOf = ({ pedigree, known }: HouseKin, id: string): number => known.f[pedigree.index.get(id)!] ?? 0

/** Kinship of one animal with others, 0..1, in their order. */
export function kinshipWith({ pedigree, known }: HouseKin, id: string, others: readonly string[]): number[] {
  const row = kinshipsOf(pedigree, known, pedigree.index.get(id)!)
  return others.map(o => row[pedigree.index.get(o)!]!)
}

/** How the living of one species stand as a line; null when none lives here. */
export function lineOf(house: House, speciesId: string): LineHealth | null {
  const { pedigree, known } = kinOf(house)
  return lineHealth(
    pedigree,
    known,
    Object.values(house.animals)
      .filter(a => a.speciesId === speciesId && a.status === 'alive')
      .map(a => a.id),
  )
}
