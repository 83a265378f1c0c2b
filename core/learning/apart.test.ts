import fc from 'fast-check'
import { Matrix, solve } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { seededRandom } from '../chance'
import { learntApart, learntShare, type Sorted } from '.'

const K = 8
const one = (group: string | null, seen: number, expected = 1): Sorted => ({ groups: [group], expected, seen })
const many = (n: number, of: Sorted): Sorted[] => Array.from({ length: n }, () => of)

describe('by which factor groups differ', () => {
  it('amounts, by hand: twelve that give half of what is expected, eight more weighing for the usual', () => {
    const [groups] = learntApart('amounts', K, [...many(12, one('dry', 50, 100)), ...many(12, one('moist', 100, 100))])
    expect(groups!.get('dry')!.factor).toBeCloseTo((K + 12 * 0.5) / (K + 12), 6)
    expect(groups!.get('moist')).toEqual({ factor: 1, of: 12, off: 0 })
  })

  it('of failures it is the beta–binomial mean of the group, over the usual share', () => {
    const usual = 0.07
    const seen = [...many(3, one('curly', 1, usual)), ...many(7, one('curly', 0, usual)), one('wingless', 0, usual)]
    const [groups] = learntApart('amounts', K, seen)
    expect(groups!.get('curly')!.factor * usual).toBeCloseTo(learntShare(usual, K, 3, 10), 6)
  })

  it('waits are the best linear unbiased prediction of crossed random effects (Henderson 1975), by a linear solver', () => {
    const random = seededRandom(5)
    const [shelves, strains] = [
      ['a', 'b', 'c'],
      ['x', 'y'],
    ]
    const seen = Array.from({ length: 40 }, (): Sorted => {
      const [s, t] = [Math.floor(3 * random()), Math.floor(2 * random())]
      return { groups: [shelves![s]!, strains![t]!], expected: 14, seen: 14 * Math.exp(0.3 * s - 0.2 * t + random()) }
    })
    // (Z'Z + k I) u = Z'y
    const names = [...shelves!, ...strains!]
    const z = new Matrix(seen.map(s => names.map(n => (s.groups.includes(n) ? 1 : 0))))
    const y = Matrix.columnVector(seen.map(s => Math.log(s.seen / s.expected)))
    const left = z.transpose().mmul(z).add(Matrix.eye(names.length).mul(K))
    const u = solve(left, z.transpose().mmul(y)).to1DArray()
    const [byShelf, byStrain] = learntApart('waits', K, seen)
    shelves!.forEach((s, i) => expect(Math.log(byShelf!.get(s)!.factor)).toBeCloseTo(u[i]!, 6))
    strains!.forEach((s, i) => expect(Math.log(byStrain!.get(s)!.factor)).toBeCloseTo(u[3 + i]!, 6))
  })

  it('what always goes together is shared, and what one of two explains alone is not laid on the other', () => {
    const pair = (shelf: string, strain: string, seen: number): Sorted => ({
      groups: [shelf, strain],
      expected: 1,
      seen,
    })
    const [shelf, strain] = learntApart('amounts', K, [
      ...many(20, pair('low', 'curly', 0.5)),
      ...many(20, pair('high', 'wingless', 1)),
    ])
    expect(shelf!.get('low')!.factor).toBeCloseTo(strain!.get('curly')!.factor, 6)
    expect(shelf!.get('low')!.factor * strain!.get('curly')!.factor).toBeGreaterThan(0.5)
    const crossed = [
      ...many(20, pair('low', 'curly', 0.5)),
      ...many(20, pair('low', 'wingless', 0.5)),
      ...many(20, pair('high', 'curly', 1)),
      ...many(20, pair('high', 'wingless', 1)),
    ]
    const [byShelf, byStrain] = learntApart('amounts', K, crossed)
    expect(byShelf!.get('low')!.factor).toBeLessThan(0.65)
    expect(Math.abs(byStrain!.get('curly')!.factor - byStrain!.get('wingless')!.factor)).toBeLessThan(0.01)
  })

  it('says nothing where all are of one group; those of none stand for the others', () => {
    expect(learntApart('amounts', K, many(9, one('low', 0.5)))[0]!.size).toBe(0)
    expect(learntApart('amounts', K, [])).toEqual([])
    const [groups] = learntApart('amounts', K, [...many(9, one('curly', 0.5)), one(null, 1)])
    expect([...groups!.keys()]).toEqual(['curly'])
  })

  it('finds a shelf that gives a third less, and calls few others different, in simulated houses', () => {
    const random = seededRandom(11)
    let [found, wrong] = [0, 0]
    const houses = 200
    for (let h = 0; h < houses; h++) {
      const seen = Array.from({ length: 60 }, (): Sorted => {
        const shelf = ['a', 'b', 'c'][Math.floor(3 * random())]!
        const quarter = ['1', '2', '3', '4'][Math.floor(4 * random())]!
        const luck = 1 + 0.25 * Math.sqrt(6) * (random() + random() - 1)
        return { groups: [shelf, quarter], expected: 1, seen: Math.max(0, luck) * (shelf === 'c' ? 0.67 : 1) }
      })
      const [shelves, quarters] = learntApart('amounts', K, seen)
      // among the others as they are on the whole, it gives less than it does against the best
      if (shelves!.get('c')!.factor < 0.9) found++
      wrong += [...quarters!.values()].filter(q => Math.abs(q.factor - 1) >= 0.1).length
    }
    expect(found / houses).toBeGreaterThan(0.95)
    expect(wrong / (4 * houses)).toBeLessThan(0.1)
  })

  it('is seldom called off by chance, of failures least of all: in made-up houses that differ in nothing', () => {
    const random = seededRandom(3)
    let [off, all, found, houses] = [0, 0, 0, 0]
    for (let h = 0; h < 300; h++) {
      const cups = (share: (shelf: string) => number): Sorted[] => {
        const seen = Array.from({ length: 60 }, () => {
          const shelf = ['a', 'b', 'c'][Math.floor(3 * random())]!
          return { groups: [shelf], seen: random() < share(shelf) ? 1 : 0 }
        })
        // against what the house sees on the whole
        const expected = Math.max(1, seen.filter(s => s.seen).length) / seen.length
        return seen.map(s => ({ ...s, expected }))
      }
      for (const { off: far } of learntApart(
        'amounts',
        K,
        cups(() => 0.07),
      )[0]!.values()) {
        all++
        if (far >= 2) off++
      }
      houses++
      if (
        learntApart(
          'amounts',
          K,
          cups(s => (s === 'c' ? 0.5 : 0.07)),
        )[0]!.get('c')!.off >= 2
      )
        found++
    }
    expect(off / all).toBeLessThan(0.1)
    expect(found / houses).toBeGreaterThan(0.9)
  })

  it('is always a number above nothing, whatever the order, and nearer to 1 than what was seen of it alone', () => {
    const group = fc.constantFrom('a', 'b', null)
    const sorted = fc.record({
      groups: fc.tuple(group, group).map(g => [...g]),
      expected: fc.double({ min: 0.01, max: 1000, noNaN: true }),
      seen: fc.double({ min: 0.01, max: 1000, noNaN: true }),
    })
    fc.assert(
      fc.property(
        fc.array(sorted, { maxLength: 30 }),
        fc.constantFrom('amounts' as const, 'waits' as const),
        (seen, how) => {
          const found = learntApart(how, K, seen)
          const turned = learntApart(how, K, [...seen].reverse())
          found.forEach((groups, by) => {
            for (const [name, { factor, of }] of groups) {
              expect(factor).toBeGreaterThan(0)
              expect(Number.isFinite(factor)).toBe(true)
              expect(groups.get(name)!.off).toBeGreaterThanOrEqual(0)
              expect(of).toBe(seen.filter(s => s.groups[by] === name).length)
              const other = turned[by]!.get(name)!.factor
              expect(Math.abs(Math.log(factor / other))).toBeLessThan(1e-3)
            }
          })
        },
      ),
      { numRuns: 60 },
    )
    const few = learntApart('amounts', K, [one('a', 4), one('b', 1)])[0]!.get('a')!.factor
    expect(few).toBeGreaterThan(1)
    expect(few).toBeLessThan(2)
  })
})
