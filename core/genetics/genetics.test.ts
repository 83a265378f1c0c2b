import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import type { Ancestry } from '../pedigree'
import {
  GeneticsError,
  LocusData,
  knownLocus,
  atLeast,
  binomial,
  carries,
  carriesAfter,
  clutchChances,
  cross,
  eggChance,
  familyBelief,
  fitsSex,
  genotypesOf,
  harmOf,
  lookOf,
  looksOf,
  routesTo,
  statedBelief,
  tellGenotype,
  transmission,
  unknownBelief,
  youngToProve,
  type Belief,
  type CrossLocus,
  type Family,
  type GeneFacts,
  type KnownLocus,
  type KnownSex,
} from '.'

type AlleleIn = LocusData['alleles'][number]
const allele = (sign: string, mode: AlleleIn['mode'], part: Partial<AlleleIn> = {}): AlleleIn => ({
  sign,
  mode,
  look: sign,
  doubleLook: null,
  double: 'well',
  ...part,
})
/** Where nothing is said an allele is rare: half a percent, common practice, no source. */
const locus = (name: string, alleles: AlleleIn[], linkage: LocusData['linkage'] = 'autosomal'): KnownLocus =>
  knownLocus(LocusData.parse({ name, speciesId: 'x', linkage, alleles }), 0.005)
const is = (l: LocusData, text: string): Belief => genotypesOf(l).map(g => (tellGenotype(l, g) === text ? 1 : 0))
const mate = (l: LocusData, dam: string, sire: string): CrossLocus => ({ locus: l, dam: is(l, dam), sire: is(l, sire) })
const table = (rows: { chance: number; looks: string[]; sex: string | null }[]) =>
  Object.fromEntries(
    rows.map(r => [
      [...(r.sex ? [r.sex] : []), ...r.looks.map(x => x || 'wild')].join(' '),
      Number(r.chance.toFixed(9)),
    ]),
  )

const a = locus('a', [allele('a', 'recessive')])
const b = locus('b', [allele('b', 'recessive')])
const w = locus('white', [allele('w', 'recessive')], 'X')
const barred = locus('barred', [allele('B', 'dominant')], 'Z')

describe('textbook crosses', () => {
  it('Mendel’s monohybrid: 1 : 2 : 1 by genotype, 3 : 1 by look', () => {
    const young = cross([mate(a, '+/a', '+/a')])
    expect(Object.fromEntries(young.genotypes.map(r => [r.genotypes[0], r.chance]))).toEqual({
      '+/+': 0.25,
      '+/a': 0.5,
      'a/a': 0.25,
    })
    expect(table(young.looks)).toEqual({ wild: 0.75, a: 0.25 })
  })

  it('Mendel’s dihybrid: 9 : 3 : 3 : 1', () => {
    expect(table(cross([mate(a, '+/a', '+/a'), mate(b, '+/b', '+/b')]).looks)).toEqual({
      'wild wild': 9 / 16,
      'wild b': 3 / 16,
      'a wild': 3 / 16,
      'a b': 1 / 16,
    })
  })

  it('the snapdragon’s incomplete dominance: red, pink, white as 1 : 2 : 1', () => {
    const snap = locus('colour', [allele('r', 'incomplete', { look: 'pink', doubleLook: 'white' })])
    expect(table(cross([mate(snap, '+/r', '+/r')]).looks)).toEqual({ wild: 0.25, pink: 0.5, white: 0.25 })
  })

  it('Cuénot’s yellow mice: the lethal double form leaves 2 : 1, and a quarter of the young is lost', () => {
    const yellow = locus('agouti', [allele('Y', 'dominant', { double: 'lethal' })])
    const young = cross([mate(yellow, '+/Y', '+/Y')])
    expect(young.looks.map(l => [l.looks[0], l.chance])).toEqual([
      ['Y', expect.closeTo(2 / 3, 12)],
      ['', expect.closeTo(1 / 3, 12)],
    ])
    expect(young.lost).toBeCloseTo(0.25, 12)
    expect(eggChance([mate(yellow, '+/Y', '+/Y')], { sex: null, loci: [{ look: 'Y' }] })).toEqual([
      { weight: 1, chance: 0.5 },
    ])
  })

  it('Morgan’s white eyes (XY): criss-cross from a white dam, and the F2', () => {
    expect(table(cross([mate(w, 'w/w', '+/–')]).looks)).toEqual({ 'female wild': 0.5, 'male w': 0.5 })
    expect(table(cross([mate(w, '+/w', '+/–')]).looks)).toEqual({
      'female wild': 0.5,
      'male wild': 0.25,
      'male w': 0.25,
    })
  })

  it('barred hens (ZW): a barred hen with a plain cock gives barred sons and plain daughters', () => {
    expect(table(cross([mate(barred, 'B/–', '+/+')]).looks)).toEqual({ 'female wild': 0.5, 'male B': 0.5 })
  })

  it('an allelic series as in the ABO groups: AO × BO gives four looks by quarters', () => {
    const abo = locus('abo', [allele('A', 'dominant'), allele('B', 'dominant')])
    expect(table(cross([mate(abo, '+/A', '+/B')]).looks)).toEqual({ 'wild': 0.25, 'A': 0.25, 'B': 0.25, 'A/B': 0.25 })
  })

  it('two recessives of one locus meet in one look; of two loci they make none', () => {
    const series = locus('albino', [allele('t+', 'recessive'), allele('t-', 'recessive')])
    expect(table(cross([mate(series, 't+/t+', 't-/t-')]).looks)).toEqual({ 't+/t-': 1 })
    expect(table(cross([mate(a, 'a/a', '+/+'), mate(b, '+/+', 'b/b')]).looks)).toEqual({ 'wild wild': 1 })
  })

  it('the normal-looking young of two hets are het by two thirds; of het × normal by half (common practice, no source)', () => {
    const young = cross([mate(a, '+/a', '+/a')]).genotypes.filter(r => r.looks[0] === '')
    expect(young.find(r => r.genotypes[0] === '+/a')!.chance / young.reduce((s, r) => s + r.chance, 0)).toBeCloseTo(
      2 / 3,
      12,
    )
    expect(cross([mate(a, '+/a', '+/+')]).genotypes.find(r => r.genotypes[0] === '+/a')!.chance).toBe(0.5)
  })
})

describe('chances in a clutch', () => {
  it('binomial: published tables give .8665 for at least one of 7 at ¼, .2639 for at least two of 10 at 0.1', () => {
    expect(atLeast(7, 1, 0.25)).toBeCloseTo(0.8665, 4)
    expect(atLeast(10, 2, 0.1)).toBeCloseTo(0.2639, 4)
    expect(binomial(5, 2, 0.5)).toBeCloseTo(0.3125, 12)
    expect(binomial(3000, 1500, 0.5)).toBeCloseTo(0.014566, 5)
  })

  it('young share their parents: a possible het gives all or nothing, not a mean', () => {
    const dam = statedBelief(a, ['+', 'a'], 0.5, 'female')
    const chances = eggChance([{ locus: a, dam, sire: is(a, 'a/a') }], { sex: null, loci: [{ look: 'a' }] })
    expect([...chances].sort((x, y) => x.chance - y.chance)).toEqual([
      { weight: 0.5, chance: 0 },
      { weight: 0.5, chance: 0.5 },
    ])
    const clutch = clutchChances(chances, { earliest: 8, likely: 8, latest: 8 }, 1)
    expect(clutch.expected).toBeCloseTo(2, 12)
    expect(clutch.atLeast[0]).toBeCloseTo(0.5 * (1 - 0.5 ** 8), 12)
  })

  it('a spread of eggs and losses thin the chance', () => {
    const chances = eggChance([mate(a, '+/a', '+/a')], { sex: 'female', loci: [{ look: 'a' }] })
    expect(chances).toEqual([{ weight: 1, chance: 0.125 }])
    const sure = clutchChances(chances, { earliest: 8, likely: 8, latest: 8 }, 1)
    const thin = clutchChances(chances, { earliest: 4, likely: 8, latest: 12 }, 0.8)
    expect(thin.atLeast[0]!).toBeLessThan(sure.atLeast[0]!)
    expect(thin.expected).toBeCloseTo(0.8, 6)
  })

  it('either sex of a sex-linked look with uncertain parents agrees with the plain mean', () => {
    const loci = [
      { locus: w, dam: statedBelief(w, ['+', 'w'], 0.5, 'female'), sire: is(w, 'w/–') },
      { locus: a, dam: statedBelief(a, ['+', 'a'], 0.6, 'female'), sire: is(a, 'a/a') },
    ]
    const chances = eggChance(loci, { sex: null, loci: [{ look: 'w' }, { look: 'a' }] })
    const mean = chances.reduce((sum, c) => sum + c.weight * c.chance, 0)
    expect(mean).toBeCloseTo(
      cross(loci)
        .looks.filter(l => l.looks.join() === 'w,a')
        .reduce((s, l) => s + l.chance, 0),
      9,
    )
    expect(chances.reduce((sum, c) => sum + c.weight, 0)).toBeCloseTo(1, 12)
  })
})

describe('proving', () => {
  // textbook test matings: 5 and 7 young with a mate that shows it; 11 with a carrier, 17 for 99 % (16 is 98.998 %)
  it.each([
    [0.5, 0.95, 5],
    [0.5, 0.99, 7],
    [0.25, 0.95, 11],
    [0.25, 0.99, 17],
  ])('shows %d, level %d: %d young', (shows, level, young) => {
    expect(youngToProve(0.5, shows, level).toDetect).toBe(young)
    expect(1 - (1 - shows) ** young).toBeGreaterThanOrEqual(level)
    expect(1 - (1 - shows) ** (young - 1)).toBeLessThan(level)
  })

  it('from a chance of two thirds Bayes asks for one young more', () => {
    const { toDisprove } = youngToProve(2 / 3, 0.5, 0.95)
    expect(toDisprove).toBe(6)
    expect(carriesAfter(2 / 3, 0.5, toDisprove)).toBeLessThanOrEqual(0.05)
    expect(carriesAfter(2 / 3, 0.5, toDisprove - 1)).toBeGreaterThan(0.05)
    expect(youngToProve(0.02, 0.5, 0.95).toDisprove).toBe(0)
    expect(youngToProve(1, 0.5, 0.95).toDisprove).toBe(Infinity)
    expect(() => youngToProve(1.2, 0.5, 0.95)).toThrow('120 %')
    expect(() => youngToProve(0.5, 0, 0.95)).toThrow(GeneticsError)
  })
})

function family(
  animals: Ancestry[],
  facts: Record<string, Partial<GeneFacts>>,
  counted: Family['counted'] = [],
): Family {
  return {
    animals: new Map(animals.map(x => [x.id, x])),
    facts: id => ({ sex: 'unknown', stated: null, look: null, ...facts[id] }),
    counted,
  }
}
const child = (id: string, damId: string | null, ...sires: string[]): Ancestry => ({
  id,
  damId,
  sires: sires.map(s => ({ id: s, chance: 1 / sires.length })),
})
const stated = (...signs: string[]) => ({ signs, chance: 1 })

describe('an animal of which nothing is known', () => {
  const common = knownLocus(LocusData.parse({ ...a, unstatedShare: 0.1 }), 0.005)
  const only = (look?: string) => family([child('x', null)], look === undefined ? {} : { x: { look } })

  it('is as its locus says alleles are shared out: by Hardy and Weinberg, p², 2pq, q²', () => {
    const near = (belief: Belief, wanted: number[]) =>
      belief.forEach((p, i) => {
        expect(p).toBeCloseTo(wanted[i]!, 12)
      })
    near(unknownBelief(common, 'male'), [0.81, 0.18, 0.01])
    // where nothing is said of the locus the usual share counts, here half a percent
    near(unknownBelief(a, 'male'), [0.995 ** 2, 2 * 0.995 * 0.005, 0.005 ** 2])
  })

  it('of the wild look carries a common recessive with a chance of 2q ⁄ (1 + q) (textbook of population genetics)', () => {
    expect(carries(common, familyBelief(only(''), common, 'x').belief, 1)).toBeCloseTo(0.2 / 1.1, 12)
    expect(carries(a, familyBelief(only(''), a, 'x').belief, 1)).toBeCloseTo(0.01 / 1.005, 12)
    expect(carries(common, familyBelief(only('a'), common, 'x').belief, 1)).toBe(1)
  })

  it('adds up to one for any share that is taken, with as many alleles as a locus may have', () => {
    const six = ['a', 'b', 'c', 'd', 'e', 'f'].map(sign => allele(sign, 'recessive'))
    for (const unstatedShare of [0.0001, 0.01, 0.15]) {
      const belief = unknownBelief(knownLocus(LocusData.parse({ ...a, alleles: six, unstatedShare }), 0.005), 'female')
      expect(belief.every(p => p > 0)).toBe(true)
      expect(belief.reduce((x, y) => x + y, 0)).toBeCloseTo(1, 12)
    }
    // whatever the house takes as usual: something is left for the wild one
    for (const usual of [0, 0.02, 0.9]) {
      const { unstatedShare: _, ...unsaid } = a
      const belief = unknownBelief(knownLocus(LocusData.parse({ ...unsaid, alleles: six }), usual), 'female')
      expect(belief.every(p => p > 0)).toBe(true)
    }
    for (const [unstatedShare, why] of [
      [0, /was seen/],
      [-0.1, /was seen/],
      [0.2, /At most 15 %/],
      [Number.NaN, /must be a number/],
    ] as const)
      expect(LocusData.safeParse({ ...a, unstatedShare }).error!.issues[0]!.message).toMatch(why)
  })
})

describe('what a family says of one animal', () => {
  it('the normal-looking sib of a shown recessive is a carrier by two thirds', () => {
    const f = family([child('d', null), child('s', null), child('x', 'd', 's'), child('y', 'd', 's')], {
      d: { stated: stated('+', 'a') },
      s: { stated: stated('+', 'a') },
      x: { look: '' },
      y: { look: 'a' },
    })
    expect(carries(a, familyBelief(f, a, 'x').belief, 1)).toBeCloseTo(2 / 3, 12)
  })

  it('the parents of a shown recessive carry it, though nothing was stated', () => {
    const f = family([child('d', null), child('s', null), child('y', 'd', 's')], {
      d: { look: '' },
      s: { look: '' },
      y: { look: 'a' },
    })
    expect(carries(a, familyBelief(f, a, 'd').belief, 1)).toBeCloseTo(1, 12)
  })

  it('carrier’s daughter with three healthy sons, X-linked: one in nine (standard example of genetic counselling)', () => {
    const f = family(
      [
        child('g', null),
        child('gs', null),
        child('x', 'g', 'gs'),
        child('m', null),
        child('k1', 'x', 'm'),
        child('k2', 'x', 'm'),
        child('k3', 'x', 'm'),
      ],
      {
        g: { sex: 'female', stated: stated('+', 'w') },
        gs: { sex: 'male', stated: stated('+') },
        x: { sex: 'female' },
        m: { sex: 'male', stated: stated('+') },
        k1: { sex: 'male', look: '' },
        k2: { sex: 'male', look: '' },
        k3: { sex: 'male', look: '' },
      },
    )
    expect(carries(w, familyBelief(f, w, 'x').belief, 1)).toBeCloseTo(1 / 9, 12)
  })

  it('young counted by look do the same as cards', () => {
    const mates = [child('d', null), child('s', null)]
    const facts = { d: { stated: { signs: ['+', 'a'], chance: 0.66 } }, s: { stated: stated('a', 'a') } }
    const counted = family(mates, facts, [
      { damId: 'd', sires: [{ id: 's', chance: 1 }], counts: [{ look: '', count: 5 }] },
    ])
    const carded = family([...mates, ...['1', '2', '3', '4', '5'].map(i => child(i, 'd', 's'))], {
      ...facts,
      ...Object.fromEntries(['1', '2', '3', '4', '5'].map(i => [i, { look: '' }])),
    })
    const expected = 0.66 / 32 / (0.66 / 32 + 0.34)
    expect(carries(a, familyBelief(counted, a, 'd').belief, 1)).toBeCloseTo(expected, 12)
    expect(carries(a, familyBelief(carded, a, 'd').belief, 1)).toBeCloseTo(expected, 12)
  })

  it('three hundred young without the look disprove a carrier as the formula says, and do not vanish below the smallest number', () => {
    const brood = Array.from({ length: 300 }, (_, i) => child(`k${i}`, 'd', 's'))
    const f = family([child('d', null), child('s', null), ...brood], {
      d: { stated: { signs: ['+', 'a'], chance: 0.9 } },
      s: { stated: stated('a', 'a') },
      ...Object.fromEntries(brood.map((k, i) => [k.id, { look: i < 4 ? '' : null }])),
    })
    expect(carries(a, familyBelief(f, a, 'd').belief, 1)).toBeCloseTo(carriesAfter(0.9, 0.5, 4), 12)
    const shown = family([child('d', null), child('s', null), ...brood], {
      d: { look: '' },
      s: { look: '' },
      ...Object.fromEntries(brood.map((k, i) => [k.id, { look: i === 77 ? 'a' : '' }])),
    })
    const found = familyBelief(shown, a, 'k5')
    expect(found.cut).toBe(false)
    expect(carries(a, found.belief, 1)).toBeCloseTo(2 / 3, 9)
  })

  it('young that live are all that is seen: a lethal double form says nothing against its carriers', () => {
    const yellow = locus('agouti', [allele('Y', 'dominant', { double: 'lethal' })])
    const f = family([child('d', null), child('s', null), child('x', 'd', 's')], {
      d: { stated: { signs: ['+', 'Y'], chance: 0.5 }, look: null },
      s: { stated: stated('+', 'Y') },
    })
    expect(carries(yellow, familyBelief(f, yellow, 'd').belief, 1)).toBeCloseTo(0.5, 12)
    // of two carriers’ living young two thirds carry (Cuénot 1905)
    const both = family([child('d', null), child('s', null), child('x', 'd', 's')], {
      d: { stated: stated('+', 'Y') },
      s: { stated: stated('+', 'Y') },
    })
    expect(carries(yellow, familyBelief(both, yellow, 'x').belief, 1)).toBeCloseTo(2 / 3, 12)
  })

  it('a possible het with silent forebears is what was stated, and its parents hear of it; where they speak, they rule', () => {
    const animals = [child('d', null), child('s', null), child('x', 'd', 's')]
    const possible = { x: { stated: { signs: ['+', 'a'], chance: 0.66 } } }
    const silent = family(animals, possible)
    expect(carries(a, familyBelief(silent, a, 'x').belief, 1)).toBeCloseTo(0.66, 9)
    expect(carries(a, familyBelief(silent, a, 'd').belief, 1)).toBeGreaterThan(0.3)
    // het × normal gives one half, whatever the dealer said
    const told = family(animals, { ...possible, d: { stated: stated('+', 'a') }, s: { stated: stated('+', '+') } })
    expect(carries(a, familyBelief(told, a, 'x').belief, 1)).toBeCloseTo(0.5, 12)
    // a grandparent speaks too
    const grand = family(
      [child('g', null), child('h', null), child('d', 'g', 'h'), child('s', null), child('x', 'd', 's')],
      {
        ...possible,
        g: { stated: stated('+', 'a') },
        h: { stated: stated('+', '+') },
        s: { stated: stated('+', '+') },
      },
    )
    expect(carries(a, familyBelief(grand, a, 'x').belief, 1)).toBeCloseTo(0.25, 12)
  })

  it('of two possible sires the one that can have made the look becomes the likelier carrier', () => {
    const f = family([child('d', null), child('s', null), child('z', null), child('y', 'd', 's', 'z')], {
      d: { stated: stated('a', 'a') },
      s: { stated: { signs: ['+', 'a'], chance: 0.5 } },
      z: { stated: stated('+', '+') },
      y: { look: 'a' },
    })
    expect(carries(a, familyBelief(f, a, 's').belief, 1)).toBeCloseTo(1, 12)
  })

  it('the young of a clonal mother is what she is', () => {
    const f = family([child('d', null), { id: 'c', damId: 'd', sires: [], clonal: true }], {
      d: { stated: stated('+', 'a') },
    })
    expect(carries(a, familyBelief(f, a, 'c').belief, 1)).toBeCloseTo(1, 12)
  })

  it('statements that cannot both be are refused in words', () => {
    const f = family([child('d', null), child('s', null), child('y', 'd', 's')], {
      d: { stated: stated('+', '+') },
      s: { stated: stated('a', 'a') },
      y: { look: 'a' },
    })
    expect(() => familyBelief(f, a, 'y')).toThrow('contradict each other')
    expect(() => statedBelief(a, ['+', 'z'], 1, 'unknown')).toThrow('has no allele “z”; it has +, a')
    expect(() => statedBelief(a, ['+', 'a'], 1.3, 'unknown')).toThrow('130 %')
    expect(() => statedBelief(w, ['w', 'w'], 1, 'male')).toThrow('A male has one copy of white')
  })

  it('an inbred family of forty is still summed exactly, and a huge one is cut and says so', () => {
    const animals = [child('s0', null), child('d0', null)]
    for (let t = 1; t < 20; t++)
      animals.push(child(`s${t}`, `d${t - 1}`, `s${t - 1}`), child(`d${t}`, `d${t - 1}`, `s${t - 1}`))
    const line = family(animals, {
      s0: { stated: stated('+', 'a') },
      d0: { stated: stated('+', '+') },
      s19: { look: 'a' },
    })
    const found = familyBelief(line, a, 's18')
    expect(found.cut).toBe(false)
    expect(carries(a, found.belief, 1)).toBeCloseTo(1, 9)
    const many = Array.from({ length: 700 }, (_, i) => child(`k${i}`, 'd0', 's0'))
    const wide = family(
      [...animals, ...many],
      Object.fromEntries([['s0', { stated: stated('+', 'a') }], ...many.map(m => [m.id, { look: '' }])]),
    )
    expect(familyBelief(wide, a, 'd0').cut).toBe(true)
  })
})

/** All genotypes of a small family listed one by one: the plainest way to the same sum. */
function byListing(f: Family, l: KnownLocus, of: string): number[] {
  const ids = [...f.animals.keys()]
  const genotypes = genotypesOf(l)
  const n = genotypes.length
  const t = transmission(l)
  const sums = new Array<number>(n).fill(0)
  const value = new Map<string, number>()
  const go = (i: number, weight: number): void => {
    if (weight === 0) return
    if (i === ids.length) {
      sums[value.get(of)!]! += weight
      return
    }
    const id = ids[i]!
    const { damId, sires } = f.animals.get(id)!
    const facts = f.facts(id)
    const prior = facts.stated
      ? statedBelief(l, facts.stated.signs, facts.stated.chance, facts.sex)
      : unknownBelief(l, facts.sex)
    for (let g = 0; g < n; g++) {
      if (!fitsSex(l, genotypes[g]!, facts.sex) || (facts.look !== null && lookOf(l, genotypes[g]!) !== facts.look))
        continue
      value.set(id, g)
      go(i + 1, weight * (damId === null ? prior[g]! : t[(value.get(damId)! * n + value.get(sires[0]!.id)!) * n + g]!))
    }
  }
  go(0, 1)
  const total = sums.reduce((x, y) => x + y, 0)
  return sums.map(s => s / total)
}

describe('properties', () => {
  const chance = fc.integer({ min: 0, max: 100 }).map(x => x / 100)
  const linkage = fc.constantFrom('autosomal' as const, 'Z' as const, 'X' as const)
  const loci = fc
    .tuple(
      linkage,
      fc.array(
        fc.tuple(
          fc.constantFrom('recessive' as const, 'dominant' as const, 'incomplete' as const),
          fc.constantFrom('well' as const, 'weak' as const, 'lethal' as const),
        ),
        { minLength: 1, maxLength: 3 },
      ),
    )
    .map(([link, alleles]) =>
      locus(
        'l',
        alleles.map(([mode, double], i) => allele(`q${i}`, mode, { double, doubleLook: `Q${i}` })),
        link,
      ),
    )
  const beliefOf = (l: LocusData, sex: KnownSex, weights: number[]): Belief => {
    const raw = genotypesOf(l).map((g, i) =>
      fitsSex(l, g, sex) && harmOf(l, g) !== 'lethal' ? weights[i % weights.length]! + 0.01 : 0,
    )
    const total = raw.reduce((x, y) => x + y, 0)
    return raw.map(x => x / total)
  }

  it('all chances of a cross add up to 1, by genotype and by look, with what is lost between 0 and 1', () => {
    fc.assert(
      fc.property(
        fc.array(loci, { minLength: 1, maxLength: 3 }),
        fc.array(chance, { minLength: 3, maxLength: 6 }),
        (ls, weights) => {
          const young = cross(
            ls.map(l => ({
              locus: l,
              dam: beliefOf(l, 'female', weights),
              sire: beliefOf(l, 'male', [...weights].reverse()),
            })),
          )
          expect(young.genotypes.reduce((s, r) => s + r.chance, 0) + young.left.chance).toBeCloseTo(1, 9)
          if (young.left.rows === 0) expect(young.looks.reduce((s, r) => s + r.chance, 0)).toBeCloseTo(1, 9)
          expect(young.lost).toBeGreaterThanOrEqual(-1e-12)
          expect(young.lost).toBeLessThan(1)
        },
      ),
      { numRuns: 120 },
    )
  })

  it('variable elimination gives what listing every case gives', () => {
    fc.assert(
      fc.property(
        linkage,
        fc.array(fc.tuple(fc.nat(), fc.nat(), fc.constantFrom(null, '', 'a')), { minLength: 3, maxLength: 6 }),
        chance,
        (link, rows, c) => {
          const l = locus('l', [allele('a', 'recessive')], link)
          const sexes: Record<string, KnownSex> = {}
          const animals: Ancestry[] = rows.map(([d, s], i) => {
            sexes[`n${i}`] = i % 2 ? 'male' : 'female'
            if (i < 2) return child(`n${i}`, null)
            const [dams, sires] = [0, 1].map(r => Array.from({ length: i }, (_, k) => k).filter(k => k % 2 === r))
            return child(`n${i}`, `n${dams![d % dams!.length]}`, `n${sires![s % sires!.length]}`)
          })
          const carrierSigns = link === 'Z' ? ['+'] : ['+', 'a']
          const f = family(
            animals,
            Object.fromEntries(
              rows.map(([, , look], i) => [
                `n${i}`,
                {
                  sex: sexes[`n${i}`],
                  look: i > 1 ? look : null,
                  stated: i === 0 ? { signs: carrierSigns, chance: c } : null,
                },
              ]),
            ),
          )
          let expected: number[]
          try {
            expected = byListing(f, l, 'n2')
          } catch {
            return
          }
          if (expected.some(Number.isNaN)) expect(() => familyBelief(f, l, 'n2')).toThrow(GeneticsError)
          else familyBelief(f, l, 'n2').belief.forEach((p, i) => expect(p).toBeCloseTo(expected[i]!, 9))
        },
      ),
      { numRuns: 120 },
    )
  })
})

describe('the way to a wished genotype', () => {
  const stock = (id: string, sex: KnownSex, ...beliefs: Belief[]) => ({ id, sex, beliefs })

  it('two recessives from two single ones: both kinds of het, then one in sixteen (textbook)', () => {
    const routes = routesTo(
      [a, b],
      ['a/a', 'b/b'],
      [stock('d', 'female', is(a, 'a/a'), is(b, '+/+')), stock('s', 'male', is(a, '+/+'), is(b, 'b/b'))],
      3,
    )
    const [quick] = routes
    expect(quick!.generations).toBe(2)
    expect(quick!.years).toBe(6)
    // a het daughter and a het son, each half of the young: 2 + 2, then 16
    expect(quick!.young).toBeCloseTo(20, 9)
    expect(quick!.steps.map(s => [s.generation, s.keep, s.sex])).toEqual([
      [1, '+/a +/b', 'female'],
      [1, '+/a +/b', 'male'],
      [2, 'a/a b/b', null],
    ])
    // a third generation never raises fewer: one a/a +/b of the F2 (16) with an F1 (2) gives 1 in 8, so 4 + 16 + 2 + 8
    expect(routes).toHaveLength(1)
  })

  it('carriers that look like others have to be kept and tried', () => {
    const [route] = routesTo([a], ['a/a'], [stock('d', 'female', is(a, '+/a')), stock('s', 'male', is(a, '+/+'))], 2)
    expect(route!.generations).toBe(2)
    // half of the normal-looking sons carry: two kept for one; a son with his dam gives a quarter
    expect(route!.steps.map(s => [s.keep, s.young, s.holdbacks])).toEqual([
      ['+/a', 4, 2],
      ['a/a', 4, 1],
    ])
  })

  it('says nothing when there is no way, and refuses what cannot be asked', () => {
    expect(routesTo([a], ['a/a'], [stock('d', 'female', is(a, '+/+')), stock('s', 'male', is(a, '+/+'))], 2)).toEqual(
      [],
    )
    expect(() => routesTo([a], ['z/z'], [], 2)).toThrow('no genotype “z/z”')
    expect(() => routesTo([a, a, a, a], [null, null, null, null], [], 2)).toThrow('at most 3')
  })

  it('the least cost agrees with trying every plan of two generations', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('+/+', '+/a', 'a/a'), { minLength: 2, maxLength: 2 }),
        fc.array(fc.constantFrom('+/+', '+/b', 'b/b'), { minLength: 2, maxLength: 2 }),
        (as, bs) => {
          const own = [
            stock('d', 'female', is(a, as[0]!), is(b, bs[0]!)),
            stock('s', 'male', is(a, as[1]!), is(b, bs[1]!)),
          ]
          const states = genotypesOf(a).flatMap(g =>
            genotypesOf(b).map(h => [tellGenotype(a, g), tellGenotype(b, h)] as const),
          )
          const young = (d: readonly Belief[], s: readonly Belief[], want: readonly [string, string]) =>
            cross([
              { locus: a, dam: d[0]!, sire: s[0]! },
              { locus: b, dam: d[1]!, sire: s[1]! },
            ]).genotypes.find(r => r.genotypes.join() === want.join())?.chance ?? 0
          const certain = (x: readonly [string, string]) => [is(a, x[0]), is(b, x[1])]
          let least = 1 / young(own[0]!.beliefs, own[1]!.beliefs, ['a/a', 'b/b'])
          const kept = states
            .map(x => ({ x, cost: 2 / young(own[0]!.beliefs, own[1]!.beliefs, x) }))
            .filter(k => k.cost < Infinity)
          const dams = [
            { beliefs: own[0]!.beliefs, cost: 0 },
            ...kept.map(k => ({ beliefs: certain(k.x), cost: k.cost })),
          ]
          const sires = [
            { beliefs: own[1]!.beliefs, cost: 0 },
            ...kept.map(k => ({ beliefs: certain(k.x), cost: k.cost })),
          ]
          for (const d of dams)
            for (const s of sires)
              least = Math.min(least, d.cost + s.cost + 1 / young(d.beliefs, s.beliefs, ['a/a', 'b/b']))
          const found = routesTo([a, b], ['a/a', 'b/b'], own, 1).filter(r => r.generations <= 2)
          if (least === Infinity) expect(found).toEqual([])
          else expect(Math.min(...found.map(r => r.young))).toBeCloseTo(least, 6)
        },
      ),
      { numRuns: 40 },
    )
  })
})

describe('what a locus may be', () => {
  it('keeps trade names apart and refuses what makes no sense', () => {
    const parse = (part: object) =>
      LocusData.safeParse({ name: 'x', speciesId: 'y', alleles: [allele('a', 'recessive')], ...part })
    expect(parse({}).success).toBe(true)
    expect(parse({ alleles: [] }).error!.issues[0]!.message).toMatch(/at least one allele/)
    expect(
      parse({ alleles: [allele('a', 'recessive'), allele('a', 'dominant', { look: 'z' })] }).error!.issues[0]!.message,
    ).toMatch(/same sign/)
    expect(
      parse({ alleles: [allele('a', 'recessive', { look: 'pale' }), allele('b', 'recessive', { look: 'Pale' })] })
        .error!.issues[0]!.message,
    ).toMatch(/look alike/)
    expect(parse({ alleles: [allele('+', 'recessive')] }).error!.issues[0]!.message).toMatch(/wild allele/)
    expect(looksOf(locus('i', [allele('i', 'incomplete', { look: 'one', doubleLook: 'two' })]))).toEqual([
      '',
      'one',
      'two',
    ])
  })
})
