import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shippedAlmanac, type Fact, type Weaning } from '../almanac'
import { seededRandom } from '../chance'
import { fitSwitch, learnCurve, liveShares, notSwitched, switchOutlook, takesWithin, type SwitchCurve } from '.'

const share = (value: number): Fact => ({ value, unit: 'share', mark: 'memory' })
const weaning = (three: number, twenty: number): Weaning => ({ byThree: share(three), byTwenty: share(twenty) })

/** Mean of (1 − p)^n over a beta distribution, by plain integration. */
function byIntegration({ mean, alike }: SwitchCurve, n: number): number {
  const [a, b] = [mean * alike, alike * (1 - mean)]
  let [sum, whole] = [0, 0]
  for (let i = 0; i < 200_000; i++) {
    const p = (i + 0.5) / 200_000
    const density = p ** (a - 1) * (1 - p) ** (b - 1)
    sum += density * (1 - p) ** n
    whole += density
  }
  return sum / whole
}

/** A sample of a beta distribution of whole numbers: of a + b − 1 even ones the a-th smallest. */
function betaSample(a: number, b: number, random: () => number): number {
  return Array.from({ length: a + b - 1 }, random).sort((x, y) => x - y)[a - 1]!
}

describe('the share that has not taken thawed prey', () => {
  it('is the mean of (1 − p)^n over the chances of all, by plain integration', () => {
    for (const curve of [
      { mean: 0.5, alike: 4 },
      { mean: 0.2, alike: 10 },
      { mean: 0.7, alike: 20 },
    ])
      for (const n of [1, 3, 20]) expect(notSwitched(curve, n)).toBeCloseTo(byIntegration(curve, n), 4)
  })

  it('of even chances for all is 1 − 1/(n + 1) taken: the rule of succession (Laplace)', () => {
    for (const n of [1, 2, 5, 12]) expect(notSwitched({ mean: 0.5, alike: 2 }, n)).toBeCloseTo(1 / (n + 1), 12)
  })

  it('of equal young is the geometric', () => {
    expect(notSwitched({ mean: 0.3, alike: 1e6 }, 4)).toBeCloseTo(0.7 ** 4, 4)
  })

  it('goes through what the almanac says of every shipped species', () => {
    const all = Object.values(shippedAlmanac.species).flatMap(s => s.weaning ?? [])
    expect(all.length).toBeGreaterThan(15)
    for (const w of all) {
      const curve = fitSwitch(w)
      expect(1 - notSwitched(curve, 3)).toBeCloseTo(w.byThree.value, 6)
      expect(1 - notSwitched(curve, 20)).toBeCloseTo(w.byTwenty.value, 4)
    }
  })

  it('a second point that even equal young would pass sooner leaves them equal', () => {
    const curve = fitSwitch(weaning(0.9, 0.9999999999999))
    expect(1 - notSwitched(curve, 3)).toBeCloseTo(0.9, 6)
    expect(curve.alike).toBeGreaterThan(1e5)
  })
})

describe('what a litter teaches', () => {
  const usual = fitSwitch(weaning(0.75, 0.95))

  it('is nothing without mates: the mean stays', () => {
    const learnt = learnCurve(usual, 10, [])
    const mean = learnt.reduce((sum, l) => sum + l.chance * l.curve.mean, 0)
    expect(mean).toBeCloseTo(usual.mean, 2)
  })

  it('of mates that all took at once it is a beta posterior by hand: (10 m + k) / (10 + k)', () => {
    // taken at the first offer has the chance of the mean itself
    const learnt = learnCurve(usual, 10, new Array(6).fill({ offers: 1, took: true, weight: 1 }) as never)
    const mean = learnt.reduce((sum, l) => sum + l.chance * l.curve.mean, 0)
    expect(mean).toBeCloseTo((10 * usual.mean + 6) / 16, 2)
  })

  it('half as much of earlier litters', () => {
    const mates = (weight: number, n: number) =>
      learnCurve(
        usual,
        10,
        Array.from({ length: n }, () => ({ offers: 1, took: true, weight })),
      )
    expect(takesWithin(mates(0.5, 8), 0, 1)).toBeCloseTo(takesWithin(mates(1, 4), 0, 1), 6)
  })

  it('the longer one refuses the less likely the next offer, and more offers never make it less likely', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ offers: fc.integer({ min: 1, max: 30 }), took: fc.boolean(), weight: fc.constantFrom(0.5, 1) }),
          { maxLength: 12 },
        ),
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 0, max: 20 }),
        (tried, offers, next) => {
          const learnt = learnCurve(usual, 10, tried)
          expect(takesWithin(learnt, offers + 1, 1)).toBeLessThanOrEqual(takesWithin(learnt, offers, 1) + 1e-12)
          const now = takesWithin(learnt, offers, next)
          expect(now).toBeGreaterThanOrEqual(0)
          expect(takesWithin(learnt, offers, next + 1)).toBeGreaterThanOrEqual(now - 1e-12)
          const more = switchOutlook(learnt, 2, [offers, offers + 2], next)
          expect(more.low).toBeLessThanOrEqual(more.high)
          expect(more.high).toBeLessThanOrEqual(4)
          expect(more.mean).toBeGreaterThanOrEqual(2)
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('the outlook of a litter', () => {
  it('holds what it promises for simulated litters: 80 % lie in its range', () => {
    const random = seededRandom(5)
    const curve = { mean: 0.4, alike: 5 }
    let [inside, meanOff] = [0, 0]
    const LITTERS = 400
    for (let litter = 0; litter < LITTERS; litter++) {
      const chances = Array.from({ length: 10 }, () => betaSample(2, 3, random))
      const tried = chances.map(p => {
        for (let offer = 1; offer <= 3; offer++) if (random() < p) return { offers: offer, took: true, weight: 1, p }
        return { offers: 3, took: false, weight: 1, p }
      })
      const waiting = tried.filter(t => !t.took)
      const outlook = switchOutlook(
        learnCurve(curve, 1000, tried),
        10 - waiting.length,
        waiting.map(w => w.offers),
        4,
      )
      const came = 10 - waiting.filter(w => Array.from({ length: 4 }, random).every(u => u >= w.p)).length
      if (came >= outlook.low && came <= outlook.high) inside++
      meanOff += (came - outlook.mean) / LITTERS
    }
    // whole numbers cover more than they promise
    expect(inside / LITTERS).toBeGreaterThan(0.78)
    expect(Math.abs(meanOff)).toBeLessThan(0.1)
  })

  it('live meals ahead by hand: those that start it, then one after every second refused offer', () => {
    const learnt = learnCurve({ mean: 0.5, alike: 1e6 }, 1e6, [])
    const ahead = (liveFirst: number, refusedDead = 0) =>
      [...liveShares({ learnt, offers: 0, refusedDead, liveFirst, every: 2 }, 6)].map(p => Number(p.toFixed(2)))
    // a quarter are left after two offers, a sixteenth after four
    expect(ahead(0)).toEqual([0, 0, 0.25, 0, 0, 0.06])
    expect(ahead(2)).toEqual([1, 1, 0, 0, 0.25, 0])
    // two were refused before today: the next one is live
    expect(ahead(0, 2)).toEqual([1, 0, 0, 0.25, 0, 0])
  })

  it('live meals ahead as in 4,000 young that are played through one by one', () => {
    const curve: SwitchCurve = { mean: 0.25, alike: 4 }
    const random = seededRandom(7)
    const eaten = new Float64Array(16)
    for (let young = 0; young < 4000; young++) {
      const p = betaSample(1, 3, random)
      let refused = 0
      let changed = false
      for (let meal = 0; meal < 16 && !changed; meal++) {
        if (meal < 3 || refused === 3) {
          eaten[meal]! += 1 / 4000
          refused = 0
        } else if (random() < p) changed = true
        else refused++
      }
    }
    const ahead = liveShares({ learnt: [{ curve, chance: 1 }], offers: 0, refusedDead: 0, liveFirst: 3, every: 3 }, 16)
    // three standard errors of a share of 4,000
    ahead.forEach((p, meal) => expect(Math.abs(p - eaten[meal]!)).toBeLessThan(3 * Math.sqrt(0.25 / 4000)))
    expect(ahead[6]).toBeGreaterThan(0.3)
  })
})
