import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import type { Contradiction, CountedPiece, NotOfferedBecause, SexPrior, Weighable } from './findings'
import { pieceReason, proofReason, tellContradiction, tellNotOffered, tellPiece, tellPrior } from './wording'

const today = 20_000
const at = { day: today - 3, entryId: 'e' }
const king = speciesOf(shippedAlmanac, 'california-kingsnake')
const gecko = speciesOf(shippedAlmanac, 'leopard-gecko')
const piece = (of: Weighable, more: Partial<CountedPiece> = {}): CountedPiece => ({
  sort: of.by,
  logOdds: Math.log(9),
  counts: Math.log(9),
  day: at.day,
  entryId: 'e',
  of,
  ...more,
})

describe('what speaks for a sex, in words', () => {
  it.each([
    [{ by: 'stated', says: 'male' }, 'Came as a male'],
    [{ by: 'probe', scales: 9, ...at }, 'Probe: 9 scales'],
    [{ by: 'subcaudals', scales: 55, ...at }, 'Subcaudals: 55 scales'],
    [{ by: 'tail', tailMm: 50, totalMm: 400, ...at }, 'Tail: 12.5 % of its length'],
    [{ by: 'sign', sign: 'bulge', says: 'male', ...at }, 'Bulge behind the vent'],
  ] as [Weighable, string][])('%o', (of, text) => {
    expect(tellPiece({ of }, shippedAlmanac)).toBe(text)
    const { rule, inputs } = pieceReason(piece(of, { grown: true }), king, shippedAlmanac, today)
    expect(rule).toBe(`${text}: 9.00 to 1 for male`)
    // what was seen leads to its entry, what it is judged by to its row
    expect(inputs[0]!.from.kind).toBe(of.by === 'stated' ? 'computed' : 'entry')
    expect(inputs.slice(1).map(i => i.from.kind)).toEqual(inputs.slice(1).map(() => 'almanac'))
    expect(inputs).toHaveLength(of.by === 'stated' || of.by === 'sign' ? 2 : 4)
  })

  it('one that is not the first of its sort says what it counts as', () => {
    const second = piece({ by: 'probe', scales: 2, ...at }, { logOdds: -Math.log(16), counts: -Math.log(4) })
    expect(pieceReason(second, king, shippedAlmanac, today).rule).toBe(
      'Probe: 2 scales: 16.0 to 1 for female, counted as 4.00 to 1, since it is not the first of its sort',
    )
  })

  it.each([
    [{ male: 0, found: { code: 'clonal' } }, 'All are females', 'parthenogenetic'],
    [{ male: 0.5, found: { code: 'evenly' } }, 'Half and half', '50 %'],
    [{ male: 0.75, found: { code: 'eggKeptAt', tempC: 32 } }, 'Egg kept at 32 °C', '25 %'],
  ] as [SexPrior, string, string][])('before anything is seen: %o', (prior, label, last) => {
    const told = tellPrior(prior, gecko)
    expect(told.label).toBe(label)
    expect(told.inputs.at(-1)!.value).toBe(last)
  })

  it('of the table the row that is nearest to the egg is named', () => {
    const [, row] = tellPrior({ male: 0.5, found: { code: 'eggKeptAt', tempC: 31.8 } }, gecko).inputs
    expect(row!.label).toBe('Females at 32.5 °C')
  })
})

const eggs = { by: 'proof', proof: 'eggs', says: 'female', ...at } as const
const sperm = { by: 'proof', proof: 'sperm', says: 'male', ...at } as const

describe('what does not go together, and what is not offered', () => {
  it.each([
    [
      { code: 'twoProofs', first: sperm, later: eggs },
      /^It was seen giving sperm and it laid eggs: .* The later rules\.$/,
    ],
    [
      { code: 'againstProof', piece: piece({ by: 'probe', scales: 9, ...at }), proof: eggs },
      /^“Probe: 9 scales” speaks for a male, yet it laid eggs\.$/,
    ],
    [
      { code: 'againstTheRest', piece: piece({ by: 'stated', says: 'female' }, { counts: -3 }) },
      /^“Came as a female” speaks for a female, the rest for the other sex\.$/,
    ],
  ] as [Contradiction, RegExp][])('%o', (found, text) => {
    expect(tellContradiction(found, shippedAlmanac)).toMatch(text)
  })

  it('a proof leads to its entry', () => {
    expect(proofReason(eggs)).toMatchObject({ rule: 'Proof: it laid eggs', inputs: [{ from: { kind: 'entry' } }] })
  })

  it.each([
    [{ code: 'venomous' }, /licensed keepers only/],
    [{ code: 'weighFirst' }, /Weigh it first/],
    [{ code: 'tooSmall', massG: 12, fromG: 30 }, 'At 12 g too small: not under 30 g without training.'],
    [{ code: 'unwell' }, 'It is not well.'],
    [{ code: 'notGrown' }, 'Cannot be read before it is grown.'],
  ] as [NotOfferedBecause, string | RegExp][])('%o', (why, text) => {
    if (typeof text === 'string') expect(tellNotOffered(why)).toBe(text)
    else expect(tellNotOffered(why)).toMatch(text)
  })
})
