import type { Belief } from './belief'
import {
  genotypesOf,
  harmOf,
  lookOf,
  tellGenotype,
  transmission,
  GeneticsError,
  fitsSex,
  type KnownSex,
  type LocusData,
} from './locus'

/** An animal at hand: what it is at each locus of the wish. */
export interface Stock {
  id: string
  sex: KnownSex
  beliefs: readonly Belief[]
}

/** One mating of a plan, and what is kept from it. */
export interface RouteStep {
  generation: number
  /** Animals at hand by id, or what was kept from an earlier step by its number. */
  dam: { stockId: string } | { step: number }
  sire: { stockId: string } | { step: number }
  keep: string
  sex: KnownSex | null
  /** Chance of such a young, of that sex. */
  chance: number
  /** Young to raise until one such is among them, on average. */
  young: number
  /** Animals kept, of those that look alike, until one of them is it. */
  holdbacks: number
}

export interface Route {
  generations: number
  years: number
  /** Expected young raised over all steps. */
  young: number
  holdbacks: number
  steps: RouteStep[]
}

const MOST_LOCI = 3
const MOST_GENERATIONS = 5

interface Item {
  /** Combined index over the loci, of certain animals; or one of the stock. */
  beliefs: readonly Belief[]
  stockId: string | null
  state: number
  sex: KnownSex
}

interface Made {
  cost: number
  from: { dam: number; sire: number; chance: number; alike: number } | null
}

/** Every combined genotype over the loci. */
function statesOf(loci: readonly LocusData[]): number[][] {
  return loci.reduce<number[][]>(
    (all, locus) => all.flatMap(before => genotypesOf(locus).map((_, i) => [...before, i])),
    [[]],
  )
}

/**
 * The cheapest ways from the animals at hand to a wished genotype: for each number of generations the plan with the
 * fewest expected young. Every kept animal is raised for its one mating, and a wished sex halves its chance; where
 * carriers look like others, each has to be kept and tried. Within this reckoning the search is exact: the least cost
 * of each genotype and sex by generation, from those of the generation before (dynamic programming).
 * @param wish genotype at each locus, as `tellGenotype` writes it; null = any
 * @param yearsPerGeneration from one birth to the next, years
 * @throws GeneticsError for more than three loci or a genotype that a locus does not have
 */
export function routesTo(
  loci: readonly LocusData[],
  wish: readonly (string | null)[],
  stock: readonly Stock[],
  yearsPerGeneration: number,
): Route[] {
  if (loci.length > MOST_LOCI) throw new GeneticsError(`A route is searched over at most ${MOST_LOCI} loci`)
  const genotypes = loci.map(l => genotypesOf(l))
  const wanted = wish.map((w, l) => (w === null ? null : genotypes[l]!.findIndex(g => tellGenotype(loci[l]!, g) === w)))
  wanted.forEach((w, l) => {
    if (w === -1) throw new GeneticsError(`${loci[l]!.name} has no genotype “${wish[l]}”`)
  })
  const states = statesOf(loci)
  const looks = states.map(s => s.map((g, l) => lookOf(loci[l]!, genotypes[l]![g]!)).join('|'))
  const lives = states.map(s => s.every((g, l) => harmOf(loci[l]!, genotypes[l]![g]!) !== 'lethal'))
  const fits = (state: number, sex: KnownSex) =>
    lives[state]! && states[state]!.every((g, l) => fitsSex(loci[l]!, genotypes[l]![g]!, sex))
  const wishOf = states.map((s, i) => lives[i]! && s.every((g, l) => wanted[l] === null || wanted[l] === g))
  const sure = (state: number) => states[state]!.map((g, l) => genotypes[l]!.map((_, i) => (i === g ? 1 : 0)))

  const items: Item[] = [
    ...stock.map(s => ({ beliefs: s.beliefs, stockId: s.id, state: -1, sex: s.sex })),
    ...(['female', 'male'] as const).flatMap(sex =>
      states.flatMap((_, state) => (fits(state, sex) ? [{ beliefs: sure(state), stockId: null, state, sex }] : [])),
    ),
  ]
  const females = items.flatMap((x, i) => (x.sex === 'female' ? [i] : []))
  const males = items.flatMap((x, i) => (x.sex === 'male' ? [i] : []))
  const tables = loci.map(l => transmission(l))

  const linked = loci.some(l => l.linkage !== 'autosomal')

  /** Chance of every combined genotype of the young of two items. */
  const pairs = new Map<number, Float64Array>()
  function youngOf(dam: number, sire: number): Float64Array {
    const key = dam * items.length + sire
    let chances = pairs.get(key)
    if (chances) return chances
    // within one sex the loci are independent: its half of a linked locus is its whole
    const sexes: (KnownSex | null)[] = linked ? ['female', 'male'] : [null]
    chances = new Float64Array(states.length)
    for (const sex of sexes) {
      let ofSex = new Float64Array([1])
      loci.forEach((locus, l) => {
        const n = genotypes[l]!.length
        const [bd, bs] = [items[dam]!.beliefs[l]!, items[sire]!.beliefs[l]!]
        const own = new Float64Array(n)
        for (let d = 0; d < n; d++)
          if (bd[d]! > 0)
            for (let s = 0; s < n; s++)
              if (bs[s]! > 0) for (let g = 0; g < n; g++) own[g]! += bd[d]! * bs[s]! * tables[l]![(d * n + s) * n + g]!
        if (sex !== null && locus.linkage !== 'autosomal')
          for (let g = 0; g < n; g++) own[g] = fitsSex(locus, genotypes[l]![g]!, sex) ? own[g]! * 2 : 0
        const next = new Float64Array(ofSex.length * n)
        for (let i = 0; i < ofSex.length; i++) for (let g = 0; g < n; g++) next[i * n + g] = ofSex[i]! * own[g]!
        ofSex = next
      })
      ofSex.forEach((p, i) => {
        chances![i]! += p / sexes.length
      })
    }
    pairs.set(key, chances)
    return chances
  }

  // best[t][item]: least expected young to have this item within t generations
  let best: Made[] = items.map(x => ({ cost: x.stockId !== null ? 0 : Infinity, from: null }))
  const layers: Made[][] = [best]
  const goals: { generation: number; made: Made; state: number }[] = []
  for (let t = 1; t <= MOST_GENERATIONS; t++) {
    const next = best.map(m => ({ ...m }))
    let goal: { made: Made; state: number } | null = null
    for (const d of females) {
      if (best[d]!.cost === Infinity) continue
      for (const s of males) {
        const cost = best[d]!.cost + best[s]!.cost
        if (cost === Infinity) continue
        const young = youngOf(d, s)
        const byLook = new Map<string, number>()
        for (let g = 0; g < young.length; g++)
          if (young[g]! > 0 && lives[g]) byLook.set(looks[g]!, (byLook.get(looks[g]!) ?? 0) + young[g]!)
        for (let i = stock.length; i < items.length; i++) {
          const { state } = items[i]!
          const chance = young[state]! * (linked ? 1 : 0.5)
          if (chance <= 0) continue
          const total = cost + 1 / chance
          if (total < next[i]!.cost - 1e-9)
            next[i] = {
              cost: total,
              from: { dam: d, sire: s, chance, alike: young[state]! / byLook.get(looks[state]!)! },
            }
        }
        let chance = 0
        for (let g = 0; g < young.length; g++) if (wishOf[g]) chance += young[g]!
        if (chance > 0 && (!goal || cost + 1 / chance < goal.made.cost - 1e-9)) {
          const state = wishOf.findIndex((w, g) => w && young[g]! > 0)
          goal = {
            made: {
              cost: cost + 1 / chance,
              from: { dam: d, sire: s, chance, alike: young[state]! / byLook.get(looks[state]!)! },
            },
            state,
          }
        }
      }
    }
    if (goal && (!goals.length || goal.made.cost < goals.at(-1)!.made.cost - 1e-9))
      goals.push({ generation: t, ...goal })
    best = next
    layers.push(best)
  }

  const tellState = (state: number) => states[state]!.map((g, l) => tellGenotype(loci[l]!, genotypes[l]![g]!)).join(' ')
  return goals.map(({ generation, made, state }) => {
    const steps: RouteStep[] = []
    const part = (item: number, t: number): RouteStep['dam'] => {
      const { stockId, state: own, sex } = items[item]!
      return stockId !== null ? { stockId } : { step: build(layers[t]![item]!, t, tellState(own), sex) }
    }
    function build(m: Made, t: number, keep: string, sex: KnownSex | null): number {
      const { dam, sire, chance, alike } = m.from!
      const [d, s] = [part(dam, t - 1), part(sire, t - 1)]
      const before = [d, s].flatMap(p => ('step' in p ? [steps[p.step]!.generation] : []))
      steps.push({
        generation: Math.max(0, ...before) + 1,
        dam: d,
        sire: s,
        keep,
        sex,
        chance,
        young: 1 / chance,
        holdbacks: 1 / alike,
      })
      return steps.length - 1
    }
    build(
      made,
      generation,
      wish.every(w => w === null) ? tellState(state) : wish.map((w, l) => w ?? `any ${loci[l]!.name}`).join(' '),
      null,
    )
    const made_ = Math.max(...steps.map(s => s.generation))
    return {
      generations: made_,
      years: made_ * yearsPerGeneration,
      young: made.cost,
      holdbacks: steps.reduce((sum, s) => sum + s.holdbacks, 0),
      steps,
    }
  })
}
