import type { Belief } from './belief'
import {
  genotypesOf,
  harmOf,
  lookOf,
  tellGenotype,
  transmission,
  GeneticsError,
  type Genotype,
  type KnownSex,
  type LocusData,
} from './locus'

/** One locus of a cross: how likely each genotype is in the dam and in the sire. */
export interface CrossLocus {
  locus: LocusData
  dam: Belief
  sire: Belief
}

export interface CrossRow {
  /** Set where a locus is sex-linked. */
  sex: KnownSex | null
  /** Genotype at each locus, as written. */
  genotypes: string[]
  looks: string[]
  /** Chance of this row among the young that live. */
  chance: number
  weak: boolean
}

export interface LookRow {
  sex: KnownSex | null
  /** Look at each locus; '' = wild. */
  looks: string[]
  chance: number
}

export interface Cross {
  genotypes: CrossRow[]
  /** Rows left out of `genotypes` since they are the rarest, with their chance together. */
  left: { rows: number; chance: number }
  looks: LookRow[]
  /** Share of the eggs that come to nothing since a double form is lethal. */
  lost: number
}

const ROWS_SHOWN = 400

/** A young at one locus: chance, genotype, what it looks like. */
interface Outcome {
  genotype: Genotype
  chance: number
  look: string
  weak: boolean
}

/** Chance of each genotype of a young, parents' uncertainty taken into it; not yet without the lethal ones. */
export function youngBelief({ locus, dam, sire }: CrossLocus): Float64Array {
  const n = genotypesOf(locus).length
  if (dam.length !== n || sire.length !== n)
    throw new GeneticsError(`The genotypes of ${locus.name} do not fit the locus`)
  const t = transmission(locus)
  const young = new Float64Array(n)
  for (let d = 0; d < n; d++) {
    if (dam[d] === 0) continue
    for (let s = 0; s < n; s++) {
      const w = dam[d]! * sire[s]!
      if (w === 0) continue
      for (let g = 0; g < n; g++) young[g]! += w * t[(d * n + s) * n + g]!
    }
  }
  return young
}

function outcomesOf(cross: CrossLocus, sex: KnownSex | null): Outcome[] {
  const { locus } = cross
  const genotypes = genotypesOf(locus)
  const young = youngBelief(cross)
  const linked = locus.linkage !== 'autosomal'
  const single = locus.linkage === 'Z' ? 'female' : 'male'
  return genotypes.flatMap((genotype, i) => {
    if (linked && sex !== null && (genotype.length === 1) !== (sex === single)) return []
    // within one sex the half that is of that sex is the whole
    const chance = young[i]! * (linked && sex !== null ? 2 : 1)
    return chance > 0 && harmOf(locus, genotype) !== 'lethal'
      ? [{ genotype, chance, look: lookOf(locus, genotype), weak: harmOf(locus, genotype) === 'weak' }]
      : []
  })
}

/** Every combination of one outcome of each locus: its chance, and which. O(product of outcomes). */
function combine(parts: readonly { chance: number }[][]): { chances: Float64Array; at: (row: number) => number[] } {
  const sizes = parts.map(p => p.length)
  const rows = sizes.reduce((a, b) => a * b, 1)
  let chances: Float64Array = new Float64Array([1])
  for (const part of parts) {
    const next = new Float64Array(chances.length * part.length)
    for (let i = 0; i < chances.length; i++)
      for (let j = 0; j < part.length; j++) next[i * part.length + j] = chances[i]! * part[j]!.chance
    chances = next
  }
  const at = (row: number) => {
    const which = new Array<number>(sizes.length)
    for (let k = sizes.length - 1; k >= 0; k--) {
      which[k] = row % sizes[k]!
      row = Math.floor(row / sizes[k]!)
    }
    return which
  }
  return { chances: rows ? chances : new Float64Array(0), at }
}

/** The likeliest rows in order, without sorting all of a large table. */
function topRows(chances: Float64Array, most: number): Int32Array {
  let rows = Int32Array.from(chances.keys())
  if (rows.length > 4 * most) {
    const floor = Float64Array.from(chances).sort()[chances.length - most]!
    rows = rows.filter(i => chances[i]! >= floor)
  }
  return rows.sort((a, b) => chances[b]! - chances[a]! || a - b).slice(0, most)
}

/**
 * The young of two animals over any number of unlinked loci: genotypes and looks with their chances among the living,
 * by sex where a locus is sex-linked. Parents may be uncertain; their beliefs are averaged over.
 * @throws GeneticsError when beliefs do not fit their loci
 */
export function cross(loci: readonly CrossLocus[]): Cross {
  const sexes: (KnownSex | null)[] = loci.some(l => l.locus.linkage !== 'autosomal') ? ['female', 'male'] : [null]
  const rows: CrossRow[] = []
  const looks = new Map<string, LookRow>()
  let living = 0
  let left = { rows: 0, chance: 0 }
  for (const sex of sexes) {
    const half = 1 / sexes.length
    const parts = loci.map(l => outcomesOf(l, sex))
    const { chances, at } = combine(parts)
    const top = topRows(chances, ROWS_SHOWN)
    let shown = 0
    for (const row of top) {
      const which = at(row)
      shown += chances[row]!
      rows.push({
        sex,
        chance: chances[row]! * half,
        genotypes: which.map((w, l) => tellGenotype(loci[l]!.locus, parts[l]![w]!.genotype)),
        looks: which.map((w, l) => parts[l]![w]!.look),
        weak: which.some((w, l) => parts[l]![w]!.weak),
      })
    }
    let all = 0
    for (let i = 0; i < chances.length; i++) all += chances[i]!
    living += all * half
    left = { rows: left.rows + chances.length - top.length, chance: left.chance + (all - shown) * half }
    const lookParts = parts.map(part => {
      const byLook = new Map<string, number>()
      for (const o of part) byLook.set(o.look, (byLook.get(o.look) ?? 0) + o.chance)
      return [...byLook].map(([look, chance]) => ({ look, chance }))
    })
    const combined = combine(lookParts)
    for (const row of topRows(combined.chances, ROWS_SHOWN)) {
      const which = combined.at(row)
      const names = which.map((w, l) => lookParts[l]![w]!.look)
      looks.set(`${sex}:${names.join('|')}`, { sex, looks: names, chance: combined.chances[row]! * half })
    }
  }
  const scale = living > 0 ? 1 / living : 0
  return {
    genotypes: rows.map(r => ({ ...r, chance: r.chance * scale })).sort((a, b) => b.chance - a.chance),
    left: { rows: left.rows, chance: left.chance * scale },
    looks: [...looks.values()].map(r => ({ ...r, chance: r.chance * scale })).sort((a, b) => b.chance - a.chance),
    lost: 1 - living,
  }
}
