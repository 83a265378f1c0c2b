import type { SexEvidence } from '../subjects'

export type Proof = Extract<SexEvidence, { by: 'proof' }>
/** What can be weighed: what was seen or measured, and what stands on its card. */
export type Weighable = Exclude<SexEvidence, Proof> | { by: 'stated'; says: 'male' | 'female' }

/** A piece of evidence weighed, for wording.ts to tell. */
export interface Piece {
  /** Sort of evidence: pieces of one sort are not independent of each other. */
  sort: string
  /** Natural logarithm of the likelihood ratio: above 0 for male, below for female. */
  logOdds: number
  day: number
  entryId: string | null
  of: Weighable
  /** Of a sign: whether it was read on a grown animal. */
  grown?: boolean
}

/** A piece beside others: what it counts for among those of its sort. */
export interface CountedPiece extends Piece {
  counts: number
}

/** What is to be expected before anything is looked at. */
export interface SexPrior {
  /** Chance of a male, 0..1. */
  male: number
  found: { code: 'clonal' } | { code: 'eggKeptAt'; tempC: number } | { code: 'evenly' }
}

/** What does not go together. */
export type Contradiction =
  | { code: 'twoProofs'; first: Proof; later: Proof }
  | { code: 'againstProof'; piece: CountedPiece; proof: Proof }
  | { code: 'againstTheRest'; piece: CountedPiece }

/** Why a look at something is not offered. */
export type NotOfferedBecause =
  | { code: 'venomous' }
  | { code: 'weighFirst' }
  | { code: 'tooSmall'; massG: number; fromG: number }
  | { code: 'unwell' }
  | { code: 'notGrown' }
