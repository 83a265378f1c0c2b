import type { Almanac, Measure, Sexing, Species } from '../almanac'
import { computedInput, factInput, type Judgement, type Reason } from '../judgement'
import type { AnimalState } from '../subjects'
import { isGrown, measureDensity, measureLogOdds, piecesOf, rightOf, signLogOdds, sumOf } from './evidence'
import type { NotOfferedBecause } from './findings'
import type { SexVerdict } from './judgeSex'
import { TESTS, tellNotOffered, testCaution } from './wording'

export interface NextEvidence {
  sort: string
  name: string
  /** Bits of knowledge it is expected to bring; 1 is all there is to know of an open sex. */
  gainBits: number
  /** Chance that the house would take the sex as known after it. */
  settles: number
  /** Who may do it, and what to heed. */
  caution: string | null
}

export interface NotOffered {
  name: string
  why: string
}

const bits = (p: number) => (p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p)))

/** Outcomes of a test: chance of each in a male and in a female, and the log-odds it would bring. */
type Outcomes = { male: number; female: number; logOdds: number }[]

const STEPS = 80

function measureOutcomes(by: { female: Measure; male: Measure }, slip: number, wholeNumbers: boolean): Outcomes {
  const low = Math.max(0, Math.min(...[by.female, by.male].map(m => m.mean - 4 * m.sd)))
  const high = Math.max(...[by.female, by.male].map(m => m.mean + 4 * m.sd))
  const at = wholeNumbers
    ? Array.from({ length: Math.ceil(high) - Math.floor(low) + 1 }, (_, i) => Math.floor(low) + i)
    : Array.from({ length: STEPS }, (_, i) => low + ((i + 0.5) / STEPS) * (high - low))
  const widest = Math.max(by.female.sd, by.male.sd)
  const raw = at.map(x => ({
    x,
    male: measureDensity(x, by.male, widest, slip),
    female: measureDensity(x, by.female, widest, slip),
  }))
  const [m, f] = [raw.reduce((s, r) => s + r.male, 0), raw.reduce((s, r) => s + r.female, 0)]
  return raw.map(r => ({ male: r.male / m, female: r.female / f, logOdds: measureLogOdds(r.x, by, slip) }))
}

/** Why an animal is not to be probed; null where it may be, or where nothing is known of its species' probes. */
function notProbed({ venomous, probe, probeFromG }: Sexing, animal: AnimalState): NotOfferedBecause | null {
  if (venomous) return { code: 'venomous' }
  if (!probe) return null
  const massG = animal.weights.at(-1)?.massG
  if (probeFromG && massG === undefined) return { code: 'weighFirst' }
  if (probeFromG && massG! < probeFromG.value) return { code: 'tooSmall', massG: massG!, fromG: probeFromG.value }
  return animal.unwell ? { code: 'unwell' } : null
}

/**
 * What to look at next: every piece of evidence that is possible and safe for this animal, by the knowledge it is
 * expected to bring (Lindley 1956, expected information of an experiment). A sort that was looked at already counts
 * less.
 * @returns the offers, best first, and what is not offered with the reason
 */
export function nextEvidence(
  species: Species,
  almanac: Almanac,
  animal: AnimalState,
  verdict: SexVerdict,
  today: number,
): Judgement<{ offers: NextEvidence[]; not: NotOffered[] }> {
  const { sexing } = species
  const offers: NextEvidence[] = []
  const not: NotOffered[] = []
  const reasons: Reason[] = []
  if (!sexing || verdict.state === 'proven' || sexing.system === 'clonal')
    return {
      value: { offers, not },
      reasons: [
        {
          rule:
            verdict.state === 'proven'
              ? 'It is proven; nothing more is to be learnt'
              : 'Nothing is known of the sexes of this species beyond proof',
          inputs: [],
        },
      ],
    }
  const pieces = piecesOf(species, almanac, animal)
  const slip = almanac.common.sexSlip!.value
  const grown = isGrown(species, animal, today, almanac.common)
  const before = bits(verdict.male)

  const add = (sort: string, name: string, outcomes: Outcomes, caution: string | null = null) => {
    let after = 0
    let settles = 0
    for (const o of outcomes) {
      const p = verdict.male * o.male + (1 - verdict.male) * o.female
      if (p <= 0) continue
      const total = verdict.prior.logOdds + sumOf([...pieces, { sort, logOdds: o.logOdds }]).total
      after += p * bits(1 / (1 + Math.exp(-total)))
      if (Math.abs(total) >= verdict.threshold) settles += p
    }
    offers.push({ sort, name, gainBits: Math.max(0, before - after), settles, caution })
  }
  const measure = (test: keyof typeof TESTS, by: { female: Measure; male: Measure }, wholeNumbers: boolean) =>
    add(test, TESTS[test], measureOutcomes(by, slip, wholeNumbers), testCaution(test, species))
  const { probe, probeFromG, subcaudals, tailShare } = sexing
  const why = notProbed(sexing, animal)
  if (why) not.push({ name: TESTS.probe, why: tellNotOffered(why) })
  else if (probe) measure('probe', probe, true)
  if (why && (why.code === 'weighFirst' || why.code === 'tooSmall'))
    reasons.push({
      rule: 'No probing of an animal that is too small',
      inputs: [factInput('Not under', `species.${species.id}.sexing.probeFromG.value`, probeFromG!)],
    })
  if (subcaudals) measure('subcaudals', subcaudals, true)
  if (tailShare) measure('tail', tailShare, false)
  for (const sign of sexing.signs) {
    const right = rightOf(almanac, sign, grown)
    const { name } = almanac.signs[sign]!
    if (!right) {
      not.push({ name, why: tellNotOffered({ code: 'notGrown' }) })
      continue
    }
    const r = right.fact.value
    add(`sign:${sign}`, name, [
      { male: r, female: 1 - r, logOdds: signLogOdds(r, 'male') },
      { male: 1 - r, female: r, logOdds: signLogOdds(r, 'female') },
    ])
  }
  offers.sort((a, b) => b.gainBits - a.gainBits)
  reasons.unshift({
    rule: 'Offered in order of the knowledge it is expected to bring, over all it may show',
    inputs: [
      computedInput('Open now', `${before.toFixed(2)} bit of 1`),
      ...offers.map(o =>
        computedInput(
          o.name,
          `brings ${o.gainBits.toFixed(2)} bit; settles it ${Math.round(o.settles * 100)} times in 100`,
        ),
      ),
    ],
    change: 'What was looked at already counts less the next time',
  })
  return { value: { offers, not }, reasons }
}
