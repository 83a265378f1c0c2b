import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { shippedAlmanac as almanac, speciesOf, type Species } from '../almanac'
import { foldHouse, type AnimalState } from '../subjects'
import { HouseBuilder } from '../../tests/fixtures/records'
import { femaleShareAt, judgeSex, measureLogOdds, nextEvidence, sexPrior, sexingGuide, sumOf, type SexVerdict } from '.'

const today = 20_600
const king = speciesOf(almanac, 'california-kingsnake')

type Written = [kind: string, data: Record<string, unknown>]
function animal(written: Written[], part: object = {}, speciesId = king.id, massG = 300): AnimalState {
  const b = new HouseBuilder(today).animal('x', speciesId, part)
  const about = { type: 'animal' as const, id: 'x' }
  b.write('weighed', about, -20, { massG })
  written.forEach(([kind, data], i) => b.write(kind, about, -10 + i, data))
  return foldHouse(b.records()).animals.x!
}
const judge = (a: AnimalState, species: Species = king, tempC: number | null = null, certainty = 0.99): SexVerdict =>
  judgeSex(species, almanac, a, sexPrior(species, tempC), certainty, today).value
/** A normal density, written out. */
const normal = (x: number, mean: number, sd: number) =>
  Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI))

describe('posterior by hand', () => {
  it('a sign that is right in 90 of 100 makes 50 % into 90 %', () => {
    const v = judge(animal([['sexSignSeen', { sign: 'tailShape', says: 'male' }]]))
    expect(v.male).toBeCloseTo(0.9, 12)
    expect(v.state).toBe('open')
  })

  it('two independent signs multiply: 0.9/0.1 × 0.97/0.03 = 291 to 1', () => {
    const v = judge(
      animal([
        ['sexSignSeen', { sign: 'tailShape', says: 'male' }],
        ['sexSignSeen', { sign: 'bulge', says: 'male' }],
      ]),
    )
    expect(v.male).toBeCloseTo(291 / 292, 12)
    expect(v.state).toBe('certain')
  })

  it('a probe of 8 scales: the ratio of the two normal densities with 2 % of slips over ten standard deviations', () => {
    const { female, male } = king.sexing!.probe!
    const flat = 0.02 / (10 * 1.6)
    const ratio = (0.98 * normal(8, male.mean, male.sd) + flat) / (0.98 * normal(8, female.mean, female.sd) + flat)
    expect(judge(animal([['probed', { scales: 8 }]])).male).toBeCloseTo(ratio / (1 + ratio), 12)
    expect(measureLogOdds(8, { female, male }, 0.02)).toBeCloseTo(Math.log(ratio), 12)
  })

  it('a hatchling’s tail shape says less than a grown one’s, its bulge nothing', () => {
    const young = { bornDay: today - 60 }
    expect(judge(animal([['sexSignSeen', { sign: 'tailShape', says: 'male' }]], young)).male).toBeCloseTo(0.7, 12)
    expect(judge(animal([['sexSignSeen', { sign: 'bulge', says: 'male' }]], young)).male).toBeCloseTo(0.5, 12)
  })

  it('what came on its card counts as 99 in 100', () => {
    expect(judge(animal([], { sex: 'female' })).chance).toBeCloseTo(0.99, 12)
  })

  it('the temperature of the egg is the prior: 26 °C nearly all females, 32.5 °C three quarters males (Viets et al. 1993)', () => {
    const gecko = speciesOf(almanac, 'leopard-gecko')
    expect(judge(animal([], {}, gecko.id, 5), gecko, 26).male).toBeCloseTo(0.02, 12)
    expect(judge(animal([], {}, gecko.id, 5), gecko, 32.5).male).toBeCloseTo(0.75, 12)
    // half way between 30 °C (80 % females) and 32.5 °C (25 %)
    expect(femaleShareAt(gecko.sexByTemperature!, 31.25)).toBeCloseTo(0.525, 12)
    expect(femaleShareAt(gecko.sexByTemperature!, 20)).toBe(0.98)
    expect(judge(animal([], {}, gecko.id, 5), gecko, null).male).toBe(0.5)
  })

  it('a parthenogenetic species is all female', () => {
    const clonal = speciesOf(almanac, 'mourning-gecko')
    expect(judge(animal([], {}, clonal.id, 2), clonal)).toMatchObject({ sex: 'female', chance: 1, state: 'certain' })
  })
})

describe('proof and contradiction', () => {
  it('eggs fix it against a probe, the contradiction is named, and the history stays', () => {
    const v = judge(
      animal([
        ['probed', { scales: 9 }],
        ['sexProved', { proof: 'eggs', says: 'female' }],
      ]),
    )
    expect(v).toMatchObject({ male: 0, state: 'proven' })
    expect(v.contradictions[0]).toMatch(/“Probe: 9 scales” speaks for a male, yet it laid eggs/)
    expect(v.pieces).toHaveLength(1)
  })

  it('of two proofs the later rules, and that is said', () => {
    const v = judge(
      animal([
        ['sexProved', { proof: 'sperm', says: 'male' }],
        ['sexProved', { proof: 'eggs', says: 'female' }],
      ]),
    )
    expect(v.male).toBe(0)
    expect(v.contradictions[0]).toMatch(/one of the two is of another animal/)
  })

  it('of two strong pieces that cancel out the weaker is named', () => {
    const v = judge(
      animal([
        ['probed', { scales: 9 }],
        ['sexSignSeen', { sign: 'bulge', says: 'female' }],
      ]),
    )
    // each beyond ten to one, both together not
    expect(v.chance).toBeLessThan(10 / 11)
    expect(v.contradictions).toEqual(['“Bulge behind the vent” speaks for a female, the rest for the other sex.'])
  })

  it('one strong piece against two is told as one against the rest', () => {
    const v = judge(
      animal([
        ['probed', { scales: 9 }],
        ['subcaudalsCounted', { scales: 38 }],
        ['sexSignSeen', { sign: 'bulge', says: 'female' }],
      ]),
    )
    expect(v.contradictions).toEqual(['“Probe: 9 scales” speaks for a male, the rest for the other sex.'])
  })

  it('agreeing pieces contradict nothing', () => {
    expect(
      judge(
        animal([
          ['probed', { scales: 9 }],
          ['sexSignSeen', { sign: 'bulge', says: 'male' }],
        ]),
      ).contradictions,
    ).toEqual([])
  })

  it('laying proves the dam, living young prove the sire; both count at once', () => {
    const b = new HouseBuilder(today).animal('d', king.id).animal('s', king.id)
    b.pair('d', 's', -90, 'p')
    b.write('laid', { type: 'pairing', id: 'p' }, -70, { tag: 'C', eggs: 6, slugs: 0, tempC: 28, placeId: null }, 'c')
    expect(foldHouse(b.records()).animals.s!.sex).toBe('unknown')
    b.write('hatched', { type: 'clutch', id: 'c' }, -5, { count: 4 })
    const house = foldHouse(b.records())
    expect([house.animals.d!.sex, house.animals.s!.sex]).toEqual(['female', 'male'])
    expect(judge(house.animals.s!)).toMatchObject({ state: 'proven', male: 1 })
  })
})

const evidence = fc
  .array(fc.tuple(fc.constantFrom('probe', 'tail', 'sign:bulge'), fc.double({ min: -6, max: 6, noNaN: true })), {
    maxLength: 8,
  })
  .map(list => list.map(([sort, logOdds]) => ({ sort, logOdds })))

describe('properties', () => {
  it('agreeing evidence never lowers the sum', () => {
    fc.assert(
      fc.property(
        evidence,
        fc.constantFrom('probe', 'tail', 'new'),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (list, sort, logOdds) => {
          const { total } = sumOf(list)
          expect(sumOf([...list, { sort, logOdds }]).total).toBeGreaterThanOrEqual(total - 1e-9)
          expect(sumOf([...list, { sort, logOdds: -logOdds }]).total).toBeLessThanOrEqual(total + 1e-9)
        },
      ),
    )
  })

  it('the order of evidence does not matter', () => {
    fc.assert(
      fc.property(evidence, fc.array(fc.nat(), { minLength: 8, maxLength: 8 }), (list, keys) => {
        const shuffled = list
          .map((e, i) => ({ e, key: keys[i]! }))
          .sort((a, b) => a.key - b.key)
          .map(x => x.e)
        expect(sumOf(shuffled).total).toBeCloseTo(sumOf(list).total, 9)
      }),
    )
  })

  it('the chance lies between 0 and 1 for any probe depth', () => {
    for (let scales = 0; scales <= 25; scales++) {
      const { male, chance } = judge(animal([['probed', { scales }]]))
      expect(male).toBeGreaterThan(0)
      expect(male).toBeLessThan(1)
      expect(chance).toBeGreaterThanOrEqual(0.5)
    }
  })
})

describe('what to look at next', () => {
  const next = (a: AnimalState, species = king) => nextEvidence(species, almanac, a, judge(a, species), today).value

  it('of an open grown snake the probe tells most, the count of a shed less', () => {
    const { offers } = next(animal([]))
    expect(offers[0]!.sort).toBe('probe')
    expect(offers.find(o => o.sort === 'subcaudals')!.gainBits).toBeLessThan(offers[0]!.gainBits)
    for (const o of offers) expect(o.gainBits).toBeLessThanOrEqual(1)
    expect(offers[0]!.caution).toMatch(/no force/)
  })

  it('the gain of a sign right in r of 1 is one bit less its entropy (Shannon)', () => {
    const r = 0.97
    const { offers } = next(animal([]))
    expect(offers.find(o => o.sort === 'sign:bulge')!.gainBits).toBeCloseTo(
      1 + r * Math.log2(r) + (1 - r) * Math.log2(1 - r),
      9,
    )
  })

  it('a hatchling and an unweighed one are not probed; a venomous one never', () => {
    expect(next(animal([], { bornDay: today - 50 }, king.id, 11)).not.map(n => n.name)).toContain('Probe')
    const viper = speciesOf(almanac, 'eyelash-viper')
    const { offers, not } = next(animal([], {}, viper.id, 900), viper)
    expect(offers.map(o => o.sort)).not.toContain('probe')
    expect(not.find(n => n.name === 'Probe')!.why).toMatch(/licensed/)
  })

  it('what was looked at already brings less the second time; a proof leaves nothing to look at', () => {
    const once = animal([['sexSignSeen', { sign: 'tailShape', says: 'male' }]])
    const offers = next(once).offers
    expect(offers.find(o => o.sort === 'sign:tailShape')!.gainBits).toBeLessThan(
      next(animal([])).offers.find(o => o.sort === 'sign:tailShape')!.gainBits,
    )
    expect(next(animal([['sexProved', { proof: 'dna', says: 'male' }]])).offers).toEqual([])
  })
})

describe('the guide', () => {
  it('names a probe for the weight, two people for a large snake, and stop rules', () => {
    const guide = sexingGuide(king, 500, almanac.common)
    expect(guide.probe?.value).toBe(2)
    // the diameter is the house's where it says another
    const own = { ...almanac.common, probe600: { ...almanac.common.probe600!, value: 2.3 } }
    expect(sexingGuide(king, 500, own).probe?.value).toBe(2.3)
    expect(sexingGuide(king, 600, own).probe?.value).toBe(2.5)
    expect(guide.twoPeople).toBe(false)
    expect(guide.stop.join()).toMatch(/first resistance/)
    expect(sexingGuide(speciesOf(almanac, 'boa-constrictor'), 9000, almanac.common).twoPeople).toBe(true)
    expect(sexingGuide(king, 8, almanac.common).probe).toBeNull()
    expect(sexingGuide(king, null, almanac.common).probe).toBeNull()
  })

  it('teaches no handling of a venomous one', () => {
    const guide = sexingGuide(speciesOf(almanac, 'eyelash-viper'), 200, almanac.common)
    expect(guide).toMatchObject({ venomous: true, probe: null, stop: [] })
    expect(guide.steps[0]).toMatch(/licensed/)
    expect(guide.steps.join()).not.toMatch(/probe|lubricant|hold/i)
  })
})
