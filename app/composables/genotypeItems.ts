import { fitsSex, genotypesOf, tellGenotype, lookOf, type LocusData } from '#core/genetics'

/** Genotypes of a locus to choose from, with what they look like. */
export function genotypeItems(
  locus: LocusData,
  sex: 'female' | 'male' | 'unknown',
): { value: string; label: string; signs: string[] }[] {
  return genotypesOf(locus)
    .filter(g => fitsSex(locus, g, sex))
    .map(g => {
      const told = tellGenotype(locus, g)
      return {
        value: told,
        label: `${told} ${lookOf(locus, g) || 'wild look'}`,
        signs: told.split('/').filter(s => s !== '–'),
      }
    })
}

/** A belief in words: the genotypes worth naming with their chances. */
export function tellBelief(locus: LocusData, belief: readonly number[], least = 0.02): string {
  return genotypesOf(locus)
    .map((g, i) => ({ told: tellGenotype(locus, g), p: belief[i]! }))
    .filter(x => x.p >= least)
    .sort((a, b) => b.p - a.p)
    .map(x => (x.p > 0.9995 ? x.told : `${x.told} ${x.p >= 0.995 ? 'over 99' : Math.round(x.p * 100)} %`))
    .join(', ')
}
