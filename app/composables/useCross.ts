import {
  clutchChances,
  cross,
  eggChance,
  genotypesOf,
  tellGenotype,
  type Belief,
  type CrossLocus,
  type LookRow,
} from '#core/genetics'
import type { HouseLocus } from '#core/season'
import { geneOf } from '#core/season'

/** One parent of the calculator: an animal of the house, or an invented one with a genotype at each locus. */
export interface CrossParent {
  /** Null = invented. */
  animalId: string | null
  /** Genotype by locus as written; for an animal of the house it stands over what is known of it. */
  genotypes: Record<string, string>
}

/**
 * What an invented parent is before anything is chosen: at the first locus a carrier, so that there is something to
 * see.
 */
export function inventedGenotype(locus: HouseLocus, sex: 'female' | 'male', first: boolean): string {
  const single = (locus.linkage === 'Z' && sex === 'female') || (locus.linkage === 'X' && sex === 'male')
  return single ? '+/–' : first ? `+/${locus.alleles[0]!.sign}` : '+/+'
}

/** The young of two parents over the chosen loci, and what a clutch may bring of one look. */
export function useCross(loci: Ref<HouseLocus[]>, dam: CrossParent, sire: CrossParent) {
  const house = useHouse()

  function beliefOf(parent: CrossParent, locus: HouseLocus, sex: 'female' | 'male'): Belief {
    const genotypes = genotypesOf(locus)
    const told = parent.genotypes[locus.id]
    const animal = parent.animalId ? house.house.animals[parent.animalId] : undefined
    if (told || !animal) {
      const wanted = told ?? inventedGenotype(locus, sex, loci.value[0]?.id === locus.id)
      return genotypes.map(g => (tellGenotype(locus, g) === wanted ? 1 : 0))
    }
    const { belief } = geneOf(house.house, locus, animal)
    // one of unknown sex may stand on either side: only what fits the side counts
    const fits = genotypes.map((g, i) =>
      (locus.linkage === 'Z' && sex === 'female') || (locus.linkage === 'X' && sex === 'male')
        ? g.length === 1
          ? belief[i]!
          : 0
        : g.length === 2
          ? belief[i]!
          : 0,
    )
    const total = fits.reduce((a, b) => a + b, 0)
    return total > 0
      ? fits.map(x => x / total)
      : genotypes.map(g => (g.every(a => a === 0) && fitsSide(g.length, locus, sex) ? 1 : 0))
  }
  const fitsSide = (copies: number, locus: HouseLocus, sex: 'female' | 'male') =>
    (copies === 1) === ((locus.linkage === 'Z' && sex === 'female') || (locus.linkage === 'X' && sex === 'male'))

  const parts = computed<CrossLocus[]>(() =>
    loci.value.map(locus => ({ locus, dam: beliefOf(dam, locus, 'female'), sire: beliefOf(sire, locus, 'male') })),
  )
  const young = computed(() => (parts.value.length ? cross(parts.value) : null))

  /** Expected young and chances of at least k of one row of looks, in a clutch of the species. */
  function clutchOf(row: LookRow, eggs: { earliest: number; likely: number; latest: number }, through: number) {
    return clutchChances(
      eggChance(parts.value, { sex: row.sex, loci: row.looks.map(look => ({ look })) }),
      eggs,
      through,
    )
  }

  return { parts, young, clutchOf }
}
