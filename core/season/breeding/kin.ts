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
import { animalsOf, livingAnimals, rootIn, type AnimalState, type House } from '../../subjects'
import type { SeasonContext } from '../context'
import type { SeasonMemory } from '../remember'

export interface HouseKin {
  animals: ReadonlyMap<string, Ancestry>
  pedigree: Pedigree
  known: Inbreeding
}

export function ancestryOf(a: AnimalState): Ancestry {
  return { id: a.id, tag: a.tag, damId: a.damId, sires: a.sires, clonal: a.clonal, clutchId: a.clutchId }
}

function kinOfAll(list: readonly Ancestry[]): HouseKin {
  const pedigree = pedigreeOf(list)
  return { animals: new Map(list.map(a => [a.id, a])), pedigree, known: inbreeding(pedigree) }
}

/** The pedigree of a house with everyone's inbreeding. */
export const kinOf = derived((house: House): HouseKin => kinOfAll(animalsOf(house).map(ancestryOf)))

const isSameAncestry = (a: AnimalState, b: AnimalState) =>
  a.id === b.id &&
  a.tag === b.tag &&
  a.damId === b.damId &&
  a.clonal === b.clonal &&
  a.clutchId === b.clutchId &&
  (a.sires === b.sires || JSON.stringify(a.sires) === JSON.stringify(b.sires))

interface Lines {
  house: House
  animals: readonly AnimalState[]
  kin: HouseKin
  health: Map<string, { living: readonly string[]; line: LineHealth | null }>
  /** Species whose living have been compared for this house. */
  looked: Set<string>
}
const LINES = Symbol('kin of the house')

/**
 * What the season before knew, brought up to this house: kin stands until something that is written changes anyone's
 * parents.
 */
function linesOf(house: House, memory: SeasonMemory): Lines {
  const last = memory.room(LINES, () => ({ lines: null as Lines | null }))
  if (last.lines?.house === house) return last.lines
  const animals = animalsOf(house)
  const before = last.lines
  const same =
    before &&
    before.animals.length === animals.length &&
    animals.every((a, i) => a === before.animals[i] || isSameAncestry(before.animals[i]!, a))
  const known = same ? before : { kin: kinOfAll(animals.map(ancestryOf)), health: new Map() }
  return (last.lines = { house, animals, kin: known.kin, health: known.health, looked: new Set() })
}

/** The pedigree with everyone's inbreeding, taken over from the season before where it is the same. */
export const rememberedKin = ({ house, memory }: SeasonContext): HouseKin =>
  memory ? linesOf(house, memory).kin : kinOf(house)

/** How the living of a species stand as a line, taken over where the same live. */
export function rememberedLine(speciesId: string, { house, memory }: SeasonContext): LineHealth | null {
  if (!memory) return lineOf(house, speciesId)
  const { kin, health, looked } = linesOf(house, memory)
  const known = health.get(speciesId)
  if (known && looked.has(speciesId)) return known.line
  looked.add(speciesId)
  const living = livingOf(house, speciesId)
  if (known && known.living.length === living.length && known.living.every((id, i) => id === living[i]))
    return known.line
  const line = lineHealth(kin.pedigree, kin.known, living)
  health.set(speciesId, { living, line })
  return line
}

const livingBySpecies = derived((house: House) => {
  const by = new Map<string, string[]>()
  for (const { id, speciesId } of livingAnimals(house)) {
    const root = rootIn(house, speciesId)
    const list = by.get(root)
    if (list) list.push(id)
    else by.set(root, [id])
  }
  return by
})

const livingOf = (house: House, speciesId: string): readonly string[] =>
  livingBySpecies(house).get(rootIn(house, speciesId)) ?? []

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
  return lineHealth(pedigree, known, livingOf(house, speciesId))
}
