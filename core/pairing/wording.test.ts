import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import type { AnimalState } from '../subjects'
import type { Candidate, Finding, PairInput } from './findings'
import { judgePair } from './judgePair'
import { pairCaution, tellFinding, withFactor } from './wording'

const today = 20_000
const animal = (tag: string, more: Partial<AnimalState> = {}) =>
  ({ id: tag, tag, bornDay: today - 900, status: 'alive', weights: [], unwell: null, ...more }) as AnimalState
const candidate = (tag: string, more: Partial<Candidate> = {}): Candidate => ({
  animal: animal(tag),
  sexChance: 1,
  ready: null,
  meanKinship: 0.1,
  rests: null,
  apart: null,
  ...more,
})
const species = speciesOf(shippedAlmanac, 'california-kingsnake')
const pair = (more: Partial<PairInput> = {}): PairInput => ({
  species: { ...species, mating: species.mating! },
  almanac: shippedAlmanac,
  schools: {},
  dam: candidate('D'),
  sire: candidate('S'),
  kinship: 0.125,
  wish: null,
  past: { eggs: 12, slugs: 9, rejections: 2, lastRejection: today - 3, injury: null },
  today,
  ...more,
})

describe('what a rule of a pair found, in words', () => {
  it.each([
    [{ code: 'oneAnimal' }, 'An animal is not its own mate'],
    [{ code: 'gone', side: 'sire' }, 'S is not here'],
    [{ code: 'quarantine', side: 'dam' }, 'D is in quarantine'],
    [{ code: 'rests', why: 'thin' }, 'D rests: thin'],
    [{ code: 'health', ill: null }, ''],
    [{ code: 'age', sides: ['dam'], until: today + 30 }, /^D is too young until \d+ \w+/],
    [{ code: 'age', sides: ['dam', 'sire'], until: null }, ''],
    [{ code: 'weight', leastG: 300 }, 'weigh D first'],
    [{ code: 'sizeNotKnown', side: 'sire' }, 'weigh S first'],
    [{ code: 'sexes', chance: 0.3, lessSure: 'sire' }, 'S is not known to be a male'],
    [{ code: 'sexes', chance: 0.9, lessSure: 'dam' }, 'D is a female by 100 % only'],
    [{ code: 'kin', limit: 0.25 }, 'kin: young inbred by 12.5 %'],
    [{ code: 'kin', limit: 0.1 }, 'too near kin: young inbred by 12.5 %'],
    [{ code: 'fertility', good: 0.4, low: true }, '40 % good eggs expected'],
    [{ code: 'injury', day: today - 9, entryId: 'e' }, 'injured together lately'],
    [{ code: 'rejections' }, 'rejected 2 ×'],
    [{ code: 'notCooled', side: 'dam' }, ''],
    [{ code: 'wish', chance: 0 }, 'none of its young is as wished'],
    [{ code: 'wish', chance: 0.25 }, '25 % as wished'],
  ] as [Finding, string | RegExp][])('%o', (finding, text) => {
    const told = tellFinding(finding, pair({ dam: candidate('D', { apart: 'until its test is clear' }) }))
    if (typeof text === 'string') expect(told.text).toBe(text)
    else expect(told.text).toMatch(text)
    // a rule that says nothing in short has its working all the same
    expect(told.reason.rule).toMatch(/^[A-Z]/)
  })

  it('weights are named with their day and their unit', () => {
    const dam = candidate('D', { animal: animal('D', { weights: [{ day: today - 20, massG: 250, entryId: 'w' }] }) })
    expect(tellFinding({ code: 'weight', leastG: 300 }, pair({ dam })).text).toBe(
      'D weighs 250 g, under 300 g: wait a year',
    )
    expect(tellFinding({ code: 'sizeNotKnown', side: 'dam' }, pair({ dam })).text).toMatch(/^weigh D first: last /)
    const unwell = { day: today - 1, entryId: 'u' } as NonNullable<AnimalState['unwell']>
    const ill = candidate('S', { animal: animal('S', { unwell }) })
    expect(tellFinding({ code: 'health', ill: 'sire' }, pair({ sire: ill })).text).toBe('S is not well')
  })

  it('a rule that takes something off says how much', () => {
    expect(withFactor({ rule: 'Kin', inputs: [] }, 0.8).rule).toBe('Kin: × 0.80')
    expect(withFactor({ rule: 'Kin', inputs: [] }, 0.999).rule).toBe('Kin')
  })

  it('who eats its mates, and who can harm its keeper, is said so', () => {
    const { mating } = pair().species
    expect(pairCaution({ mating: { ...mating, eatsMates: true }, sexing: undefined })).toMatch(/never two unattended/)
    expect(pairCaution({ mating: { ...mating, eatsMates: false }, sexing: undefined })).toBeNull()
    const { sexing } = Object.values(shippedAlmanac.species).find(s => s.sexing?.venomous)!
    expect(pairCaution({ mating: { ...mating, eatsMates: false }, sexing })).toMatch(/licensed keepers only/)
  })
})

const weighed = (massG: number) => ({ weights: [{ day: today - 5, massG, entryId: 'w' }] }) as Partial<AnimalState>
const bred = species.mating!

describe('what counts for how much is said by the almanac, and its working leads there', () => {
  const harmless = { ...species, mating: { ...bred, eatsMates: false } }
  it.each([
    ['pairUnweighed', 0.3, {}, 0.3],
    ['pairSizeUnknown', 0.2, {}, 0.2],
    [
      'pairApart',
      0.5,
      {
        species: harmless,
        dam: candidate('D', { animal: animal('D', weighed(bred.sizeRatio.value * 400)) }),
        sire: candidate('S', { animal: animal('S', weighed(200)) }),
      },
      0.25,
    ],
    ['pairRejected', 0.7, {}, 0.49],
  ] as [string, number, Partial<PairInput>, number][])('%s', (row, value, more, part) => {
    const common = { ...shippedAlmanac.common, [row]: { ...shippedAlmanac.common[row]!, value } }
    const { value: verdict, reasons } = judgePair(pair({ ...more, almanac: { ...shippedAlmanac, common } }))
    const at = reasons.findIndex(r =>
      r.inputs.some(i => i.from.kind === 'almanac' && i.from.path === `common.${row}.value`),
    )
    expect(verdict.parts[at]!.factor).toBeCloseTo(part, 10)
  })

  it.each([
    ['pairSexLeast', 0.95, 'no'],
    ['pairSexSure', 0.85, 'good'],
    ['pairSexSure', 0.95, 'doubtful'],
  ])('%s at %d: %s', (row, value, level) => {
    const common = { ...shippedAlmanac.common, [row]: { ...shippedAlmanac.common[row]!, value } }
    const heavy = animal('D', { ...weighed(species.adultMassG.value), bornDay: today - 3000 })
    const input = pair({
      almanac: { ...shippedAlmanac, common },
      species: harmless,
      dam: candidate('D', { animal: heavy, sexChance: 0.9 }),
      kinship: 0,
      past: { eggs: 0, slugs: 0, rejections: 0, lastRejection: null, injury: null },
    })
    expect(judgePair(input).value.level).toBe(level)
  })
})
