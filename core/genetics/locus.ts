import { derived } from '../derived'
import { z } from 'zod'
import { lineOfText, reference } from '../reference'

/**
 * How an allele shows beside the wild one: only doubled, in one copy already, or in one copy with a third look when
 * doubled.
 */
export const ALLELE_MODES = ['recessive', 'dominant', 'incomplete'] as const

export const Allele = z.strictObject({
  /** Short sign, as breeders write it: a, Pa, w2. */
  sign: z
    .string()
    .trim()
    .min(1, 'An allele needs a sign')
    .max(8, 'A sign has at most 8 characters')
    .refine(s => s !== '+', 'The sign + is kept for the wild allele')
    .refine(s => !/[\s/]/.test(s), 'A sign has no spaces and no slash'),
  mode: z.enum(ALLELE_MODES),
  /** What one sees: of a recessive in double form, of others in one copy. */
  look: lineOfText(40, 'A look needs a name'),
  /** Third look of an incomplete dominant in double form. */
  doubleLook: z.string().trim().max(40, 'At most 40 characters').nullable().default(null),
  /** Whether the double form does not live, or is weak. */
  double: z.enum(['well', 'weak', 'lethal']).default('well'),
})
export type Allele = z.infer<typeof Allele>

export const LINKAGES = ['autosomal', 'Z', 'X'] as const

/** Alleles at a locus, the wild one apart: so many that tables stay small. */
const MOST_ALLELES = 6
const LEAST_UNSTATED = 0.0001
/** So that of six of them something is left for the wild one. */
const MOST_UNSTATED = 0.15

/**
 * What a keeper knows of one locus. Lines sold under one trade name that do not make the look together are two loci.
 */
export const LocusData = z
  .strictObject({
    name: lineOfText(40, 'A locus needs a name'),
    speciesId: reference('species'),
    linkage: z.enum(LINKAGES).default('autosomal'),
    alleles: z
      .array(Allele)
      .min(1, 'A locus has at least one allele beside the wild one')
      .max(MOST_ALLELES, `At most ${MOST_ALLELES} alleles beside the wild one`),
    note: z.string().trim().max(500, 'At most 500 characters').nullable().default(null),
    /** Share of each allele in animals of which nothing is known; left out, it is rare. */
    unstatedShare: z
      .number({ error: 'The share must be a number' })
      .min(LEAST_UNSTATED, `At least ${100 * LEAST_UNSTATED} %: an allele that is named was seen`)
      .max(MOST_UNSTATED, `At most ${100 * MOST_UNSTATED} %: the wild allele is the usual one`)
      .optional(),
  })
  .refine(l => new Set(l.alleles.map(a => a.sign)).size === l.alleles.length, {
    path: ['alleles'],
    message: 'Two alleles of one locus have the same sign',
  })
  .refine(l => new Set(l.alleles.map(a => a.look.toLowerCase())).size === l.alleles.length, {
    path: ['alleles'],
    message:
      'Two alleles of one locus have the same look: if they look alike and meet at one locus they are one allele',
  })
export type LocusData = z.infer<typeof LocusData>

/** A locus of which it is known how common its alleles are. */
export type KnownLocus = LocusData & { unstatedShare: number }

/**
 * A locus with the usual share of its alleles, where its keeper said none.
 * @param usual share of an allele in animals of which nothing is known, 0..1; held within what a locus may say
 */
export const knownLocus = <L extends LocusData>(locus: L, usual: number): L & { unstatedShare: number } => ({
  ...locus,
  unstatedShare: locus.unstatedShare ?? Math.min(MOST_UNSTATED, Math.max(LEAST_UNSTATED, usual)),
})

export interface Locus extends LocusData {
  id: string
}

export class GeneticsError extends Error {
  override name = 'GeneticsError'
}

/** A genotype at one locus: two alleles in order of the locus (0 = wild), or one where the sex has a single copy. */
export type Genotype = readonly [number, number] | readonly [number]

export type KnownSex = 'female' | 'male'

/** Alleles of a locus by index: 0 is the wild one. */
export const signOf = (locus: LocusData, allele: number): string =>
  allele === 0 ? '+' : locus.alleles[allele - 1]!.sign

/** As breeders write it: `+/a`, or `a/–` where there is one copy only. */
export const tellGenotype = (locus: LocusData, g: Genotype): string =>
  g.length === 1 ? `${signOf(locus, g[0])}/–` : `${signOf(locus, g[0])}/${signOf(locus, g[1])}`

/** @throws GeneticsError naming what the locus does not have */
export function alleleOf(locus: LocusData, sign: string): number {
  if (sign === '+') return 0
  const at = locus.alleles.findIndex(a => a.sign === sign)
  if (at < 0)
    throw new GeneticsError(
      `${locus.name} has no allele “${sign}”; it has ${['+', ...locus.alleles.map(a => a.sign)].join(', ')}`,
    )
  return at + 1
}

/**
 * The sex that carries one copy of a sex-linked locus: the female under ZW, the male under XY; null for an autosomal
 * one.
 */
export const singleCopySex = (locus: Pick<LocusData, 'linkage'>): KnownSex | null =>
  locus.linkage === 'Z' ? 'female' : locus.linkage === 'X' ? 'male' : null

/** All genotypes of a locus: pairs, then single copies where it is sex-linked. */
export function genotypesOf(locus: Pick<LocusData, 'alleles' | 'linkage'>): Genotype[] {
  const k = locus.alleles.length + 1
  const all: Genotype[] = []
  for (let a = 0; a < k; a++) for (let b = a; b < k; b++) all.push([a, b])
  if (locus.linkage !== 'autosomal') for (let a = 0; a < k; a++) all.push([a])
  return all
}

/** Whether an animal of this sex can have the genotype; an unknown sex can have any. */
export function fitsSex(locus: Pick<LocusData, 'linkage'>, g: Genotype, sex: KnownSex | 'unknown'): boolean {
  const single = singleCopySex(locus)
  return single === null || sex === 'unknown' || (g.length === 1) === (sex === single)
}

/** What one sees of a genotype; '' is the wild look. */
export function lookOf(locus: LocusData, g: Genotype): string {
  const allele = (i: number) => locus.alleles[i - 1]!
  if (g.length === 1) return g[0] === 0 ? '' : allele(g[0]).look
  const [a, b] = g
  if (b === 0) return ''
  if (a === b) return allele(a).doubleLook && allele(a).mode === 'incomplete' ? allele(a).doubleLook! : allele(a).look
  if (a === 0) return allele(b).mode === 'recessive' ? '' : allele(b).look
  const [x, y] = [allele(a), allele(b)]
  // two changed alleles of one locus: no wild one covers them
  if ((x.mode === 'recessive') !== (y.mode === 'recessive')) return x.mode === 'recessive' ? y.look : x.look
  return `${x.look}/${y.look}`
}

/** Whether the double form of this genotype harms. */
export function harmOf(locus: LocusData, g: Genotype): Allele['double'] {
  return g.length === 2 && g[0] === g[1] && g[0] > 0 ? locus.alleles[g[0] - 1]!.double : 'well'
}

/**
 * Chance of each genotype of a young for each pair of parents' genotypes, each sex being half: index
 * `(dam · n + sire) · n + young` over `genotypesOf(locus)`. Pairs that the sexes forbid have a row of 0.
 */
export const transmission = derived((locus: LocusData): Float64Array => {
  const genotypes = genotypesOf(locus)
  const n = genotypes.length
  const k = locus.alleles.length + 1
  const at = new Map(genotypes.map((g, i) => [g.join(), i]))
  const pair = (a: number, b: number) => at.get(a < b ? `${a},${b}` : `${b},${a}`)!
  const table = new Float64Array(n * n * n)
  const gametes = (g: Genotype) => {
    const p = new Float64Array(k)
    for (const a of g) p[a]! += 1 / g.length
    return p
  }
  const single = singleCopySex(locus)
  for (let d = 0; d < n; d++) {
    for (let s = 0; s < n; s++) {
      const [dam, sire] = [genotypes[d]!, genotypes[s]!]
      if (!fitsSex(locus, dam, 'female') || !fitsSex(locus, sire, 'male')) continue
      const row = (d * n + s) * n
      const [ofDam, ofSire] = [gametes(dam), gametes(sire)]
      if (single === null) {
        for (let a = 0; a < k; a++) for (let b = 0; b < k; b++) table[row + pair(a, b)]! += ofDam[a]! * ofSire[b]!
        continue
      }
      // the sex with two copies gets one from each parent; the other gets its one from the parent with two
      const [two, one] = single === 'female' ? [ofSire, dam[0]] : [ofDam, sire[0]]
      for (let a = 0; a < k; a++) {
        table[row + pair(a, one)]! += two[a]! / 2
        table[row + at.get(`${a}`)!]! += two[a]! / 2
      }
    }
  }
  return table
})
