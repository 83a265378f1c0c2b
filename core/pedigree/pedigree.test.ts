import { shippedAlmanac } from '../almanac'
import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import {
  PedigreeError,
  drawPedigree,
  impossibleParent,
  inbreeding,
  kinshipsOf,
  lineHealth,
  pedigreeOf,
  relationshipMatrix,
  type Ancestry,
} from '.'

/** One line an animal: id, sire, dam; 0 or nothing = unknown. */
function of(...rows: [id: string, sire?: string | null, dam?: string | null][]): Ancestry[] {
  return rows.map(([id, sire, dam]) => ({ id, damId: dam ?? null, sires: sire ? [{ id: sire, chance: 1 }] : [] }))
}
function fOf(animals: Ancestry[], id: string): number {
  const p = pedigreeOf(animals)
  return inbreeding(p).f[p.index.get(id)!]!
}

describe('inbreeding against published values', () => {
  it.each<[string, Ancestry[], number]>([
    ['young of full sibs', of(['s'], ['d'], ['a', 's', 'd'], ['b', 's', 'd'], ['x', 'a', 'b']), 1 / 4],
    ['young of half sibs', of(['s'], ['d'], ['e'], ['a', 's', 'd'], ['b', 's', 'e'], ['x', 'a', 'b']), 1 / 8],
    ['sire with his daughter', of(['s'], ['d'], ['a', 's', 'd'], ['x', 's', 'a']), 1 / 4],
    [
      'uncle with niece',
      of(['g'], ['h'], ['u', 'g', 'h'], ['p', 'g', 'h'], ['m'], ['n', 'p', 'm'], ['x', 'u', 'n']),
      1 / 8,
    ],
    [
      'first cousins',
      of(
        ['g'],
        ['h'],
        ['u', 'g', 'h'],
        ['p', 'g', 'h'],
        ['m'],
        ['o'],
        ['c', 'u', 'o'],
        ['n', 'p', 'm'],
        ['x', 'c', 'n'],
      ),
      1 / 16,
    ],
    [
      'double first cousins',
      of(
        ['g'],
        ['h'],
        ['i'],
        ['j'],
        ['a', 'g', 'h'],
        ['b', 'g', 'h'],
        ['c', 'i', 'j'],
        ['d', 'i', 'j'],
        ['m', 'a', 'c'],
        ['n', 'b', 'd'],
        ['x', 'm', 'n'],
      ),
      1 / 8,
    ],
    // path coefficients: F = Σ ½^(n1+n2+1) (1 + F of the common ancestor), Wright 1922, Am. Nat. 56:330–338
    [
      'sire inbred by ¼, with his daughter',
      of(['p'], ['q'], ['a', 'p', 'q'], ['b', 'p', 'q'], ['s', 'a', 'b'], ['d'], ['y', 's', 'd'], ['x', 's', 'y']),
      (1 + 1 / 4) / 4,
    ],
  ])('%s', (_, animals, expected) => {
    expect(fOf(animals, 'x')).toBeCloseTo(expected, 12)
  })

  it('repeated full-sib mating follows the standard table (Wright 1921; Falconer & Mackay 1996, table of F by generation)', () => {
    const animals = of(['s0'], ['d0'])
    const table = [0, 0.25, 0.375, 0.5, 0.594, 0.672, 0.734, 0.785, 0.826, 0.859, 0.886]
    for (let t = 1; t <= 11; t++)
      animals.push(...of([`s${t}`, `s${t - 1}`, `d${t - 1}`], [`d${t}`, `s${t - 1}`, `d${t - 1}`]))
    table.forEach((f, i) => expect(fOf(animals, `s${i + 1}`), `generation ${i}`).toBeCloseTo(f, 3))
  })

  it('the numerical relationship matrix of Henderson 1976 as printed by Mrode (example 2.1)', () => {
    const p = pedigreeOf(of(['1'], ['2'], ['3', '1', '2'], ['4', '1'], ['5', '4', '3'], ['6', '5', '2']))
    const printed = [
      [1, 0, 0.5, 0.5, 0.5, 0.25],
      [0, 1, 0.5, 0, 0.25, 0.625],
      [0.5, 0.5, 1, 0.25, 0.625, 0.5625],
      [0.5, 0, 0.25, 1, 0.625, 0.3125],
      [0.5, 0.25, 0.625, 0.625, 1.125, 0.6875],
      [0.25, 0.625, 0.5625, 0.3125, 0.6875, 1.125],
    ]
    const at = ['1', '2', '3', '4', '5', '6'].map(id => p.index.get(id)!)
    const a = relationshipMatrix(p)
    expect(at.map(i => at.map(j => a[i]![j]!))).toEqual(printed)
    const known = inbreeding(p)
    expect(at.map(i => at.map(j => kinshipsOf(p, known, i)[j]! * 2))).toEqual(printed)
  })

  it('an uncertain sire is averaged over (Henderson 1976): two brothers or a stranger', () => {
    const animals = [
      ...of(['s'], ['d'], ['a', 's', 'd'], ['b', 's', 'd'], ['z']),
      {
        id: 'x',
        damId: 'b',
        sires: [
          { id: 'a', chance: 0.5 },
          { id: 'z', chance: 0.5 },
        ],
      },
    ]
    expect(fOf(animals, 'x')).toBeCloseTo(1 / 8, 12)
  })

  it('a clone is as inbred as its dam, and as related to her as she to herself', () => {
    const animals: Ancestry[] = [
      ...of(['s'], ['d'], ['a', 's', 'd'], ['m', 's', 'a']),
      { id: 'c', damId: 'm', sires: [], clonal: true },
      { id: 'c2', damId: 'c', sires: [], clonal: true },
    ]
    expect(fOf(animals, 'c2')).toBeCloseTo(0.25, 12)
    const p = pedigreeOf(animals)
    expect(kinshipsOf(p, inbreeding(p), p.index.get('c2')!)[p.index.get('m')!]).toBeCloseTo(0.625, 12)
  })
})

/** Random pedigrees: parents are drawn among the older ones, some unknown, some sires uncertain, some clones. */
const pedigrees = fc
  .array(fc.tuple(fc.nat(), fc.nat(), fc.nat(), fc.integer({ min: 0, max: 9 })), { minLength: 2, maxLength: 40 })
  .map(rows =>
    rows.map(([d, s, s2, how], i): Ancestry => {
      const id = `a${i}`
      if (i < 2 || how === 0) return { id, damId: null, sires: [] }
      const pick = (x: number) => `a${x % i}`
      if (how === 1) return { id, damId: pick(d), sires: [], clonal: true }
      if (how === 2) return { id, damId: pick(d), sires: [] }
      const [one, two] = [pick(s), pick(s2)]
      if (how === 3 && one !== two)
        return {
          id,
          damId: pick(d),
          sires: [
            { id: one, chance: 0.6 },
            { id: two, chance: 0.3 },
          ],
        }
      return { id, damId: pick(d), sires: [{ id: one, chance: 1 }] }
    }),
  )

describe('properties', () => {
  it('the fast way agrees with the tabular method; F lies in 0–1; kinship is symmetric', () => {
    fc.assert(
      fc.property(pedigrees, animals => {
        const p = pedigreeOf(animals)
        const a = relationshipMatrix(p)
        const known = inbreeding(p)
        for (let i = 0; i < p.ids.length; i++) {
          expect(known.f[i]!).toBeCloseTo(a[i]![i]! - 1, 9)
          expect(known.f[i]!).toBeGreaterThanOrEqual(-1e-12)
          expect(known.f[i]!).toBeLessThanOrEqual(1)
          const row = kinshipsOf(p, known, i)
          for (let j = 0; j < p.ids.length; j++) {
            expect(row[j]! * 2).toBeCloseTo(a[i]![j]!, 9)
            expect(a[i]![j]).toBe(a[j]![i])
          }
        }
      }),
      { numRuns: 150 },
    )
  })

  it('founder shares add up to 1, and diversity lies between 0 and 1', () => {
    fc.assert(
      fc.property(pedigrees, animals => {
        const p = pedigreeOf(animals)
        const line = lineHealth(
          p,
          inbreeding(p),
          animals.slice(-5).map(a => a.id),
        )!
        // half of an animal with one unknown parent is a founder of its own
        expect(line.founders.reduce((sum, x) => sum + x.share, 0)).toBeCloseTo(1, 9)
        expect(line.geneDiversity).toBeGreaterThanOrEqual(0)
        expect(line.geneDiversity).toBeLessThan(1)
      }),
      { numRuns: 100 },
    )
  })
})

describe('the health of a line', () => {
  it('one pair and its young: both founders by half, three quarters of the diversity of unrelated ones', () => {
    const animals = of(['s'], ['d'], ['a', 's', 'd'], ['b', 's', 'd'])
    const p = pedigreeOf(animals)
    const line = lineHealth(p, inbreeding(p), ['a', 'b'])!
    expect(line.founders.map(f => [f.id, f.share])).toEqual(
      expect.arrayContaining([
        ['s', 0.5],
        ['d', 0.5],
      ]),
    )
    // kinship of full sibs ¼, with itself ½: mean 3/8
    expect(line.geneDiversity).toBeCloseTo(5 / 8, 12)
    expect(line.meanKinship.get('a')).toBeCloseTo(3 / 8, 12)
    expect(line.founderEquivalents).toBeCloseTo(4 / 3, 12)
    expect(lineHealth(p, inbreeding(p), ['nobody'])).toBeNull()
  })
})

describe('what cannot be', () => {
  it('names the loop through four generations', () => {
    const animals = of(['a', 'd'], ['b', 'a'], ['c', 'b'], ['d', 'c'])
    expect(() => pedigreeOf(animals)).toThrow(PedigreeError)
    expect(() => pedigreeOf(animals)).toThrow('a would be its own ancestor: a from d from c from b from a')
    expect(() => pedigreeOf(of(['a', 'a']))).toThrow('a cannot be its own parent')
    expect(() => pedigreeOf([...of(['s']), { id: 'x', damId: null, sires: [{ id: 's', chance: 1.2 }] }])).toThrow(
      '120 %, over 100 %',
    )
    expect(() => pedigreeOf(of(['a'], ['a']))).toThrow('twice')
  })

  it('says why a parent is impossible', () => {
    const base = { speciesId: 'x', sex: 'unknown' as const, bornDay: 1000, diedDay: null }
    const young = { ...base, id: 'y', tag: 'Y', bornDay: 2000 }
    const common = { ...shippedAlmanac.common, breedsFrom: { value: 300, unit: 'days', mark: 'own' as const } }
    const say = (part: object, role: 'dam' | 'sire' = 'dam') =>
      impossibleParent(young, { ...base, id: 'p', tag: 'P', ...part }, role, common)
    expect(say({})).toBeNull()
    expect(say({ id: 'y', tag: 'Y' })).toMatch(/own parent/)
    expect(say({ speciesId: 'z' })).toMatch(/different species/)
    expect(say({ sex: 'male' })).toMatch(/male and cannot be the dam/)
    expect(say({ sex: 'female' }, 'sire')).toMatch(/female and cannot be the sire/)
    expect(say({ bornDay: 2000 })).toMatch(/not older/)
    expect(say({ bornDay: 1900 })).toMatch(/100 days old/)
    expect(say({ diedDay: 1500 })).toMatch(/dead for 500 days/)
    expect(say({ diedDay: 1500 }, 'sire')).toBeNull()
  })
})

describe('the drawing', () => {
  it('draws a shared ancestor once, marks it, and closes the loop with a link', () => {
    const animals = of(['s'], ['d'], ['a', 's', 'd'], ['b', 's', 'd'], ['x', 'a', 'b'])
    const drawn = drawPedigree('x', new Map(animals.map(a => [a.id, a])), 5)
    expect(drawn.nodes.filter(n => n.id === 's')).toHaveLength(1)
    expect(
      drawn.nodes
        .filter(n => n.shared)
        .map(n => n.id)
        .sort(),
    ).toEqual(['d', 's'])
    expect(drawn.links.filter(l => l.loop)).toHaveLength(2)
    expect(drawn.generations).toBe(3)
  })

  it('five generations back without loops take no more rows than ancestors at the end', () => {
    const animals: Ancestry[] = []
    const grow = (id: string, g: number) => {
      animals.push({ id, damId: g < 5 ? `${id}d` : null, sires: g < 5 ? [{ id: `${id}s`, chance: 1 }] : [] })
      if (g < 5) for (const p of ['s', 'd']) grow(id + p, g + 1)
    }
    grow('x', 0)
    const drawn = drawPedigree('x', new Map(animals.map(a => [a.id, a])), 5)
    expect(drawn.nodes).toHaveLength(63)
    expect(drawn.rows).toBe(32)
    const places = drawn.nodes.map(n => `${n.generation}:${n.row}`)
    expect(new Set(places).size).toBe(63)
    expect(drawPedigree('x', new Map(animals.map(a => [a.id, a])), 2).nodes).toHaveLength(7)
  })
})
