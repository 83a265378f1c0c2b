import {
  alleleOf,
  fitsSex,
  genotypesOf,
  harmOf,
  lookOf,
  GeneticsError,
  type KnownLocus,
  type KnownSex,
  type LocusData,
} from './locus'

/** How likely each genotype of a locus is, in the order of `genotypesOf`; adds up to 1. */
export type Belief = readonly number[]

/** How common an allele is where nothing is known, as it is written and told, in percent. */
export const unstatedPercent = ({ unstatedShare }: Pick<KnownLocus, 'unstatedShare'>): number =>
  Number((100 * unstatedShare).toFixed(4))

/** @throws GeneticsError when nothing is left */
export function normalised(weights: readonly number[]): Belief {
  const total = weights.reduce((a, b) => a + b, 0)
  if (!(total > 0)) throw new GeneticsError('These statements contradict each other: no genotype is left')
  return weights.map(w => w / total)
}

/** An animal of which nothing is known: alleles at random, the changed ones as rare as their locus says. */
export function unknownBelief(locus: KnownLocus, sex: KnownSex | 'unknown'): Belief {
  const rare = locus.unstatedShare
  const q = [1 - rare * locus.alleles.length, ...locus.alleles.map(() => rare)]
  return normalised(
    genotypesOf(locus).map(g =>
      fitsSex(locus, g, sex) ? (g.length === 1 ? q[g[0]]! : q[g[0]]! * q[g[1]]! * (g[0] === g[1] ? 1 : 2)) : 0,
    ),
  )
}

/**
 * Where a genotype stands in the table of its locus. @throws GeneticsError for an allele the locus does not have, or a
 * wrong number of copies
 */
export function genotypeIndex(locus: LocusData, signs: readonly string[]): number {
  const alleles = signs.map(s => alleleOf(locus, s)).sort((a, b) => a - b)
  const at = genotypesOf(locus).findIndex(g => g.join() === alleles.join())
  if (at < 0)
    throw new GeneticsError(
      alleles.length === 1
        ? `${locus.name} is not sex-linked: a genotype has two alleles`
        : `A genotype of ${locus.name} has two alleles`,
    )
  return at
}

/**
 * What a statement such as «66 % het» says: the genotype with its chance, the rest on the living genotypes that look
 * the same, or on the wild one where none does.
 * @param chance 0..1
 */
export function statedBelief(
  locus: KnownLocus,
  signs: readonly string[],
  chance: number,
  sex: KnownSex | 'unknown',
): Belief {
  if (!(chance >= 0 && chance <= 1))
    throw new GeneticsError(`A chance lies between 0 and 100 %, not ${Math.round(chance * 100)} %`)
  const genotypes = genotypesOf(locus)
  const at = genotypeIndex(locus, signs)
  if (!fitsSex(locus, genotypes[at]!, sex))
    throw new GeneticsError(`A ${sex} has ${genotypes[at]!.length === 1 ? 'two copies' : 'one copy'} of ${locus.name}`)
  const look = lookOf(locus, genotypes[at]!)
  const base = unknownBelief(locus, sex)
  const same = genotypes.map((g, i) =>
    i !== at && g.length === genotypes[at]!.length && lookOf(locus, g) === look && harmOf(locus, g) !== 'lethal'
      ? base[i]!
      : 0,
  )
  const rest = same.some(x => x > 0)
    ? normalised(same)
    : genotypes.map((g, i) => (i !== at && g.every(a => a === 0) && g.length === genotypes[at]!.length ? 1 : 0))
  if (!rest.some(x => x > 0)) return genotypes.map((_, i) => (i === at ? 1 : 0))
  return genotypes.map((_, i) => (i === at ? chance : (1 - chance) * rest[i]!))
}

/**
 * Likelihood of a seen look for each genotype: 1 where it looks so. @throws GeneticsError for a look that the locus
 * cannot make
 */
export function lookLikelihood(locus: LocusData, look: string): number[] {
  const fits = genotypesOf(locus).map(g => (lookOf(locus, g).toLowerCase() === look.toLowerCase() ? 1 : 0))
  if (!fits.some(x => x)) throw new GeneticsError(`${locus.name} cannot make the look “${look}”`)
  return fits
}

/** The looks that a locus can make, the wild one ('') first. */
export function looksOf(locus: LocusData): string[] {
  return [...new Set(genotypesOf(locus).map(g => lookOf(locus, g)))]
}

/** Chance that an animal carries at least one copy of an allele. */
export function carries(locus: LocusData, belief: Belief, allele: number): number {
  return genotypesOf(locus).reduce((sum, g, i) => sum + ((g as readonly number[]).includes(allele) ? belief[i]! : 0), 0)
}
