import type { Almanac, Species } from '../almanac'
import { almanacRow, computedInput, entryInput, settingInput, type Judgement, type Reason } from '../judgement'
import type { AnimalState, SexEvidence } from '../subjects'
import { piecesOf, sumOf, type Piece } from './evidence'
import { lowerFirst } from '../units'

export interface SexVerdict {
  /** Chance that it is a male, 0..1. */
  male: number
  /** The sex that is likelier, and how likely. */
  sex: 'male' | 'female'
  chance: number
  /** Proven, past the threshold of the house, or open. */
  state: 'proven' | 'certain' | 'open'
  /** Log-odds of the prior, and every piece with what it counts for. */
  prior: { label: string; logOdds: number }
  pieces: (Piece & { counts: number })[]
  /** Log-odds at which the house takes it as certain. */
  threshold: number
  /** What does not go together, in sentences. */
  contradictions: string[]
}

/** The prior of an animal: its species' way of making sexes, and what is known of its egg. */
export interface SexPrior {
  label: string
  male: number
  inputs: Reason['inputs']
}

/** A piece that speaks this strongly against the rest is named as a contradiction: ten to one. */
const STRONG = Math.log(10)

const PROOF: Record<Extract<SexEvidence, { by: 'proof' }>['proof'], string> = {
  eggs: 'laid eggs',
  birth: 'gave birth',
  ultrasound: 'was seen by ultrasound',
  dna: 'was tested by DNA',
  sperm: 'was seen giving sperm',
  sired: 'sired young',
}

const chanceOf = (logOdds: number) => 1 / (1 + Math.exp(-logOdds))
const oddsOf = (p: number) => Math.log(p / (1 - p))

/** Share of females at a temperature between the rows of the table; beyond its ends the nearest row. */
export function femaleShareAt(table: NonNullable<Species['sexByTemperature']>, tempC: number): number {
  const rows = [...table].sort((a, b) => a.tempC - b.tempC)
  const above = rows.findIndex(r => r.tempC >= tempC)
  if (above === 0) return rows[0]!.femaleShare
  if (above < 0) return rows.at(-1)!.femaleShare
  const [low, high] = [rows[above - 1]!, rows[above]!]
  return low.femaleShare + ((tempC - low.tempC) / (high.tempC - low.tempC)) * (high.femaleShare - low.femaleShare)
}

/**
 * What is to be expected before anything is looked at.
 * @param tempC temperature its egg was kept at, °C; null = not known
 */
export function sexPrior(species: Species, tempC: number | null): SexPrior {
  const system = species.sexing?.system
  if (system === 'clonal')
    return { label: 'All are females', male: 0, inputs: [computedInput('Species', 'parthenogenetic')] }
  if (species.sexByTemperature && tempC !== null) {
    const female = femaleShareAt(species.sexByTemperature, tempC)
    const row = species.sexByTemperature.reduce((a, b) =>
      Math.abs(b.tempC - tempC) < Math.abs(a.tempC - tempC) ? b : a,
    )
    const at = species.sexByTemperature.indexOf(row)
    return {
      label: `Egg kept at ${tempC} °C`,
      male: 1 - female,
      inputs: [
        computedInput('Egg kept at', `${tempC} °C`),
        {
          label: `Females at ${row.tempC} °C`,
          value: `${Math.round(row.femaleShare * 100)} %`,
          from: almanacRow(`species.${species.id}.sexByTemperature.${at}.femaleShare`, row),
        },
      ],
    }
  }
  return { label: 'Half and half', male: 0.5, inputs: [computedInput('Before anything is seen', '50 %')] }
}

function contradictionsOf(
  pieces: readonly (Piece & { counts: number })[],
  proofs: readonly Extract<SexEvidence, { by: 'proof' }>[],
  total: number,
): string[] {
  const said: string[] = []
  const proof = proofs.at(-1)
  const against = proof ? (proof.says === 'male' ? 1 : -1) : Math.sign(total)
  const other = proofs.find(p => p.says !== proof?.says)
  if (proof && other)
    said.push(
      `It ${PROOF[other.proof]} and it ${PROOF[proof.proof]}: one of the two is of another animal. The later rules.`,
    )
  for (const p of pieces) {
    if (Math.abs(p.counts) < STRONG || Math.sign(p.counts) === against) continue
    said.push(
      proof
        ? `“${p.label}” speaks for a ${p.counts > 0 ? 'male' : 'female'}, yet it ${PROOF[proof.proof]}.`
        : `“${p.label}” speaks for a ${p.counts > 0 ? 'male' : 'female'}, the rest for the other sex.`,
    )
  }
  return said
}

/**
 * The sex of an animal from all that was seen: the prior and every piece as independent likelihood ratios, added as
 * log-odds; pieces of one sort count ever less. A proof fixes it, the latest one when two contradict.
 * @param certainty chance from which the house takes a sex as known, e.g. 0.99
 */
export function judgeSex(
  species: Species,
  almanac: Almanac,
  animal: AnimalState,
  prior: SexPrior,
  certainty: number,
  today: number,
): Judgement<SexVerdict> {
  const raw = piecesOf(species, almanac, animal, today)
  const { total: evidence, counted } = sumOf(raw)
  const pieces = raw.map((p, i) => ({ ...p, counts: counted[i]! }))
  const proofs = animal.sexEvidence.filter(e => e.by === 'proof')
  const proof = proofs.at(-1)
  const fixed = prior.male <= 0 || prior.male >= 1
  const priorOdds = fixed ? 0 : oddsOf(prior.male)
  const total = priorOdds + evidence
  const male = proof ? (proof.says === 'male' ? 1 : 0) : fixed ? prior.male : chanceOf(total)
  const sex = male >= 0.5 ? 'male' : 'female'
  const chance = Math.max(male, 1 - male)
  const state = proof ? 'proven' : chance >= certainty ? 'certain' : 'open'
  const reasons: Reason[] = [
    {
      rule: `Before anything is seen: ${lowerFirst(prior.label)}`,
      inputs: prior.inputs,
    },
    ...pieces.map((p): Reason => ({
      rule: `${p.label}: ${Math.exp(Math.abs(p.logOdds)).toPrecision(3)} to 1 for ${p.logOdds >= 0 ? 'male' : 'female'}${Math.abs(p.counts - p.logOdds) > 1e-9 ? `, counted as ${Math.exp(Math.abs(p.counts)).toPrecision(3)} to 1, since it is not the first of its sort` : ''}`,
      inputs: p.inputs,
    })),
  ]
  if (proof)
    reasons.push({
      rule: `Proof: it ${PROOF[proof.proof]}`,
      inputs: [entryInput('Proven', proof.says, proof)],
      change: 'Only another proof',
    })
  else
    reasons.push({
      rule: 'All ratios multiplied (log-odds added), as independent evidence',
      inputs: [
        computedInput('Male', `${(male * 100).toFixed(1)} %`),
        settingInput('Taken as known from', `${(certainty * 100).toFixed(1)} %`, 'sexCertainty'),
      ],
      change: 'Further evidence, or a proof',
    })
  return {
    value: {
      male,
      sex,
      chance,
      state,
      prior: { label: prior.label, logOdds: priorOdds },
      pieces,
      threshold: oddsOf(certainty),
      contradictions: contradictionsOf(pieces, proofs, total),
    },
    reasons,
  }
}
