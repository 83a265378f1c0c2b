import { pert, type ThreePoint } from '../chance'
import type { CrossLocus } from './cross'
import { genotypesOf, harmOf, lookOf, tellGenotype, transmission, type KnownSex } from './locus'

/** What is wished of a young: a look or a genotype at each locus (null = any), and a sex (null = either). */
export interface YoungWish {
  sex: KnownSex | null
  loci: ({ look: string } | { genotype: string } | null)[]
}

/**
 * Chances of one kind of young in an egg, over what the parents may be: each with its weight. Adds up to 1 in weight.
 */
export type EggChance = { weight: number; chance: number }[]

const merged = (list: EggChance): EggChance => {
  const by = new Map<string, { weight: number; chance: number }>()
  for (const { weight, chance } of list) {
    if (weight === 0) continue
    const key = chance.toFixed(12)
    const before = by.get(key)
    if (before) before.weight += weight
    else by.set(key, { weight, chance })
  }
  return [...by.values()]
}

/**
 * Chance that an egg becomes a living young as wished. All young of a clutch share their parents, so an uncertain
 * parent gives several chances, each with its weight, and not one mean.
 */
export function eggChance(loci: readonly CrossLocus[], wish: YoungWish): EggChance {
  const linked = loci.some(l => l.locus.linkage !== 'autosomal')
  const perSex = (sex: KnownSex | null): EggChance =>
    loci.reduce<EggChance>(
      (before, { locus, dam, sire }, l) => {
        const wished = wish.loci[l] ?? null
        const genotypes = genotypesOf(locus)
        const n = genotypes.length
        const t = transmission(locus)
        const single = locus.linkage === 'Z' ? 'female' : 'male'
        const ofSex = locus.linkage !== 'autosomal' && sex !== null
        const fits = genotypes.map(g =>
          harmOf(locus, g) !== 'lethal' &&
          (!ofSex || (g.length === 1) === (sex === single)) &&
          (!wished ||
            ('look' in wished ? lookOf(locus, g) === wished.look : tellGenotype(locus, g) === wished.genotype))
            ? 1
            : 0,
        )
        const own: EggChance = []
        for (let d = 0; d < n; d++) {
          for (let s = 0; s < n; s++) {
            const weight = dam[d]! * sire[s]!
            if (weight === 0) continue
            let chance = 0
            for (let g = 0; g < n; g++) chance += fits[g]! * t[(d * n + s) * n + g]!
            own.push({ weight, chance: chance * (ofSex ? 2 : 1) })
          }
        }
        const next = merged(own)
        return merged(
          before.flatMap(b => next.map(o => ({ weight: b.weight * o.weight, chance: b.chance * o.chance }))),
        )
      },
      [{ weight: 1, chance: 1 }],
    )
  if (!linked) return perSex(null).map(e => ({ ...e, chance: e.chance * (wish.sex ? 0.5 : 1) }))
  if (wish.sex) return perSex(wish.sex).map(e => ({ ...e, chance: e.chance * 0.5 }))
  // either sex: the parents are the same ones in both halves, so chances add within one pair of parents; the mean is
  // exact for counts only when parents are certain
  const [f, m] = [perSex('female'), perSex('male')]
  if (f.length === 1 && m.length === 1) return [{ weight: 1, chance: (f[0]!.chance + m[0]!.chance) / 2 }]
  return bothSexes(loci, wish)
}

/** Either sex with uncertain parents and sex-linked loci: every pair of parents' genotypes over all loci on its own. */
function bothSexes(loci: readonly CrossLocus[], wish: YoungWish): EggChance {
  let pairs: { weight: number; loci: CrossLocus[] }[] = [{ weight: 1, loci: [] }]
  for (const l of loci) {
    const sure = (belief: readonly number[], i: number) => belief.map((_, k) => (k === i ? 1 : 0))
    pairs = pairs.flatMap(p =>
      l.dam.flatMap((wd, d) =>
        l.sire.flatMap((ws, s) =>
          wd * ws > 0
            ? [{ weight: p.weight * wd * ws, loci: [...p.loci, { ...l, dam: sure(l.dam, d), sire: sure(l.sire, s) }] }]
            : [],
        ),
      ),
    )
  }
  return merged(
    pairs.flatMap(p => eggChance(p.loci, wish).map(e => ({ weight: p.weight * e.weight, chance: e.chance }))),
  )
}

/** Chance of exactly k of n, each with chance p. Computed by logarithms, so that large n do not overflow. */
export function binomial(n: number, k: number, p: number): number {
  if (k < 0 || k > n) return 0
  if (p <= 0) return k === 0 ? 1 : 0
  if (p >= 1) return k === n ? 1 : 0
  let log = k * Math.log(p) + (n - k) * Math.log1p(-p)
  for (let i = 0; i < k; i++) log += Math.log(n - i) - Math.log(i + 1)
  return Math.exp(log)
}

/** Chance of at least k of n, each with chance p. */
export function atLeast(n: number, k: number, p: number): number {
  let below = 0
  for (let i = 0; i < k; i++) below += binomial(n, i, p)
  return Math.max(0, 1 - below)
}

export interface ClutchChances {
  /** Expected living young as wished. */
  expected: number
  /** Chance of at least k, from k = 1. */
  atLeast: number[]
}

/**
 * What a clutch may bring of one kind of young.
 * @param eggs earliest, likely, latest number of eggs; spread by PERT
 * @param through chance that an egg comes through, 0..1, genes apart
 * @param most chances up to this k
 */
export function clutchChances(chances: EggChance, eggs: ThreePoint, through: number, most = 5): ClutchChances {
  const size = pert(eggs)
  const expectedEggs = size.p.reduce((sum, p, i) => sum + p * (size.start + i), 0)
  const mean = chances.reduce((sum, e) => sum + e.weight * e.chance, 0)
  return {
    expected: expectedEggs * through * mean,
    atLeast: Array.from({ length: most }, (_, i) =>
      size.p.reduce(
        (sum, p, n) =>
          sum + p * chances.reduce((s, e) => s + e.weight * atLeast(size.start + n, i + 1, e.chance * through), 0),
        0,
      ),
    ),
  }
}
