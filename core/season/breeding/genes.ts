import type { Almanac } from '../../almanac'
import { derived, derivedBy } from '../../derived'
import {
  GeneticsError,
  eggChance,
  familyBelief,
  genotypesOf,
  knownLocus,
  looksOf,
  statedBelief,
  tellGenotype,
  unknownBelief,
  type Belief,
  type CountedYoung,
  type Family,
  type FamilyBelief,
  type YoungWish,
} from '../../genetics'
import { animalsOf, isOneSpecies, type AnimalState, type House, type LocusState } from '../../subjects'
import { ancestryOf } from './kin'

/** Families of a house by locus, each made when it is asked for. */
const familiesOf = derived((_: House) => new Map<string, Family>())

/** The family of a house at one locus: statements, looks, and young counted by look. */
function familyAt(house: House, locus: LocusState): Family {
  const known = familiesOf(house)
  let family = known.get(locus.id)
  if (!family) {
    const own = animalsOf(house).filter(a => isOneSpecies(house, a.speciesId, locus.speciesId))
    const counted = Object.values(house.clutches).flatMap((c): CountedYoung[] => {
      const count = c.looksCounted.find(l => l.locusId === locus.id)
      const pairing = c.pairingId ? house.pairings[c.pairingId] : undefined
      return count && pairing
        ? [
            {
              damId: pairing.damId,
              sires: pairing.sireId ? [{ id: pairing.sireId, chance: 1 }] : [],
              counts: count.counts,
              clutchId: c.id,
            },
          ]
        : []
    })
    known.set(
      locus.id,
      (family = {
        animals: new Map(own.map(a => [a.id, ancestryOf(a)])),
        counted,
        facts: id => {
          const a = house.animals[id]!
          const stated = a.genes[locus.id]
          return {
            sex: a.sex,
            stated: stated ? { signs: stated.alleles, chance: stated.chance } : null,
            look: a.looks[locus.id]?.look ?? null,
          }
        },
      }),
    )
  }
  return family
}

const withUsual = derivedBy((locus: LocusState, usual: number) => knownLocus(locus, usual))
/** A locus of the house, with the share that the almanac takes where none was said of it. */
export type HouseLocus = ReturnType<typeof withUsual>

export const locusHere = (locus: LocusState, { common }: Pick<Almanac, 'common'>): HouseLocus =>
  withUsual(locus, common.unstatedShare!.value)

/** Loci of a species in use, by name. */
export const lociOf = (house: House, almanac: Pick<Almanac, 'common'>, speciesId: string): HouseLocus[] =>
  Object.values(house.loci)
    .filter(l => !l.dropped && isOneSpecies(house, l.speciesId, speciesId))
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .map(l => locusHere(l, almanac))

export interface AnimalGene extends FamilyBelief {
  /** Set when what was written contradicts itself: the belief is then that of the statement alone. */
  contradiction: string | null
}

/** What is known of the animals of a family, each worked out when it is asked for. */
const beliefsOf = derived((_: Family) => new Map<string, AnimalGene>())

/**
 * What an animal is at a locus; worked out once per house. Never throws: contradicting statements are told, and its own
 * is then shown.
 */
export function geneOf(house: House, locus: HouseLocus, animal: AnimalState): AnimalGene {
  const family = familyAt(house, locus)
  const known = beliefsOf(family)
  let gene = known.get(animal.id)
  if (!gene) known.set(animal.id, (gene = workedOut(family, locus, animal)))
  return gene
}

function workedOut(family: Family, locus: HouseLocus, animal: AnimalState): AnimalGene {
  try {
    return { ...familyBelief(family, locus, animal.id), contradiction: null }
  } catch (error) {
    if (!(error instanceof GeneticsError)) throw error
    return { belief: ownBelief(locus, animal), relatives: 0, cut: false, contradiction: error.message }
  }
}

function ownBelief(locus: HouseLocus, animal: AnimalState): Belief {
  const stated = animal.genes[locus.id]
  try {
    return stated ? statedBelief(locus, stated.alleles, stated.chance, animal.sex) : unknownBelief(locus, animal.sex)
  } catch {
    // its sex was found to be another since it was stated
    return unknownBelief(locus, animal.sex)
  }
}

/** A wish for young: at each named locus a look or a genotype. */
export interface BenchWish {
  locusId: string
  look?: string
  genotype?: string
}

/** Why a wish cannot be read for a species; null when it can. */
export function wishProblem(locus: LocusState | undefined, speciesId: string, wish: BenchWish): string | null {
  if (!locus || locus.dropped || locus.speciesId !== speciesId) return 'This species has no such locus'
  const looks = looksOf(locus).map(look => look.toLowerCase())
  if (wish.look !== undefined && !looks.includes(wish.look.toLowerCase()))
    return `${locus.name} makes no look “${wish.look}”`
  if (wish.genotype && !genotypesOf(locus).some(g => tellGenotype(locus, g) === wish.genotype))
    return `${locus.name} has no genotype ${wish.genotype}`
  return null
}

/** Mean chance that a young of two is as wished, 0..1. */
export function wishChance(
  loci: readonly { locus: LocusState; wish: BenchWish }[],
  dam: readonly Belief[],
  sire: readonly Belief[],
): number {
  const wish: YoungWish = {
    sex: null,
    loci: loci.map(l =>
      l.wish.look !== undefined ? { look: l.wish.look } : l.wish.genotype ? { genotype: l.wish.genotype } : null,
    ),
  }
  return eggChance(
    loci.map(({ locus }, i) => ({ locus, dam: dam[i]!, sire: sire[i]! })),
    wish,
  ).reduce((sum, e) => sum + e.weight * e.chance, 0)
}
