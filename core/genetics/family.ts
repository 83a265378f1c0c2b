import { derived } from '../derived'
import { sharedFather, type Ancestry } from '../pedigree'
import { normalised, lookLikelihood, statedBelief, unknownBelief, type Belief } from './belief'
import { TooManyRelatives, marginal, type Factor } from './factors'
import { fitsSex, genotypesOf, harmOf, transmission, type KnownLocus, type KnownSex, type LocusData } from './locus'

/** What is known of one animal at one locus. */
export interface GeneFacts {
  sex: KnownSex | 'unknown'
  /**
   * A stated genotype: certain ones are evidence; possible ones count only where nothing is known of its forebears'
   * genes.
   */
  stated: { signs: readonly string[]; chance: number } | null
  /** A look that was seen; '' = wild. */
  look: string | null
}

/** Young counted by look without a card of their own, from one dam and her possible sires. */
export interface CountedYoung {
  damId: string
  sires: readonly { id: string; chance: number }[]
  counts: readonly { look: string; count: number }[]
  /** Clutch they came from: they share its father with the mates that have cards. */
  clutchId?: string | null
}

export interface Family {
  animals: ReadonlyMap<string, Ancestry>
  facts: (id: string) => GeneFacts
  counted: readonly CountedYoung[]
}

export interface FamilyBelief {
  belief: Belief
  /** Animals of the family that were taken into the sum. */
  relatives: number
  /** Whether relatives further away had to be left out. */
  cut: boolean
}

/** So many relatives at most; beyond it only the nearest count. */
const MOST_RELATIVES = 600

const parentIds = (a: Ancestry) => [...(a.damId ? [a.damId] : []), ...(a.clonal ? [] : a.sires.map(s => s.id))]

interface Kin {
  young: ReadonlyMap<string, readonly string[]>
  countedOf: ReadonlyMap<string, readonly CountedYoung[]>
  /** What having young says of a parent's sex. */
  role: ReadonlyMap<string, KnownSex | 'both'>
}

const kinOf = derived((family: Family): Kin => {
  const young = new Map<string, string[]>()
  for (const a of family.animals.values()) for (const p of parentIds(a)) young.set(p, [...(young.get(p) ?? []), a.id])
  const countedOf = new Map<string, CountedYoung[]>()
  for (const c of family.counted)
    for (const p of [c.damId, ...c.sires.map(s => s.id)]) countedOf.set(p, [...(countedOf.get(p) ?? []), c])
  const role = new Map<string, KnownSex | 'both'>()
  const plays = (id: string, as: KnownSex) => role.set(id, (role.get(id) ?? as) === as ? as : 'both')
  for (const a of [...family.animals.values(), ...family.counted]) {
    if (a.damId !== null) plays(a.damId, 'female')
    if (!('clonal' in a && a.clonal)) for (const s of a.sires) plays(s.id, 'male')
  }
  return { young, countedOf, role }
})

/** The nearest relatives by steps between parent and young, mates included through their young. */
function neighbourhood(family: Family, kin: Kin, of: string, most: number): { ids: string[]; cut: boolean } {
  const found = new Set([of])
  for (const id of found) {
    if (found.size >= most) return { ids: [...found], cut: true }
    const a = family.animals.get(id)!
    const near = [
      ...parentIds(a),
      ...(kin.young.get(id) ?? []),
      ...(kin.countedOf.get(id) ?? []).flatMap(c => [c.damId, ...c.sires.map(s => s.id)]),
    ]
    for (const other of near) if (family.animals.has(other)) found.add(other)
  }
  return { ids: [...found], cut: false }
}

const speaks = ({ stated, look }: GeneFacts) => stated !== null || look !== null

/** Its sex as stated, or as its young tell: a dam is a female, though nobody wrote it. */
function sexIn(family: Family, id: string): KnownSex | 'unknown' {
  const { sex } = family.facts(id)
  const role = kinOf(family).role.get(id)
  return sex === 'unknown' && role && role !== 'both' ? role : sex
}

/** A living young of known sex speaks where one sex dies of it: too few of that sex are born. */
const sexSpeaks = (locus: LocusData): boolean =>
  locus.linkage !== 'autosomal' && locus.alleles.some(a => a.double === 'lethal')

/** Leaves out animals without evidence below them: they change nothing. Exact. */
function withoutSilent(family: Family, locus: LocusData, kin: Kin, ids: readonly string[], of: string): string[] {
  const bySex = sexSpeaks(locus)
  const kept = new Set(ids)
  const open = [...ids]
  while (open.length) {
    const id = open.pop()!
    if (
      id === of ||
      !kept.has(id) ||
      speaks(family.facts(id)) ||
      kin.countedOf.get(id)?.length ||
      (bySex && sexIn(family, id) !== 'unknown')
    )
      continue
    if (kin.young.get(id)?.some(y => kept.has(y))) continue
    kept.delete(id)
    open.push(...parentIds(family.animals.get(id)!).filter(p => kept.has(p)))
  }
  return [...kept]
}

/** The chance of a young's look for each pair of genotypes of dam and sire, of those that live. */
function lookChances(locus: LocusData, look: string): Float64Array {
  const genotypes = genotypesOf(locus)
  const n = genotypes.length
  const t = transmission(locus)
  const fits = lookLikelihood(locus, look)
  const lives = genotypes.map(g => (harmOf(locus, g) === 'lethal' ? 0 : 1))
  const table = new Float64Array(n * n)
  for (let pair = 0; pair < n * n; pair++) {
    let [alive, seen] = [0, 0]
    for (let g = 0; g < n; g++) {
      alive += t[pair * n + g]! * lives[g]!
      seen += t[pair * n + g]! * lives[g]! * fits[g]!
    }
    table[pair] = alive > 0 ? seen / alive : 0
  }
  return table
}

function sumFactors(
  n: number,
  vars: readonly number[],
  parts: readonly { weight: number; vars: readonly number[]; table: Float64Array }[],
): Factor {
  const cells = n ** vars.length
  if (cells > 2_000_000) throw new TooManyRelatives('Too many possible sires')
  const table = new Float64Array(cells)
  const value = vars.map(() => 0)
  for (let cell = 0; cell < cells; cell++) {
    let rest = cell
    for (let k = vars.length - 1; k >= 0; k--) {
      value[k] = rest % n
      rest = Math.floor(rest / n)
    }
    for (const part of parts) {
      let at = 0
      for (const v of part.vars) at = at * n + value[vars.indexOf(v)]!
      table[cell]! += part.weight * part.table[at]!
    }
  }
  return { vars, table }
}

/** Chances of the young that live: only those are ever looked at. */
function livingTransmission(locus: LocusData): Float64Array {
  const genotypes = genotypesOf(locus)
  const n = genotypes.length
  const t = Float64Array.from(transmission(locus))
  if (!genotypes.some(g => harmOf(locus, g) === 'lethal')) return t
  for (let pair = 0; pair < n * n; pair++) {
    let alive = 0
    for (let g = 0; g < n; g++)
      alive += harmOf(locus, genotypes[g]!) === 'lethal' ? (t[pair * n + g] = 0) : t[pair * n + g]!
    if (alive > 0) for (let g = 0; g < n; g++) t[pair * n + g]! /= alive
  }
  return t
}

/**
 * Whether anything was stated or seen of a forebear: a possible genotype then follows from them, and is not counted
 * twice.
 */
function forebearSpeaks(family: Family, id: string): boolean {
  const seen = new Set([id])
  for (const at of seen) {
    if (at !== id && speaks(family.facts(at))) return true
    for (const p of parentIds(family.animals.get(at)!)) if (family.animals.has(p)) seen.add(p)
  }
  return false
}

/** The statement that counts: a certain one always, a possible one where no forebear speaks. */
function statementOf(family: Family, id: string): GeneFacts['stated'] {
  const { stated } = family.facts(id)
  return stated && (stated.chance >= 1 || !forebearSpeaks(family, id)) ? stated : null
}

/**
 * What is known of an animal itself, as a weight for each genotype. A possible genotype is weighed against what
 * unstated stock would be, so that with silent forebears it comes out as stated, and its parents and sibs hear of it.
 */
function ownWeights(family: Family, locus: KnownLocus, id: string): number[] {
  const facts = family.facts(id)
  const sex = sexIn(family, id)
  const stated = statementOf(family, id)
  const genotypes = genotypesOf(locus)
  const own = genotypes.map(g => (fitsSex(locus, g, sex) && harmOf(locus, g) !== 'lethal' ? 1 : 0))
  if (facts.look !== null)
    lookLikelihood(locus, facts.look).forEach((l, i) => {
      own[i]! *= l
    })
  if (stated) {
    const usual = unknownBelief(locus, sex)
    statedBelief(locus, stated.signs, stated.chance, sex).forEach((p, i) => {
      own[i]! *= stated.chance >= 1 ? p : usual[i]! > 0 ? p / usual[i]! : 0
    })
  }
  return own
}

/**
 * Young of one certain pair that have no young themselves are summed out at once: those of which the same is known
 * together, so that three hundred hatchlings cost no more than three.
 * @returns the factors over their parents, and who is in them
 */
function broodFactors(
  family: Family,
  locus: KnownLocus,
  ids: readonly string[],
  of: string,
  t: Float64Array,
  fathers: ReadonlyMap<string, number>,
): { factors: Factor[]; summed: Set<string> } {
  const kin = kinOf(family)
  const n = genotypesOf(locus).length
  const at = new Map(ids.map((id, i) => [id, i]))
  const groups = new Map<string, { dam: number; sire: number; id: string; count: number }>()
  const summed = new Set<string>()
  for (const id of ids) {
    const animal = family.animals.get(id)!
    const { damId, sires, clonal } = animal
    const dam = damId === null ? undefined : at.get(damId)
    const sire =
      sires.length === 1 && sires[0]!.chance === 1 ? at.get(sires[0]!.id) : fathers.get(sharedFather(animal) ?? '')
    if (
      id === of ||
      clonal ||
      dam === undefined ||
      sire === undefined ||
      dam === sire ||
      kin.countedOf.get(id)?.length ||
      kin.young.get(id)?.some(y => at.has(y))
    )
      continue
    const facts = family.facts(id)
    const stated = statementOf(family, id)
    const key = [
      dam,
      sire,
      sexIn(family, id),
      facts.look ?? '?',
      stated ? `${stated.signs.join('/')} ${stated.chance}` : '',
    ].join('|')
    const group = groups.get(key)
    if (group) group.count++
    else groups.set(key, { dam, sire, id, count: 1 })
    summed.add(id)
  }
  const factors = [...groups.values()].map(({ dam, sire, id, count }): Factor => {
    const own = ownWeights(family, locus, id)
    const table = new Float64Array(n * n)
    for (let pair = 0; pair < n * n; pair++) {
      let sum = 0
      for (let g = 0; g < n; g++) sum += t[pair * n + g]! * own[g]!
      table[pair] = sum
    }
    // scaled before it is raised, so that hundreds of young do not vanish below the smallest number
    const top = table.reduce((a, b) => Math.max(a, b), 0)
    return { vars: [dam, sire], table: table.map(x => (top > 0 ? (x / top) ** count : 0)) }
  })
  return { factors, summed }
}

/** A parent nobody knows: one of unstated stock that lived. */
function unknownParent(locus: KnownLocus, sex: KnownSex): Belief {
  const genotypes = genotypesOf(locus)
  return normalised(unknownBelief(locus, sex).map((p, i) => (harmOf(locus, genotypes[i]!) === 'lethal' ? 0 : p)))
}

/**
 * The one father of a clutch who may be one of several, or nobody known: a variable of his own, so that mates are full
 * sibs and what one shows of him counts for all.
 */
function fatherFactors(
  family: Family,
  locus: KnownLocus,
  ids: readonly string[],
  at: ReadonlyMap<string, number>,
): { factors: Factor[]; fathers: Map<string, number> } {
  const n = genotypesOf(locus).length
  const mates = new Map<string, { sires: Ancestry['sires']; count: number }>()
  const seen = (key: string | null, sires: Ancestry['sires']) => {
    if (key === null) return
    const known = mates.get(key)
    if (known) known.count++
    else mates.set(key, { sires, count: 1 })
  }
  for (const id of ids) seen(sharedFather(family.animals.get(id)!), family.animals.get(id)!.sires)
  for (const group of new Set(ids.flatMap(id => kinOf(family).countedOf.get(id) ?? [])))
    seen(fatherOfCounted(group), group.sires)
  const stranger = Float64Array.from(unknownParent(locus, 'male'))
  const same = new Float64Array(n * n)
  for (let g = 0; g < n; g++) same[g * n + g] = 1
  const fathers = new Map<string, number>()
  const factors = [...mates]
    .filter(([, m]) => m.count > 1)
    .map(([key, { sires }]) => {
      const father = ids.length + fathers.size
      fathers.set(key, father)
      const known = sires.filter(s => at.has(s.id) && s.chance > 0)
      const rest = 1 - known.reduce((sum, s) => sum + s.chance, 0)
      const parts = [
        ...known.map(s => ({ weight: s.chance, vars: [at.get(s.id)!, father], table: same })),
        ...(rest > 1e-9 ? [{ weight: rest, vars: [father], table: stranger }] : []),
      ]
      return sumFactors(n, [...known.map(s => at.get(s.id)!), father], parts)
    })
  return { factors, fathers }
}

const fatherOfCounted = (c: CountedYoung) =>
  sharedFather({ id: '', damId: c.damId, sires: c.sires, clutchId: c.clutchId })

/** All factors of a family at one locus. */
function factorsOf(family: Family, locus: KnownLocus, ids: readonly string[], of: string): Factor[] {
  const genotypes = genotypesOf(locus)
  const n = genotypes.length
  const t = livingTransmission(locus)
  const at = new Map(ids.map((id, i) => [id, i]))
  const shared = fatherFactors(family, locus, ids, at)
  const { factors, summed } = broodFactors(family, locus, ids, of, t, shared.fathers)
  factors.push(...shared.factors)
  const unknownSire = unknownParent(locus, 'male')
  const unknownDam = unknownParent(locus, 'female')
  for (const id of ids) {
    if (summed.has(id)) continue
    const a = family.animals.get(id)!
    const v = at.get(id)!
    const own = ownWeights(family, locus, id)
    const dam = a.damId === null ? undefined : at.get(a.damId)
    const father = shared.fathers.get(sharedFather(a) ?? '')
    // as variables: the one father of the clutch, or those he may be
    const sires = a.clonal
      ? []
      : father !== undefined
        ? [{ at: father, chance: 1 }]
        : a.sires.flatMap(s => (at.has(s.id) && s.chance > 0 ? [{ at: at.get(s.id)!, chance: s.chance }] : []))
    const founder = dam === undefined && !sires.length
    if (founder)
      unknownBelief(locus, sexIn(family, id)).forEach((p, i) => {
        own[i]! *= p
      })
    factors.push({ vars: [v], table: Float64Array.from(own) })
    if (founder) continue
    if (a.clonal) {
      const same = new Float64Array(n * n)
      for (let g = 0; g < n; g++) same[g * n + g] = 1
      factors.push({ vars: [dam!, v], table: same })
      continue
    }
    // an unknown parent is one of unstated stock, summed out here
    const withoutSire = (known: number): Float64Array => {
      const table = new Float64Array(n * n)
      for (let d = 0; d < n; d++)
        for (let s = 0; s < n; s++)
          for (let g = 0; g < n; g++) table[d * n + g]! += known * unknownSire[s]! * t[(d * n + s) * n + g]!
      return table
    }
    const known = sires.reduce((sum, s) => sum + s.chance, 0)
    const open = 1 - known
    if (dam === undefined) {
      const ofSire = new Float64Array(n * n)
      const ofNobody = new Float64Array(n)
      for (let d = 0; d < n; d++) {
        for (let x = 0; x < n; x++) {
          for (let g = 0; g < n; g++) {
            const chance = unknownDam[d]! * t[(d * n + x) * n + g]!
            ofSire[x * n + g]! += chance
            ofNobody[g]! += unknownSire[x]! * chance
          }
        }
      }
      const parts = [
        ...sires.map(s => ({ weight: s.chance, vars: [s.at, v], table: ofSire })),
        ...(open > 1e-9 ? [{ weight: open, vars: [v], table: ofNobody }] : []),
      ]
      factors.push(sumFactors(n, [...new Set([...sires.map(s => s.at), v])], parts))
      continue
    }
    const parts = sires.map(s => ({ weight: s.chance, vars: [dam, s.at, v], table: t }))
    const rest = open > 1e-9 ? [{ weight: open, vars: [dam, v], table: withoutSire(1) }] : []
    factors.push(sumFactors(n, [...new Set([dam, ...sires.map(s => s.at), v])], [...parts, ...rest]))
  }
  for (const group of new Set(ids.flatMap(id => kinOf(family).countedOf.get(id) ?? []))) {
    const dam = at.get(group.damId)
    const father = shared.fathers.get(fatherOfCounted(group) ?? '')
    const sires =
      father !== undefined
        ? [{ at: father, chance: 1 }]
        : group.sires.flatMap(s => (at.has(s.id) && s.chance > 0 ? [{ at: at.get(s.id)!, chance: s.chance }] : []))
    if (dam === undefined) continue
    const chances = group.counts
      .filter(c => c.count > 0)
      .map(c => ({ count: c.count, table: lookChances(locus, c.look) }))
    const together = Float64Array.from({ length: n * n }, (_, pair) =>
      chances.reduce((product, c) => product * c.table[pair]! ** c.count, 1),
    )
    const known = sires.reduce((sum, s) => sum + s.chance, 0)
    const anyone = new Float64Array(n)
    for (let d = 0; d < n; d++) for (let s = 0; s < n; s++) anyone[d]! += unknownSire[s]! * together[d * n + s]!
    const parts = [
      ...sires.map(s => ({ weight: s.chance, vars: [dam, s.at], table: together })),
      ...(known < 1 - 1e-9 ? [{ weight: 1 - known, vars: [dam], table: anyone }] : []),
    ]
    factors.push(sumFactors(n, [...new Set([dam, ...sires.map(s => s.at)])], parts))
  }
  return factors
}

/**
 * What an animal is at one locus, given all that was stated and seen of it, its parents, young and further relatives.
 * Exact Bayes over the pedigree by variable elimination; relatives beyond the nearest 600 (fewer where the family is
 * very entangled) are left out, and that is told. Loci are taken as unlinked.
 * @throws GeneticsError when what was written contradicts itself, or names what the locus does not have
 */
export function familyBelief(family: Family, locus: KnownLocus, of: string): FamilyBelief {
  const kin = kinOf(family)
  const n = genotypesOf(locus).length
  for (let most = MOST_RELATIVES; ; most = Math.floor(most / 2)) {
    const near = neighbourhood(family, kin, of, most)
    const ids = withoutSilent(family, locus, kin, near.ids, of)
    try {
      const weights = marginal(ids.indexOf(of), factorsOf(family, locus, ids, of), n)
      return { belief: normalised(weights), relatives: ids.length - 1, cut: near.cut }
    } catch (error) {
      if (!(error instanceof TooManyRelatives) || most < 2) throw error
    }
  }
}
