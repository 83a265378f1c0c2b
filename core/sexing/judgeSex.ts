import type { Almanac, Species } from '../almanac'
import type { Judgement } from '../judgement'
import type { AnimalState } from '../subjects'
import { piecesOf, sumOf } from './evidence'
import type { Contradiction, CountedPiece, Proof, SexPrior } from './findings'
import { pieceReason, priorReason, proofReason, sumReason, tellContradiction, tellPiece, tellPrior } from './wording'

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
  pieces: (CountedPiece & { label: string })[]
  /** Log-odds at which the house takes it as certain. */
  threshold: number
  /** What does not go together, in sentences. */
  contradictions: string[]
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
 * What is to be expected before anything is looked at: by its species' way of making sexes, and what is known of its
 * egg.
 * @param tempC temperature its egg was kept at, °C; null = not known
 */
export function sexPrior(species: Species, tempC: number | null): SexPrior {
  if (species.sexing?.system === 'clonal') return { male: 0, found: { code: 'clonal' } }
  if (species.sexByTemperature && tempC !== null)
    return { male: 1 - femaleShareAt(species.sexByTemperature, tempC), found: { code: 'eggKeptAt', tempC } }
  return { male: 0.5, found: { code: 'evenly' } }
}

/** @param strong log-odds from which a piece that speaks against the rest is named */
function contradictionsOf(
  pieces: readonly CountedPiece[],
  proofs: readonly Proof[],
  total: number,
  strong: number,
): Contradiction[] {
  const later = proofs.at(-1)
  const rules = later ? (later.says === 'male' ? 1 : -1) : Math.sign(total)
  const first = proofs.find(p => p.says !== later?.says)
  const against = pieces.filter(p => Math.abs(p.counts) >= strong && Math.sign(p.counts) !== rules)
  return [
    ...(later && first ? [{ code: 'twoProofs' as const, first, later }] : []),
    ...against.map((piece): Contradiction =>
      later ? { code: 'againstProof', piece, proof: later } : { code: 'againstTheRest', piece },
    ),
  ]
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
  const raw = piecesOf(species, almanac, animal)
  const { total: evidence, counted } = sumOf(raw)
  const pieces = raw.map((p, i) => ({ ...p, counts: counted[i]! }))
  const proofs = animal.sexEvidence.filter(e => e.by === 'proof')
  const proof = proofs.at(-1)
  const fixed = prior.male <= 0 || prior.male >= 1
  const priorOdds = fixed ? 0 : oddsOf(prior.male)
  const total = priorOdds + evidence
  const male = proof ? (proof.says === 'male' ? 1 : 0) : fixed ? prior.male : chanceOf(total)
  const chance = Math.max(male, 1 - male)
  return {
    value: {
      male,
      sex: male >= 0.5 ? 'male' : 'female',
      chance,
      state: proof ? 'proven' : chance >= certainty ? 'certain' : 'open',
      prior: { label: tellPrior(prior, species).label, logOdds: priorOdds },
      pieces: pieces.map(p => ({ ...p, label: tellPiece(p, almanac) })),
      threshold: oddsOf(certainty),
      contradictions: contradictionsOf(pieces, proofs, total, Math.log(almanac.common.sexContradicts!.value)).map(c =>
        tellContradiction(c, almanac),
      ),
    },
    reasons: [
      priorReason(prior, species),
      ...pieces.map(p => pieceReason(p, species, almanac, today)),
      proof ? proofReason(proof) : sumReason(male, certainty),
    ],
  }
}
