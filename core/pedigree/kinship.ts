import type { Inbreeding } from './inbreeding'
import type { Pedigree } from './pedigree'

/** Genes handed down: the share of the weighted animals' genome that comes from each animal of the pedigree (T'·v). */
function handedDown({ ids, first, parent, share }: Pedigree, weights: Float64Array): Float64Array {
  const t = Float64Array.from(weights)
  for (let i = ids.length - 1; i >= 0; i--) {
    if (t[i] === 0) continue
    for (let k = first[i]!; k < first[i + 1]!; k++) t[parent[k]!]! += share[k]! * t[i]!
  }
  return t
}

/**
 * The relationship matrix times a vector, A·v = T·D·T'·v, without the matrix. O(n).
 * Source: Colleau 2002, Genet. Sel. Evol. 34:409–421.
 */
export function relationshipTimes(pedigree: Pedigree, { sampling }: Inbreeding, weights: Float64Array): Float64Array {
  const { ids, first, parent, share } = pedigree
  const u = handedDown(pedigree, weights)
  for (let i = 0; i < ids.length; i++) {
    let sum = sampling[i]! * u[i]!
    for (let k = first[i]!; k < first[i + 1]!; k++) sum += share[k]! * u[parent[k]!]!
    u[i] = sum
  }
  return u
}

/** Kinship (0..1) of one animal with every animal of the pedigree; with itself (1 + F) / 2. O(n). */
export function kinshipsOf(pedigree: Pedigree, known: Inbreeding, of: number): Float64Array {
  const unit = new Float64Array(pedigree.ids.length)
  unit[of] = 1
  return relationshipTimes(pedigree, known, unit).map(a => a / 2)
}

export interface LineHealth {
  /** Mean kinship of each living animal with all of them, itself included; the lower, the rarer its genes. */
  meanKinship: ReadonlyMap<string, number>
  /**
   * Share of the living animals' genome from each founder, largest first; those of unknown parents are founders too.
   */
  founders: { id: string; share: number }[]
  /** 1 − mean kinship: expected heterozygosity left, against a base of unrelated founders. */
  geneDiversity: number
  /** As many unrelated founders as would hold this diversity: 1 / (2 · mean kinship). */
  founderEquivalents: number
}

/**
 * How much of its founders' diversity a group holds, and who carries the rarest genes.
 * @param living ids of the animals that count, at least one of the pedigree
 * Source: Ballou & Lacy 1995 (mean kinship); Lacy 1989, Zoo Biol. 8:111–123 (founder genome equivalents).
 */
export function lineHealth(pedigree: Pedigree, known: Inbreeding, living: readonly string[]): LineHealth | null {
  const at = living.flatMap(id => pedigree.index.get(id) ?? [])
  if (!at.length) return null
  const weights = new Float64Array(pedigree.ids.length)
  for (const i of at) weights[i]! += 1 / at.length
  const mean = relationshipTimes(pedigree, known, weights).map(a => a / 2)
  const overall = at.reduce((sum, i) => sum + mean[i]!, 0) / at.length
  const genes = handedDown(pedigree, weights)
  const { first, share, clonal, fatherOf } = pedigree
  const founders: { id: string; share: number }[] = []
  for (let i = 0; i < genes.length; i++) {
    if (genes[i]! < 1e-9 || clonal[i]) continue
    let fromParents = 0
    for (let k = first[i]!; k < first[i + 1]!; k++) fromParents += share[k]!
    // what does not come from a known parent begins with this animal
    const own = genes[i]! * (1 - fromParents)
    if (own > 1e-9) founders.push({ id: pedigree.ids[fatherOf[i]! >= 0 ? fatherOf[i]! : i]!, share: own })
  }
  founders.sort((a, b) => b.share - a.share)
  return {
    meanKinship: new Map(at.map(i => [pedigree.ids[i]!, mean[i]!])),
    founders,
    geneDiversity: 1 - overall,
    founderEquivalents: 1 / (2 * overall),
  }
}
